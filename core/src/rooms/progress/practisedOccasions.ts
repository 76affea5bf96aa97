import type { IsoDay } from '../../foundation/index.ts';
import { countedSets, type LoggedSet } from '../practice/index.ts';
import { occasionsFrom } from './season/fromReadings.ts';
import type { Occasion } from './season/occasion.ts';
import type { SeriesFile } from './studentRecord.ts';

/**
 * A measure's filmed days with the repetitions that were logged since the one before: the practice that the level is driven by. Where
 * nothing was logged between the first film and the last, nobody counts: a week is a week.
 */
export function practisedOccasions(file: SeriesFile, measure: string): Occasion[] {
  const occasions = occasionsFrom(file.measures.readings, measure);
  const [first, last] = [occasions[0]?.date ?? '', occasions.at(-1)?.date ?? ''];
  const logged = setsBetween(file, first, last);
  if (logged.length === 0) return occasions;
  // What was logged before the file's first set is not known to have been nothing.
  const since = logged.reduce((day, set) => (set.date < day ? set.date : day), last);
  return occasions.map((one, i) => {
    const before = occasions.slice(0, i).findLast(({ date }) => date < one.date)?.date;
    const sameDay = occasions.slice(0, i).some(({ date }) => date === one.date);
    if (before === undefined || sameDay || one.date < since) return one;
    return { ...one, reps: repsIn(logged, before, one.date) };
  });
}

const repsIn = (sets: readonly LoggedSet[], after: IsoDay, until: IsoDay): number =>
  sets.reduce((sum, { date, reps }) => (date > after && date <= until ? sum + reps.length : sum), 0);

function setsBetween({ practice }: SeriesFile, first: IsoDay, last: IsoDay): LoggedSet[] {
  const sets = practice?.sets.filter(({ date }) => date > first && date <= last) ?? [];
  return countedSets(sets);
}

/** What of the logged sets the films' answers hang on: those up to the last film. */
export function practiceUntilFilm({ measures, practice }: SeriesFile): number {
  const last = measures.readings.at(-1)?.recordedOn ?? '';
  let reps = 0;
  for (const set of practice?.sets ?? []) if (set.date <= last) reps += set.reps.length;
  return reps;
}
