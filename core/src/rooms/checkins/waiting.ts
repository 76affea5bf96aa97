import { type GateStanding, type LoggedSet, waitsForCoach } from '../practice/index.ts';
import type { CheckinRecord } from './checkinRecord.ts';
import {
  type QueueEntry,
  type QueueReason,
  REPLY_DUE_HOURS,
  SILENT_AFTER_DAYS,
  type Waiting,
} from './queue.ts';

/** What a student waits for is judged from; nothing else is asked. */
export interface WaitingFile {
  readonly studentId: string;
  /** Since when pain holds the drills; null when it does not. */
  readonly heldSince: string | null;
  readonly checkins: CheckinRecord['checkins'];
  readonly sets: readonly LoggedSet[];
  /** When the plan was laid; null without one. */
  readonly plannedAt: string | null;
  readonly gates: readonly GateStanding[];
  /** When a swing was measured last. */
  readonly filmedAt: string | null;
  /** A measure of the present work surely moved away from its band. */
  readonly wrongWay: boolean;
}

export interface WaitingEntry extends QueueEntry {
  /** The check-in that a press opens. */
  readonly checkinId: string | null;
  readonly note: string;
}

const HOUR_MS = 3_600_000;
const latest = (...moments: (string | null | undefined)[]): string | null =>
  moments.reduce<string | null>((last, at) => (at && (last === null || at > last) ? at : last), null);

/** Why a student waits in the coach's queue: one line with every reason that applies, or null. */
export function whyWaiting(file: WaitingFile, now: string): WaitingEntry | null {
  const hoursSince = (at: string) => Math.max(0, Math.floor((Date.parse(now) - Date.parse(at)) / HOUR_MS));
  const unanswered = file.checkins.filter(({ answered }) => !answered);
  const since: [QueueReason, string][] = [];
  if (file.heldSince) since.push(['pain', file.heldSince]);
  since.push(...becauseOfPractice(file, hoursSince));
  const oldest = unanswered[0];
  if (oldest) since.push([hoursSince(oldest.at) >= REPLY_DUE_HOURS ? 'overdue_reply' : 'routine', oldest.at]);
  if (since.length === 0) return null;
  // Who is in pain is answered first, whatever else was written before.
  const painful = file.heldSince ? unanswered.findLast(({ pain }) => pain) : undefined;
  const opens = painful ?? oldest;
  return {
    id: opens?.id ?? file.studentId,
    student: file.studentId,
    waiting: since.map(([reason, at]): Waiting => ({ reason, waitingHours: hoursSince(at) })),
    checkinId: opens?.id ?? null,
    note: opens?.note ?? '',
  };
}

/** What sets, gates and measures say without the student saying a word. */
function becauseOfPractice(file: WaitingFile, hoursSince: (at: string) => number): [QueueReason, string][] {
  const { sets, plannedAt, gates, filmedAt, checkins } = file;
  const since: [QueueReason, string][] = [];
  const practised = sets.at(-1)?.at ?? plannedAt;
  if (practised && gates.some(waitsForCoach)) since.push(['gate_waiting', practised]);
  if (filmedAt && file.wrongWay) since.push(['wrong_way', filmedAt]);
  if (filmedAt && gates.some(({ held }) => held.some(({ code }) => code === 'watch')))
    since.push(['watch_over', filmedAt]);
  // A word is a sign of life, too.
  const sign = latest(practised, checkins.at(-1)?.at);
  if (plannedAt && sign && hoursSince(sign) >= SILENT_AFTER_DAYS * 24) since.push(['silent', sign]);
  return since;
}
