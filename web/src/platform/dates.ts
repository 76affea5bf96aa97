const AS: Readonly<Record<string, Intl.DateTimeFormat>> = {
  short: new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' }),
  withWeekday: new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' }),
  withYear: new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }),
};

/** Noon, so that no zone makes another day of it. */
const noon = (day: string): Date => new Date(`${day}T12:00:00`);

/** "3 Mar" */
export const shortDay = (day: string | Date): string =>
  (AS.short as Intl.DateTimeFormat).format(typeof day === 'string' ? noon(day) : day);
/** "Wed, 3 Mar" */
export const weekdayDay = (day: string): string => (AS.withWeekday as Intl.DateTimeFormat).format(noon(day));
/** "3 Mar 2027" */
export const fullDay = (day: string): string => (AS.withYear as Intl.DateTimeFormat).format(noon(day));
