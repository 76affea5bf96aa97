import type { QueueRow } from '@inchstep/contract/checkins';
import {
  type QueueEntry,
  type QueueReason,
  REPLY_DUE_HOURS,
  rankQueue,
  SILENT_AFTER_DAYS,
  type Waiting,
} from '@inchstep/core/checkins';
import { differenceInHours, parseISO } from 'date-fns';
import type { Context } from '../../platform/context.ts';
import { holdOf, listStudents } from '../intake/index.ts';
import { listReadings } from '../measures/index.ts';
import { currentPlan, gateStates, listSets, waitsForCoach } from '../practice/index.ts';
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

/** One line per student: an unanswered check-in if there is one, with all reasons that apply. */
function entryFor(
  ctx: Context,
  studentId: string,
): (QueueEntry & { checkinId: string | null; note: string }) | null {
  const waiting: Waiting[] = [];
  const because = (reason: QueueReason, since: string) =>
    waiting.push({ reason, waitingHours: hoursSince(ctx, since) });
  const hold = holdOf(ctx, studentId);
  if (hold) because('pain', hold.at);
  becauseOfPractice(ctx, studentId, because);
  const open = listCheckins(ctx, studentId)
    .filter((checkin) => checkin.reply === null)
    .at(-1);
  if (open) because(hoursSince(ctx, open.at) >= REPLY_DUE_HOURS ? 'overdue_reply' : 'routine', open.at);
  if (waiting.length === 0) return null;
  return {
    id: open?.id ?? studentId,
    student: studentId,
    waiting,
    checkinId: open?.id ?? null,
    note: open?.note ?? '',
  };
}

/** What the sets, gates and measures say without the student saying a word. */
function becauseOfPractice(
  ctx: Context,
  studentId: string,
  because: (reason: QueueReason, since: string) => void,
): void {
  const gates = gateStates(ctx, studentId);
  const sets = listSets(ctx, studentId);
  const plan = currentPlan(ctx, studentId);
  const lastSign = sets.at(-1)?.at ?? plan?.at;
  if (gates.some(waitsForCoach) && lastSign) because('gate_waiting', lastSign);
  const lastFilmed = listReadings(ctx, studentId).at(-1)?.at;
  if (lastFilmed) {
    const worse = movedMeasures(ctx, studentId).some((m) => m.verdict === 'real' && m.direction === 'worse');
    if (worse) because('wrong_way', lastFilmed);
    if (gates.some((g) => g.held.some((h) => h.code === 'watch'))) because('watch_over', lastFilmed);
  }
  if (plan && lastSign && hoursSince(ctx, lastSign) >= SILENT_AFTER_DAYS * 24) because('silent', lastSign);
}

const hoursSince = (ctx: Context, at: string): number =>
  Math.max(0, differenceInHours(ctx.now(), parseISO(at)));
