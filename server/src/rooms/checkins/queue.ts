import type { QueueRow } from '@inchstep/contract/checkins';
import { type QueueEntry, rankQueue, type WaitingEntry, whyWaiting } from '@inchstep/core/checkins';
import { type Context, stamp } from '../../platform/context.ts';
import { holdOf, listStudents } from '../intake/index.ts';
import { listReadings } from '../measures/index.ts';
import { currentPlan, gateStates, listSets } from '../practice/index.ts';
import { movedMeasures } from './moved.ts';
import { listCheckins } from './service.ts';

/** Everything that waits for the coach, most pressing first, each with the reason for its place. */
export function queueOf(ctx: Context): QueueRow[] {
  const names = new Map<string, { name: string; checkinId: string | null; note: string }>();
  const entries: QueueEntry[] = [];
  for (const student of listStudents(ctx)) {
    if (student.archivedAt !== null) continue;
    const entry = entryFor(ctx, student.id);
    if (!entry) continue;
    entries.push(entry);
    const name = `${student.profile.firstName} ${student.profile.familyName}`;
    names.set(entry.id, { name, checkinId: entry.checkinId, note: entry.note });
  }
  return rankQueue(entries).map(({ id, student, reason, waitingHours }) => {
    const known = names.get(id);
    return {
      id,
      studentId: student,
      studentName: known?.name ?? '',
      checkinId: known?.checkinId ?? null,
      reason,
      waitingHours,
      note: known?.note ?? '',
    };
  });
}

/** One line per student, from the student's records. */
function entryFor(ctx: Context, studentId: string): WaitingEntry | null {
  const checkins = [...listCheckins(ctx, studentId)].reverse();
  return whyWaiting(
    {
      studentId,
      heldSince: holdOf(ctx, studentId)?.at ?? null,
      checkins: checkins.map(({ id, at, pain, note, reply }) => ({
        id,
        at,
        pain,
        note,
        answered: reply !== null,
      })),
      sets: listSets(ctx, studentId),
      plannedAt: currentPlan(ctx, studentId)?.at ?? null,
      gates: gateStates(ctx, studentId),
      filmedAt: listReadings(ctx, studentId).at(-1)?.at ?? null,
      wrongWay: movedMeasures(ctx, studentId).some((m) => m.verdict === 'real' && m.direction === 'worse'),
    },
    stamp(ctx),
  );
}
