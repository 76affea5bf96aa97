export type { CheckinEntry, CheckinRecord } from './checkinRecord.ts';
export {
  QUEUE_REASONS,
  type QueueEntry,
  type QueueReason,
  type RankedEntry,
  REPLY_DUE_HOURS,
  rankQueue,
  SILENT_AFTER_DAYS,
  type Waiting,
} from './queue.ts';
export { betterFirst, type MovedMeasure, type ReplyFacts } from './reply.ts';
export { type ReplyGate, replyGate } from './replyGate.ts';
export { type WaitingEntry, type WaitingFile, whyWaiting } from './waiting.ts';
