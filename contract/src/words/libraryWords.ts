import { DRILL_WORDS, SETUP_WORDS } from './drills.ts';
import type { DrillWords } from './drillWords.ts';

/** Names and texts of every drill in a library. */
export interface LibraryWords {
  readonly wordsOf: (id: string) => DrillWords | undefined;
  readonly nameOf: (id: string) => string;
  /** Name of a distance on a drill's card. */
  readonly distanceName: (drill: string, distance: string) => string;
}

/** The house's words with those of the coach's own drills. */
export function wordsWith(
  own: readonly { readonly drill: { readonly id: string }; readonly words: DrillWords }[],
): LibraryWords {
  const written = new Map(own.map(({ drill, words }) => [drill.id, words]));
  const wordsOf = (id: string) => written.get(id) ?? DRILL_WORDS[id];
  return {
    wordsOf,
    nameOf: (id) => wordsOf(id)?.name ?? id,
    distanceName: (drill, distance) =>
      wordsOf(drill)?.distances?.[distance] ?? SETUP_WORDS[distance] ?? distance,
  };
}

export const HOUSE_WORDS: LibraryWords = wordsWith([]);
