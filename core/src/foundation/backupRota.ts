import { type IsoDay, plusDays, WEEKDAYS, weekdayOf } from './calendar.ts';

interface DatedBackup {
  readonly name: string;
  readonly day: IsoDay;
}

const DAILY_KEPT = 7;
const WEEKLY_KEPT = 4;

/** The Monday of a day's week. */
const weekOf = (day: IsoDay): IsoDay => plusDays(day, -WEEKDAYS.indexOf(weekdayOf(day)));

/**
 * Backups that may go: all but the newest of each of the last seven days that have one, and the newest of each
 * of the last four weeks that have one. Names sort by time.
 */
export function backupsToDrop(backups: readonly DatedBackup[]): string[] {
  const newestFirst = [...backups].sort((a, b) => (a.name < b.name ? 1 : -1));
  const kept = new Set([
    ...newestOfEach(newestFirst, ({ day }) => day, DAILY_KEPT),
    ...newestOfEach(newestFirst, ({ day }) => weekOf(day), WEEKLY_KEPT),
  ]);
  return newestFirst.map(({ name }) => name).filter((name) => !kept.has(name));
}

function newestOfEach(
  newestFirst: readonly DatedBackup[],
  key: (b: DatedBackup) => string,
  most: number,
): string[] {
  const seen = new Map<string, string>();
  for (const backup of newestFirst) if (!seen.has(key(backup))) seen.set(key(backup), backup.name);
  return [...seen.values()].slice(0, most);
}
