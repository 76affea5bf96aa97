import type { Weekday } from '../../foundation/index.ts';
import type { PracticeTimes } from './student.ts';

/** Minutes of a practice day that was left empty. */
export const EMPTY_DAY_MINUTES = 20;

type Given = PracticeTimes['minutesPerDay'];

/** Minutes a student has on a day of practice: what was given, or the usual ones where the day was left empty. */
export const minutesOf = (given: Given, day: Weekday): number => given[day] ?? EMPTY_DAY_MINUTES;

/** Minutes of a whole week of practice. */
export const weekMinutes = ({ days, minutesPerDay }: Omit<PracticeTimes, 'placeByDay'>): number =>
  days.reduce((sum, day) => sum + minutesOf(minutesPerDay, day), 0);
