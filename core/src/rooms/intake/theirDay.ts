import { daysBetween, type IsoDay, plusDays } from '../../foundation/index.ts';
import { onOurClock } from './painStop.ts';

const dayIn = (at: string): IsoDay => at.slice(0, 10);
/** Nearer than this a zone tells as much as a wrong clock. */
const SURELY_DAYS = 2;

/**
 * The day of something a phone did, where the phone's clock stands on another day than ours: what was dated by that
 * clock moves with it, what was dated by our page stays. Without both of the phone's stamps nobody can tell.
 */
export function dayOnOurClock(
  told: { readonly date: IsoDay; readonly doneAt: string | null; readonly sentAt: string | null },
  receivedAt: string,
): IsoDay {
  const { date, doneAt, sentAt } = told;
  if (doneAt === null || sentAt === null) return date;
  const theirs = dayIn(doneAt);
  const ours = dayIn(onOurClock({ doneAt, sentAt }, receivedAt, []));
  const shift = daysBetween(theirs, ours);
  const byTheirs = Math.abs(daysBetween(date, theirs)) < Math.abs(daysBetween(date, ours));
  return Math.abs(shift) >= SURELY_DAYS && byTheirs ? plusDays(date, shift) : date;
}

/** The day of a film that a phone dated ahead of us, because its clock is; any other day stays as it was told. */
export function filmedOnOurClock(filmedOn: IsoDay, sentAt: string | null, receivedAt: string): IsoDay {
  const today = dayIn(receivedAt);
  const ahead = sentAt === null ? 0 : daysBetween(today, dayIn(sentAt));
  if (ahead < 1 || filmedOn <= plusDays(today, 1)) return filmedOn;
  const shifted = plusDays(filmedOn, -ahead);
  return shifted > today ? today : shifted;
}
