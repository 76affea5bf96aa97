import type { Library } from '../prescription/index.ts';
import { practiceUntilFilm } from './practisedOccasions.ts';
import type { SeriesFile } from './studentRecord.ts';

/**
 * The same question of the same slices has the same answer: it is computed once for them. A file's slices are
 * never changed in place, so that the slice itself is what the answer belongs to; a set that is logged changes
 * neither readings nor drills, and nothing of what was practised between films that are there.
 */
export function onceFor<T>(
  compute: (file: SeriesFile, library: Library) => T,
): (file: SeriesFile, library: Library) => T {
  const known = new WeakMap<
    object,
    { prescription: object; library: Library; practised: number; answer: T }
  >();
  return (file, library) => {
    const { measures, prescription } = file;
    const before = known.get(measures);
    const practised = practiceUntilFilm(file);
    if (before?.prescription === prescription && before.library === library && before.practised === practised)
      return before.answer;
    const answer = compute(file, library);
    known.set(measures, { prescription, library, practised, answer });
    return answer;
  };
}
