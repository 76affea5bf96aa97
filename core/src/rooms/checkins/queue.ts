/** Why something waits for the coach, most pressing first. */
export const QUEUE_REASONS = [
  'pain',
  'gate_waiting',
  'wrong_way',
  'watch_over',
  'silent',
  'overdue_reply',
  'routine',
] as const;
export type QueueReason = (typeof QUEUE_REASONS)[number];

export interface QueueEntry {
  readonly id: string;
  readonly student: string;
  readonly reasons: readonly QueueReason[];
  /** Hours since it began to wait. */
  readonly waitingHours: number;
}

export interface RankedEntry extends QueueEntry {
  readonly reason: QueueReason;
  readonly rank: number;
}

const STEP = 100;
/** Waiting lifts an entry by one place of need each day, so that nobody starves. */
const LIFT_PER_DAY = 60;
const PAIN_AHEAD = 100_000;

/** Order of the coach's queue. Pain is always first; among the rest age raises the rank. */
export function rankQueue(entries: readonly QueueEntry[]): RankedEntry[] {
  return entries
    .map((entry) => {
      const reason = QUEUE_REASONS.find((candidate) => entry.reasons.includes(candidate)) ?? 'routine';
      const need = (QUEUE_REASONS.length - QUEUE_REASONS.indexOf(reason)) * STEP;
      const rank = need + (entry.waitingHours / 24) * LIFT_PER_DAY + (reason === 'pain' ? PAIN_AHEAD : 0);
      return { ...entry, reason, rank };
    })
    .sort((a, b) => b.rank - a.rank || (a.id < b.id ? -1 : 1));
}

export const REPLY_DUE_HOURS = 48;
export const SILENT_AFTER_DAYS = 7;
