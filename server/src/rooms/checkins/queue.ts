import type { QueueRow } from '@inchstep/contract/checkins';
import { type QueueEntry, rankQueue, waitingAt } from '@inchstep/core/checkins';
import type { Summary } from '@inchstep/core/progress';
import { addDays } from 'date-fns';
import { type Context, stamp } from '../../platform/context.ts';

import { weekOf } from './repo.ts';

/** Everything that waits for the coach, most pressing first, each with the reason for its place. */
export function queueOf(ctx: Context): { rows: QueueRow[]; week: { came: number; answered: number } } {
  const now = stamp(ctx);
  const waiting: (QueueEntry & { readonly summary: Summary })[] = [];
  for (const summary of ctx.records.summaries().all) {
    const reasons = waitingAt(summary.waiting, now);
    if (reasons.length > 0) waiting.push({ summary, id: summary.studentId, waiting: reasons });
  }
  const rows = rankQueue(waiting).map(({ entry: { summary }, reason, waitingHours }) => {
    // A report of pain is told in its own words, never in those of another check-in.
    const opens = reason === 'pain' ? summary.pain : summary.opens;
    return {
      id: opens?.checkinId ?? summary.studentId,
      studentId: summary.studentId,
      studentName: `${summary.firstName} ${summary.familyName}`,
      checkinId: opens?.checkinId ?? null,
      reason,
      waitingHours,
      note: opens?.note ?? '',
    };
  });
  return { rows, week: weekOf(ctx.db, addDays(ctx.now(), -7).toISOString()) };
}
