import type { QueueRow } from '@inchstep/contract/checkins';
import { rankQueue, waitingAt } from '@inchstep/core/checkins';
import { type Context, stamp } from '../../platform/context.ts';

/** Everything that waits for the coach, most pressing first, each with the reason for its place. */
export function queueOf(ctx: Context): QueueRow[] {
  const now = stamp(ctx);
  const waiting = [...ctx.records.summaries().all].flatMap((summary) => {
    const reasons = waitingAt(summary.waiting, now);
    return reasons.length === 0 ? [] : [{ summary, id: summary.studentId, waiting: reasons }];
  });
  return rankQueue(waiting).map(({ summary, reason, waitingHours }) => ({
    id: summary.opens?.checkinId ?? summary.studentId,
    studentId: summary.studentId,
    studentName: `${summary.firstName} ${summary.familyName}`,
    checkinId: summary.opens?.checkinId ?? null,
    reason,
    waitingHours,
    note: summary.opens?.note ?? '',
  }));
}
