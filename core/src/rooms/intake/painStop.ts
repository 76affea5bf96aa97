import type { IsoDay } from '../../foundation/index.ts';

/** A pain report and, where the coach lifted it, the end of its hold; moments as ISO stamps of our clock. */
export interface HoldSpan {
  readonly at: string;
  readonly liftedAt: string | null;
  /** The coach's calendar days of the two moments. */
  readonly day: IsoDay;
  readonly liftedDay: IsoDay | null;
}

/** When something was done: by the sender's clock, with what that clock said when it was sent. */
interface ToldTime {
  readonly doneAt: string;
  readonly sentAt: string | null;
}

const DAY_MS = 24 * 3600 * 1000;
/** No phone is offline for longer. Two stamps further apart tell nothing: what they date counts as done when it came. */
const LONGEST_AGO_MS = 400 * DAY_MS;

/**
 * A moment on our clock of what a sender did by its own. The sender's two stamps tell how long ago it was,
 * whatever its clock or zone says. Where our own clock was set back behind the last hold, nobody can tell how
 * long ago that hold was noted: what was done within the day then counts as done after it.
 */
export function onOurClock(
  told: ToldTime,
  receivedAt: string,
  holds: readonly Pick<HoldSpan, 'at' | 'liftedAt'>[],
): string {
  const now = Date.parse(receivedAt);
  const last = Math.max(
    now,
    ...holds.flatMap(({ at, liftedAt }) => [at, liftedAt ?? at]).map((at) => Date.parse(at)),
  );
  const toldMs = Date.parse(told.sentAt ?? receivedAt) - Date.parse(told.doneAt);
  const agoMs = toldMs > 0 && toldMs <= LONGEST_AGO_MS ? toldMs : 0;
  return new Date(last > now && agoMs < DAY_MS ? last : last - agoMs).toISOString();
}

/** When a message came, on our clock and calendar. */
interface Received {
  readonly at: string;
  readonly day: IsoDay;
}

/**
 * The hold that stops a set, or null. Known to the minute, a set counts when it was done before the report or
 * after the lifting. Known to the day alone, the whole day of the report is stopped, and the day of the
 * lifting is free: that is when the coach notes it. Where our clock was set back behind an open report, days
 * mean nothing either: what is dated today is stopped.
 */
export function stoppedBy(
  done: { readonly doneAt: string | null; readonly date: IsoDay },
  holds: readonly HoldSpan[],
  received: Received,
): HoldSpan | null {
  const setBack = (hold: HoldSpan) =>
    hold.liftedAt === null && received.at < hold.at && done.date >= received.day;
  const stops = (hold: HoldSpan): boolean =>
    done.doneAt !== null
      ? done.doneAt >= hold.at && (hold.liftedAt === null || done.doneAt < hold.liftedAt)
      : (done.date >= hold.day && (hold.liftedDay === null || done.date < hold.liftedDay)) || setBack(hold);
  return holds.find(stops) ?? null;
}
