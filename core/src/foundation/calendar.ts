import { addDays, differenceInCalendarDays, format, isValid, parseISO } from 'date-fns';

/** A calendar day, "2027-03-01"; no time, no zone. */
export type IsoDay = string;

export const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

export function isIsoDay(text: string): boolean {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(parseISO(text));
}

export const plusDays = (day: IsoDay, days: number): IsoDay =>
  format(addDays(parseISO(day), days), 'yyyy-MM-dd');

/** Whole days from `from` to `to`; negative when `to` lies earlier. */
export const daysBetween = (from: IsoDay, to: IsoDay): number =>
  differenceInCalendarDays(parseISO(to), parseISO(from));

/** Whole years from a birthday to a day; who was born on 29 February has it on 1 March in other years. */
export function ageOn(bornOn: IsoDay, day: IsoDay): number {
  const years = Number(day.slice(0, 4)) - Number(bornOn.slice(0, 4));
  return day.slice(5) < bornOn.slice(5) ? years - 1 : years;
}

export function weekdayOf(day: IsoDay): Weekday {
  const weekday = WEEKDAYS[(parseISO(day).getDay() + 6) % 7];
  if (!weekday) throw new Error(`weekdayOf: ${day} is no day`);
  return weekday;
}
