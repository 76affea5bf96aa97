import { type IsoDay, isIsoDay } from '../../foundation/index.ts';

/** In the bay, or over a video call beside which the student films. */
export const LESSON_MODES = ['in_person', 'video'] as const;

/** When and how coach and student meet, and what became of it. */
export interface LessonRecord {
  readonly id: string;
  readonly day: IsoDay;
  /** By the coach's clock, "09:30"; null where only the day is known. */
  readonly time: string | null;
  readonly minutes: number;
  readonly mode: (typeof LESSON_MODES)[number];
  readonly place: string;
  /** ISO stamps; null while it has not been. */
  readonly startedAt: string | null;
  readonly endedAt: string | null;
  readonly cancelledAt: string | null;
  /** What was sent to the student of it, and when; null before. */
  readonly summary: string | null;
  readonly sentAt: string | null;
}

type LessonState = 'planned' | 'running' | 'done' | 'cancelled';

export const USUAL_LESSON_MINUTES = 60;
/** A lesson that nobody ended is over after so long: a tab was closed, or the battery was empty. */
const FORGOTTEN_AFTER_MS = 4 * 3_600_000;

export function lessonState(
  { startedAt, endedAt, cancelledAt }: Pick<LessonRecord, 'startedAt' | 'endedAt' | 'cancelledAt'>,
  now: string,
): LessonState {
  if (startedAt !== null) return endedAt === null && isFresh(startedAt, now) ? 'running' : 'done';
  return cancelledAt === null ? 'planned' : 'cancelled';
}

const isFresh = (startedAt: string, now: string): boolean =>
  Date.parse(now) - Date.parse(startedAt) < FORGOTTEN_AFTER_MS;

/** From when on a lesson must have begun to be running still. */
export const forgottenBefore = (now: string): string =>
  new Date(Date.parse(now) - FORGOTTEN_AFTER_MS).toISOString();

type Start = Pick<LessonRecord, 'day' | 'time'>;

/** By day and time; one without a time comes first on its day. */
export const lessonKey = ({ day, time }: Start): string => `${day} ${time ?? ''}`;

const inLessonOrder = (a: Start, b: Start): number => {
  const [x, y] = [lessonKey(a), lessonKey(b)];
  return x < y ? -1 : x > y ? 1 : 0;
};

/** Lessons that are agreed and have not begun, from a day on, the next one first. */
export const plannedFrom = <L extends LessonRecord>(lessons: readonly L[], day: IsoDay): L[] =>
  lessons
    .filter((lesson) => lesson.startedAt === null && lesson.cancelledAt === null && lesson.day >= day)
    .sort(inLessonOrder);

export const nextLessonFrom = <L extends LessonRecord>(lessons: readonly L[], day: IsoDay): L | null =>
  plannedFrom(lessons, day)[0] ?? null;

/** The one agreed for this day that has not begun: a lesson that begins now is that one. */
export const dueOn = <L extends LessonRecord>(lessons: readonly L[], day: IsoDay): L | null =>
  plannedFrom(lessons, day).find((lesson) => lesson.day === day) ?? null;

/** The one that is going on; null when none is. */
export const runningAt = <L extends LessonRecord>(lessons: readonly L[], now: string): L | null =>
  lessons.findLast((lesson) => lessonState(lesson, now) === 'running') ?? null;

/** Days on which a lesson was held, oldest first. */
export const heldDays = (lessons: readonly LessonRecord[]): IsoDay[] =>
  [...new Set(lessons.filter(({ startedAt }) => startedAt !== null).map(({ day }) => day))].sort();

const TIME = /^([01]\d|2[0-3]):([0-5]\d)$/;
export const isClockTime = (text: string): boolean => TIME.test(text);

const minuteOf = (time: string): number => {
  const [, hours, minutes] = TIME.exec(time) ?? [];
  return Number(hours) * 60 + Number(minutes);
};

type Slot = Pick<LessonRecord, 'day' | 'time' | 'minutes'>;

/** Whether a coach would have to be in two places: both have a time, and one begins before the other ends. */
export function overlaps(a: Slot, b: Slot): boolean {
  if (a.day !== b.day || a.time === null || b.time === null) return false;
  const [from, other] = [minuteOf(a.time), minuteOf(b.time)];
  return from < other + b.minutes && other < from + a.minutes;
}

/** Why a lesson can't be agreed for then; null when it can. */
export function lessonProblem({ day, time }: Pick<Slot, 'day' | 'time'>, today: IsoDay) {
  if (!isIsoDay(day)) return 'day';
  if (time !== null && !isClockTime(time)) return 'time';
  return day < today ? 'past' : null;
}
