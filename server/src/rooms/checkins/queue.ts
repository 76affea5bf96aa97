import type { QueueRow } from '@inchstep/contract/checkins';
import {
  type QueueEntry,
  type QueueReason,
  REPLY_DUE_HOURS,
  rankQueue,
  SILENT_AFTER_DAYS,
} from '@inchstep/core/checkins';
import { differenceInHours, parseISO } from 'date-fns';
import type { Context } from '../../platform/context.ts';
import { holdOf, listStudents } from '../intake/index.ts';
import { currentPlan, gateStates, listSets } from '../practice/index.ts';
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
  const open = listCheckins(ctx, studentId)
    .filter((checkin) => checkin.reply === null)
    .at(-1);
  const hold = holdOf(ctx, studentId);
  const gates = gateStates(ctx, studentId);
  const reasons: QueueReason[] = [];
  const starts: string[] = [];
  const because = (reason: QueueReason, since: string) => {
    reasons.push(reason);
    starts.push(since);
  };
  if (hold) because('pain', hold.at);
  const waiting = gates.find((g) => g.gate.decision !== 'continue' && !g.held.some((h) => h.code === 'pain'));
  const sets = listSets(ctx, studentId);
  if (waiting) because('gate_waiting', sets.at(-1)?.at ?? ctx.now().toISOString());
  if (gates.some((g) => g.held.some((h) => h.code === 'watch')))
    because('watch_over', ctx.now().toISOString());
  const plan = currentPlan(ctx, studentId);
  const lastSign = sets.at(-1)?.at ?? plan?.at;
  if (plan && lastSign && hoursSince(ctx, lastSign) >= SILENT_AFTER_DAYS * 24) because('silent', lastSign);
  if (open) because(hoursSince(ctx, open.at) >= REPLY_DUE_HOURS ? 'overdue_reply' : 'routine', open.at);
  if (reasons.length === 0) return null;
  return {
    id: open?.id ?? studentId,
    student: studentId,
    reasons,
    waitingHours: Math.max(...starts.map((since) => hoursSince(ctx, since))),
    checkinId: open?.id ?? null,
    note: open?.note ?? '',
  };
}

const hoursSince = (ctx: Context, at: string): number =>
  Math.max(0, differenceInHours(ctx.now(), parseISO(at)));
