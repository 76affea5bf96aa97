import type { Hold } from '@inchstep/contract/intake';
import { type HoldSpan, onOurClock, stoppedBy } from '@inchstep/core/intake';
import { type Context, dayOf, newId, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { isKnown, once } from '../../platform/writes/once.ts';
import { record } from './record.ts';
import { holdsOf, insertHold, liftHolds, openHold, sayWhere, studentRow, updateProfile } from './repo.ts';

export const holdOf = (ctx: Context, studentId: string): Hold | null => openHold(ctx.db, studentId);

/** Pain stops the drills at once, from the moment it was reported by the student's own clock. */
export function reportPain(
  ctx: Context,
  studentId: string,
  id: string,
  where: string,
  at = stamp(ctx),
): void {
  insertHold(ctx.db, studentId, { id, where, at, liftedAt: null, liftNote: '' });
  record(ctx, studentId, 'hold', { where });
}

/** "Pain now" among the intake answers is a report of pain like any other; one that stands already is enough. */
export function pauseForPainNow(ctx: Context, studentId: string): void {
  const safety = studentRow(ctx.db, studentId)?.profile.safety;
  if (safety?.painNow && !openHold(ctx.db, studentId)) reportPain(ctx, studentId, newId(), safety.painWhere);
}

/** A report of pain with an id of its own. */
interface PainSent {
  readonly id: string;
  readonly where: string;
  /** By the sender's clock, as its `sentAt`; null = now. */
  readonly writtenAt: string | null;
}
interface PainSender {
  readonly author: string;
  readonly sentAt: string | null;
}

/**
 * The coach saw it, or the student says so. Told twice it is one report: a second telling holds nothing that was
 * lifted meanwhile, and adds where it hurts if the first did not say.
 */
export function stopForPain(
  ctx: Context,
  studentId: string,
  { id, where, writtenAt }: PainSent,
  { author, sentAt }: PainSender,
): void {
  refuseUnknown(ctx, studentId);
  const stop = () => {
    const since = onThisClock(ctx, studentId, writtenAt, sentAt) ?? stamp(ctx);
    reportPain(ctx, studentId, id, where, since);
  };
  const isNew = !isKnown(ctx, { id, what: 'hold', studentId, author });
  once(ctx, { id, what: 'hold', studentId, author }, stop, () => undefined);
  if (!isNew && where !== '') ctx.records.write(studentId, () => sayWhere(ctx.db, id, where), 'file');
}

function refuseUnknown(ctx: Context, studentId: string): void {
  if (!studentRow(ctx.db, studentId)) throw new Refusal('not_found');
}

/** Only the coach lifts a hold, and says why. The intake no longer answers "pain now" after it. */
export function liftHold(ctx: Context, studentId: string, note: string): void {
  refuseUnknown(ctx, studentId);
  ctx.records.write(studentId, () => {
    if (liftHolds(ctx.db, studentId, stamp(ctx), note) === 0) throw new Refusal('not_found');
    endPainNow(ctx, studentId);
    record(ctx, studentId, 'hold_lifted', { note });
  });
}

function endPainNow(ctx: Context, studentId: string): void {
  const row = studentRow(ctx.db, studentId);
  if (!row?.profile.safety.painNow) return;
  const safety = { ...row.profile.safety, painNow: false, painWhere: '' };
  updateProfile(ctx.db, studentId, row.version, { ...row.profile, safety });
}

const spansOf = (ctx: Context, studentId: string): HoldSpan[] =>
  holdsOf(ctx.db, studentId).map(({ at, liftedAt }) => ({
    at,
    liftedAt,
    day: dayOf(at),
    liftedDay: liftedAt === null ? null : dayOf(liftedAt),
  }));

/** A moment of the sender's on our clock; null stays null. */
export function onThisClock(
  ctx: Context,
  studentId: string,
  doneAt: string | null,
  sentAt: string | null,
): string | null {
  return doneAt === null ? null : onOurClock({ doneAt, sentAt }, stamp(ctx), spansOf(ctx, studentId));
}

/** Refuses what was done while a pain report stood, whenever it arrives. */
export function refuseInPain(
  ctx: Context,
  studentId: string,
  done: { doneAt: string | null; date: string },
): void {
  const received = { at: stamp(ctx), day: today(ctx) };
  if (stoppedBy(done, spansOf(ctx, studentId), received)) throw new Refusal('pain_hold');
}
