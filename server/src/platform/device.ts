const BROWSERS: readonly [name: string, mark: RegExp][] = [
  ['Edge', /\bEdg/],
  ['Firefox', /Firefox|FxiOS/],
  ['Chrome', /Chrome|CriOS|Chromium/],
  ['Safari', /Safari/],
];
const SYSTEMS: readonly [name: string, mark: RegExp][] = [
  ['iPhone', /iPhone/],
  ['iPad', /iPad/],
  ['Android', /Android/],
  ['Windows', /Windows/],
  ['Mac', /Macintosh/],
  ['Linux', /Linux/],
];

/** A device in two words, so that a coach knows which session is which. */
export function deviceOf(userAgent: string | undefined): string {
  const named = (table: readonly [string, RegExp][]) =>
    table.find(([, mark]) => mark.test(userAgent ?? ''))?.[0];
  return [named(BROWSERS) ?? 'A program', named(SYSTEMS)].filter((part) => part !== undefined).join(' on ');
}
