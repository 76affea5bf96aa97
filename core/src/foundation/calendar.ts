import { addDays, differenceInCalendarDays, format, parseISO } from 'date-fns';

/** A calendar day, "2027-03-01"; no time, no zone. */
export type IsoDay = string;

export const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

export function isIsoDay(text: string): boolean {
  const [, year, month, day] = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text) ?? [];
  if (year === undefined) return false;
  // Asked of every date that comes in or goes out: counted here, without making a date of it.
  return Number(day) >= 1 && Number(day) <= daysIn(Number(year), Number(month));
}

/** Days of a month; none where there is no such month. */
function daysIn(year: number, month: number): number {
  if (month === 2) return year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0) ? 29 : 28;
  if (month < 1 || month > 12) return 0;
  return [4, 6, 9, 11].includes(month) ? 30 : 31;
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
