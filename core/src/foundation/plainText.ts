/**
 * Signs that no keyboard writes and that can make a name look like another one: control characters (line breaks and
 * tabs stay) and those that turn the direction of writing.
 */
const UNSEEN = /(?![\n\r\t])[\p{Cc}\p{Bidi_Control}\ufeff]/gu;

/** A text without signs that can't be seen. */
export const plainText = (text: string): string =>
  text.search(UNSEEN) < 0 ? text : text.replace(UNSEEN, '');

/** The same value with every text in it made plain; keys stay as they are. The value itself where nothing had to go. */
export function plainTexts(value: unknown): unknown {
  if (typeof value === 'string') return plainText(value);
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) {
    const items = value.map(plainTexts);
    return items.every((item, i) => item === value[i]) ? value : items;
  }
  const entries = Object.entries(value).map(([key, inner]) => [key, plainTexts(inner)] as const);
  return entries.every(([key, inner]) => inner === (value as Record<string, unknown>)[key])
    ? value
    : Object.fromEntries(entries);
}
