/** A letter as it was drafted and as it went. */
interface Written {
  readonly draft: string;
  readonly text: string;
}

/** Said so often in the coach's own words, it is offered. */
const LEAST_TIMES = 2;
const MOST_OFFERED = 6;
const SHORTEST = 8;
const LONGEST = 160;

const sentencesOf = (text: string): string[] =>
  text
    .split(/(?<=[.!?])\s+|\n+/)
    .map((sentence) => sentence.trim())
    .filter(({ length }) => length >= SHORTEST && length <= LONGEST);
/** Told alike but for case, blanks and the stop at the end. */
const keyOf = (sentence: string): string =>
  sentence
    .toLowerCase()
    .replaceAll(/\s+/g, ' ')
    .replace(/[.!?…]+$/, '');

/**
 * The coach's own phrases: sentences that were put into drafts, in two letters or more, the most frequent first and of
 * equal ones the latest. Names and numbers of one student don't come twice, and so are not learnt. Letters come oldest
 * first.
 */
export function phrasesOf(letters: readonly Written[]): string[] {
  const known = new Map<string, { text: string; times: number; last: number }>();
  for (const [i, { draft, text }] of letters.entries()) {
    // Of before drafts were kept nobody knows what the coach added.
    if (draft.trim() === '') continue;
    const drafted = new Set(sentencesOf(draft).map(keyOf));
    for (const sentence of new Map(sentencesOf(text).map((one) => [keyOf(one), one])).values()) {
      const key = keyOf(sentence);
      if (drafted.has(key)) continue;
      const before = known.get(key);
      known.set(key, { text: sentence, times: (before?.times ?? 0) + 1, last: i });
    }
  }
  return [...known.values()]
    .filter(({ times }) => times >= LEAST_TIMES)
    .sort((a, b) => b.times - a.times || b.last - a.last)
    .slice(0, MOST_OFFERED)
    .map(({ text }) => text);
}
