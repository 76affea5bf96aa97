import type { Library } from '../prescription/index.ts';
import type { SeriesFile } from './series.ts';

/**
 * The same question of the same slices has the same answer: it is computed once for them. A file's slices are
 * never changed in place, so that the slice itself is what the answer belongs to; a set that is logged changes
 * neither readings nor drills.
 */
export function onceFor<T>(
  compute: (file: SeriesFile, library: Library) => T,
): (file: SeriesFile, library: Library) => T {
  const known = new WeakMap<object, { prescription: object; library: Library; answer: T }>();
  return (file, library) => {
    const { measures, prescription } = file;
    const before = known.get(measures);
    if (before?.prescription === prescription && before.library === library) return before.answer;
    const answer = compute(file, library);
    known.set(measures, { prescription, library, answer });
    return answer;
  };
}
