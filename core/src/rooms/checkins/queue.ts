/** Why something waits for the coach, most pressing first. */
export const QUEUE_REASONS = [
  'pain',
  'gate_waiting',
  'wrong_way',
  'watch_over',
  'overdue_reply',
  'silent',
  'request_overdue',
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

/** An entry with the reason that puts it where it stands. The entry is held, not copied: copying cost more than all the rest. */
interface Ranked<E extends QueueEntry> extends Waiting {
  readonly entry: E;
  readonly rank: number;
}

const STEP = 100;
/** A day of waiting lifts by a little more than half a place of need, so that nobody starves. */
const LIFT_PER_DAY = 60;
const PAIN_AHEAD = 100_000;

/**
 * Order of the coach's queue. Pain is always first; among the rest age raises the rank. An entry
 * stands where its most pressing reason puts it and shows that reason with its own waiting time.
 */
export function rankQueue<E extends QueueEntry>(entries: readonly E[]): Ranked<E>[] {
  const ranked: Ranked<E>[] = [];
  for (const entry of entries) {
    let top: Waiting | null = null;
    let rank = Number.NEGATIVE_INFINITY;
    for (const waiting of entry.waiting) {
      const its = rankOf(waiting);
      if (its <= rank) continue;
      top = waiting;
      rank = its;
    }
    if (top) ranked.push({ entry, reason: top.reason, waitingHours: top.waitingHours, rank });
  }
  return ranked.sort((a, b) => b.rank - a.rank || (a.entry.id < b.entry.id ? -1 : 1));
}

/** Need of each reason, the most pressing highest. */
const NEED = Object.fromEntries(
  QUEUE_REASONS.map((reason, i) => [reason, (QUEUE_REASONS.length - i) * STEP]),
) as Record<QueueReason, number>;

function rankOf({ reason, waitingHours }: Waiting): number {
  return NEED[reason] + (waitingHours / 24) * LIFT_PER_DAY + (reason === 'pain' ? PAIN_AHEAD : 0);
}

export const REPLY_DUE_HOURS = 48;
export const SILENT_AFTER_DAYS = 7;
