const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });

/** "Friday 4 December", as letters say it. */
export const dateText = (day: string): string => DAY.format(new Date(`${day}T12:00:00`));
