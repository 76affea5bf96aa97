export type { CheckinEntry, CheckinRecord } from './checkinRecord.ts';
export {
  type Arrived,
  type FilmAsk,
  type FilmRequest,
  proposeRequest,
  type RequestSeen,
  type RequestState,
  requestNow,
  requestSeen,
} from './filmRequest.ts';
export {
  QUEUE_REASONS,
  type QueueEntry,
  type QueueReason,
  type Ranked,
  REPLY_DUE_HOURS,
  rankQueue,
  SILENT_AFTER_DAYS,
  type Waiting,
} from './queue.ts';
export { betterFirst, type MovedMeasure, type ReplyFacts } from './reply.ts';
export { type ReplyGate, replyGate } from './replyGate.ts';
export {
  lastSign,
  opensAt,
  type Since,
  silentFrom,
  type WaitingFile,
  waitingAt,
  whyWaiting,
} from './waiting.ts';
