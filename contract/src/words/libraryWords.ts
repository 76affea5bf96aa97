import { DRILL_WORDS } from './drills.ts';
import type { DrillWords } from './drillWords.ts';
import { type LibraryWords, wordsFrom } from './wordsFrom.ts';

/** The house's words with those of the coach's own drills. */
export function wordsWith(
  own: readonly { readonly drill: { readonly id: string }; readonly words: DrillWords }[],
): LibraryWords {
  const written = new Map(own.map(({ drill, words }) => [drill.id, words]));
  return wordsFrom((id) => written.get(id) ?? DRILL_WORDS[id]);
}

export const HOUSE_WORDS: LibraryWords = wordsWith([]);
