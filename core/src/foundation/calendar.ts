import { addDays, differenceInCalendarDays, lightFormat, parseISO } from 'date-fns';

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

/** Days are counted from here. */
const FIRST_DAY = new Date(1970, 0, 1);
const FIRST_WEEKDAY = WEEKDAYS.indexOf('thu');
/** The days of half a century; a plan asks for the same few hundred again and again. */
const MOST_KNOWN = 20_000;
const numbers = new Map<IsoDay, number>();
const names = new Map<number, IsoDay>();

/** What was worked out once is kept: reading a date costs more than all that is counted with it. */
function kept<K, V>(known: Map<K, V>, key: K, make: (key: K) => V): V {
  const before = known.get(key);
  if (before !== undefined) return before;
  if (known.size >= MOST_KNOWN) known.clear();
  const value = make(key);
  known.set(key, value);
  return value;
}

const numberOf = (day: IsoDay): number =>
  kept(numbers, day, () => differenceInCalendarDays(parseISO(day), FIRST_DAY));
const nameOf = (number: number): IsoDay =>
  kept(names, number, () => lightFormat(addDays(FIRST_DAY, number), 'yyyy-MM-dd'));

export const plusDays = (day: IsoDay, days: number): IsoDay => nameOf(numberOf(day) + days);

/** Whole days from `from` to `to`; negative when `to` lies earlier. */
export const daysBetween = (from: IsoDay, to: IsoDay): number => numberOf(to) - numberOf(from);

/** Whole years from a birthday to a day; who was born on 29 February has it on 1 March in other years. */
export function ageOn(bornOn: IsoDay, day: IsoDay): number {
  const years = Number(day.slice(0, 4)) - Number(bornOn.slice(0, 4));
  return day.slice(5) < bornOn.slice(5) ? years - 1 : years;
}

export function weekdayOf(day: IsoDay): Weekday {
  const since = numberOf(day) + FIRST_WEEKDAY;
  const weekday = WEEKDAYS[((since % WEEKDAYS.length) + WEEKDAYS.length) % WEEKDAYS.length];
  if (!weekday) throw new Error(`weekdayOf: ${day} is no day`);
  return weekday;
}
