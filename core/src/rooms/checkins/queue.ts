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

/** One reason and the hours since it began. */
export interface Waiting {
  readonly reason: QueueReason;
  readonly waitingHours: number;
}

export interface QueueEntry {
  readonly id: string;
  /** Every reason that applies; at least one. */
  readonly waiting: readonly Waiting[];
}

export type Ranked<E extends QueueEntry> = E & Waiting & { readonly rank: number };

const STEP = 100;
/** A day of waiting lifts by a little more than half a place of need, so that nobody starves. */
const LIFT_PER_DAY = 60;
const PAIN_AHEAD = 100_000;

/**
 * Order of the coach's queue. Pain is always first; among the rest age raises the rank. An entry
 * stands where its most pressing reason puts it and shows that reason with its own waiting time.
 */
export function rankQueue<E extends QueueEntry>(entries: readonly E[]): Ranked<E>[] {
  return entries
    .flatMap((entry) => {
      const [top] = entry.waiting.map((w) => ({ ...w, rank: rankOf(w) })).sort((a, b) => b.rank - a.rank);
      return top ? [{ ...entry, ...top }] : [];
    })
    .sort((a, b) => b.rank - a.rank || (a.id < b.id ? -1 : 1));
}

function rankOf({ reason, waitingHours }: Waiting): number {
  const need = (QUEUE_REASONS.length - QUEUE_REASONS.indexOf(reason)) * STEP;
  return need + (waitingHours / 24) * LIFT_PER_DAY + (reason === 'pain' ? PAIN_AHEAD : 0);
}

export const REPLY_DUE_HOURS = 48;
export const SILENT_AFTER_DAYS = 7;
