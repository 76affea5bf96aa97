import type { DrillWords } from './drillWords.ts';
import { SETUP_WORDS } from './setupWords.ts';

/** Names and texts of every drill in a library. */
export interface LibraryWords {
  readonly wordsOf: (id: string) => DrillWords | undefined;
  readonly nameOf: (id: string) => string;
  /** Name of a distance on a drill's card. */
  readonly distanceName: (drill: string, distance: string) => string;
}

/** A library's words from where they are written; what has none is called by its id. */
export const wordsFrom = (wordsOf: LibraryWords['wordsOf']): LibraryWords => ({
  wordsOf,
  nameOf: (id) => wordsOf(id)?.name ?? id,
  distanceName: (drill, distance) =>
    wordsOf(drill)?.distances?.[distance] ?? SETUP_WORDS[distance] ?? distance,
});
