import { type IsoDay, plusDays } from '../../foundation/index.ts';
import type { CaptureRecord } from '../capture/index.ts';
import type { IntakeRecord } from '../intake/index.ts';
import { type GateStanding, type PracticeRecord, waitsForCoach } from '../practice/index.ts';
import type { Aside, CheckinEntry, CheckinRecord } from './checkinRecord.ts';
import { type QueueReason, REPLY_DUE_HOURS, SILENT_AFTER_DAYS, type Waiting } from './queue.ts';

/** What a student waits for is judged from; nothing else is asked. */
export interface WaitingFile {
  readonly intake: Pick<IntakeRecord, 'heldSince' | 'heldWhere'>;
  readonly capture: CaptureRecord;
  readonly practice: Pick<PracticeRecord, 'sets' | 'plan'>;
  readonly checkins: CheckinRecord['checkins'];
  readonly asked: CheckinRecord['asked'];
  readonly aside: CheckinRecord['aside'];
  readonly gates: readonly GateStanding[];
  /** When a swing was measured last, an ISO stamp. */
  readonly filmedAt: string | null;
  /** A measure of the present work surely moved away from its band. */
  readonly wrongWay: boolean;
}

/** A reason to wait: since when the waiting is counted, and from when on it is a reason at all. */
export interface Since {
  readonly reason: QueueReason;
  /** ISO stamp. */
  readonly since: string;
  /** ISO stamp; null for what is a reason at once. A reply is not overdue, nor a student silent, from the first hour. */
  readonly from: string | null;
}

const HOUR_MS = 3_600_000;
const hoursAfter = (at: string, hours: number): string =>
  new Date(Date.parse(at) + hours * HOUR_MS).toISOString();
const latest = (...moments: (string | null | undefined)[]): string | null =>
  moments.reduce<string | null>((last, at) => (at && (last === null || at > last) ? at : last), null);

type Sign = Pick<WaitingFile, 'practice' | 'checkins' | 'capture' | 'aside'>;

/** The last moment at which the student was heard of: a set, a word, a clip or a talk; before any, the plan itself. */
function lastSign({ practice, checkins, capture, aside }: Sign): string | null {
  const clip = capture.clips.findLast(({ from }) => from === 'student');
  const words = checkins.at(-1)?.at;
  return latest(practice.sets.at(-1)?.at, words, clip?.at, spokenAt(aside), practice.plan?.at);
}

/** From when on a student who practises by a plan counts as gone quiet; null without a plan. */
export function silentFrom(file: Sign): string | null {
  const sign = lastSign(file);
  return file.practice.plan && sign ? hoursAfter(sign, SILENT_AFTER_DAYS * 24) : null;
}

/** Every reason for which this student waits in the coach's queue, or will once its moment has come. */
export function whyWaiting(file: WaitingFile): Since[] {
  const { heldSince } = file.intake;
  const at = (reason: QueueReason, since: string, from: string | null = null): Since => ({
    reason,
    since,
    from,
  });
  const reasons: Since[] = heldSince ? [at('pain', heldSince)] : [];
  const { sets, plan } = file.practice;
  const practised = sets.at(-1)?.at ?? plan?.at;
  if (practised && file.gates.some(waitsForCoach)) reasons.push(at('gate_waiting', practised));
  if (file.filmedAt && file.wrongWay) reasons.push(at('wrong_way', file.filmedAt));
  if (file.filmedAt && file.gates.some(({ held }) => held.some(({ code }) => code === 'watch')))
    reasons.push(at('watch_over', file.filmedAt));
  const sign = lastSign(file);
  const quiet = silentFrom(file);
  if (sign && quiet) reasons.push(at('silent', sign, quiet));
  if (file.asked && !settled(file.aside, file.asked.askedAt)) {
    const over = dayBegins(plusDays(file.asked.dueOn, 1));
    reasons.push(at('request_overdue', over, over));
  }
  const oldest = file.checkins.find((checkin) => isOpen(checkin, file.aside));
  if (oldest) {
    reasons.push(at('routine', oldest.at));
    reasons.push(at('overdue_reply', oldest.at, hoursAfter(oldest.at, REPLY_DUE_HOURS)));
  }
  return reasons.map((reason) => afterAside(reason, file.aside));
}

const dayBegins = (day: IsoDay): string => new Date(`${day}T00:00:00`).toISOString();
const spokenAt = (aside: Aside | null): string | null => (aside && aside.until === null ? aside.at : null);
/** What came before they spoke was spoken of. */
const settled = (aside: Aside | null, at: string): boolean => {
  const spoken = spokenAt(aside);
  return spoken !== null && at <= spoken;
};
const isOpen = ({ answered, at }: CheckinEntry, aside: Aside | null): boolean =>
  !answered && !settled(aside, at);

const WORDS: ReadonlySet<QueueReason> = new Set(['routine', 'overdue_reply']);

/** What was set aside is no reason before its day; pain always is, and so is a word that came later. */
function afterAside(reason: Since, aside: Aside | null): Since {
  if (!aside || aside.until === null || reason.reason === 'pain') return reason;
  if (WORDS.has(reason.reason) && reason.since > aside.at) return reason;
  const from = dayBegins(aside.until);
  return reason.from !== null && reason.from > from ? reason : { ...reason, from };
}

/** The check-in that waits longest for an answer. */
export const opensAt = ({ checkins, aside }: Pick<WaitingFile, 'checkins' | 'aside'>): CheckinEntry | null =>
  checkins.find((checkin) => isOpen(checkin, aside)) ?? null;

/** What a report of pain says: the check-in it came with, or the report's own words. */
export interface PainReport {
  readonly checkinId: string | null;
  readonly note: string;
}

/** The report that pauses the drills now; null while none does. A check-in of an earlier report is not its own. */
export function painReportOf({
  intake: { heldSince, heldWhere },
  checkins,
}: Pick<WaitingFile, 'intake' | 'checkins'>): PainReport | null {
  if (heldSince === null) return null;
  const withIt = checkins.findLast(({ pain, answered, at }) => pain && !answered && at >= heldSince);
  const said = [heldWhere, withIt?.note ?? ''].filter((text) => text !== '').join('. ');
  return { checkinId: withIt?.id ?? null, note: said };
}

/** The reasons that hold at this moment, with the whole hours waited. A reply that is overdue is no routine any more. */
export function waitingAt(reasons: readonly Since[], now: string): Waiting[] {
  const nowMs = Date.parse(now);
  const held: Waiting[] = [];
  for (const { reason, since, from } of reasons) {
    if (from !== null && from > now) continue;
    held.push({ reason, waitingHours: Math.max(0, Math.floor((nowMs - Date.parse(since)) / HOUR_MS)) });
  }
  const overdue = held.some(({ reason }) => reason === 'overdue_reply');
  return overdue ? held.filter(({ reason }) => reason !== 'routine') : held;
}
