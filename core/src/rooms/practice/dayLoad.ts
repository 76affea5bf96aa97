import type { IsoDay } from '../../foundation/index.ts';
import type { StudentFacts } from '../intake/index.ts';
import type { Library } from '../prescription/index.ts';
import { countedSets } from './countedSets.ts';
import { dayCapOf, loadOf } from './plan/ledger.ts';
import type { LoggedSet } from './practiceRecord.ts';

/** A day is overdone this far over its cap: the set that reaches the cap may be finished. */
const OVERDONE = 1.1;

/** Whose day it is, and by whose table drills load. */
interface DayOf {
  readonly student: StudentFacts;
  readonly library: Library;
}

/** Shares of a day's caps that are used, over everything logged: first of the day as a whole, then by joint; 1 = the cap. */
function usedShares(sets: readonly LoggedSet[], { student, library }: DayOf): Map<number, number> {
  const used = new Map<number, number>();
  const add = (row: number, share: number) => used.set(row, (used.get(row) ?? 0) + share);
  for (const { drill: id, reps } of sets) {
    add(WHOLE_DAY, reps.length / dayCapOf(student));
    const drill = library.byId(id);
    if (drill) for (const { row, cap } of loadOf(drill, student).joints) add(row, reps.length / cap);
  }
  return used;
}
const WHOLE_DAY = -1;

/** Repetitions of a drill that a day still has room for, by the joints it loads and by the day as a whole. */
export function roomOnDay(
  sets: readonly LoggedSet[],
  day: IsoDay,
  drillId: string,
  { student, library }: DayOf,
): number {
  const drill = library.byId(drillId);
  if (!drill) return 0;
  const used = usedShares(countedSets(sets.filter(({ date }) => date === day)), { student, library });
  const rows = [{ row: WHOLE_DAY, cap: dayCapOf(student) }, ...loadOf(drill, student).joints];
  const room = Math.min(...rows.map(({ row, cap }) => (1 - (used.get(row) ?? 0)) * cap));
  return Math.max(0, Math.floor(room + 1e-9));
}

/** Days from one on that went well over a cap, oldest first. */
export function overdoneDays(sets: readonly LoggedSet[], from: IsoDay, of: DayOf): IsoDay[] {
  const byDay = new Map<IsoDay, LoggedSet[]>();
  for (const set of countedSets(sets))
    if (set.date >= from) byDay.set(set.date, [...(byDay.get(set.date) ?? []), set]);
  return [...byDay]
    .filter(([, all]) => Math.max(...usedShares(all, of).values()) > OVERDONE)
    .map(([day]) => day)
    .sort();
}
