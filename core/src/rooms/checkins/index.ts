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
