/** What a chosen file seems to hold, by its ending and its headings. */
type FileKind = 'motion' | 'shots' | 'pressure';

export function fileKind(fileName: string, headings: readonly string[]): FileKind {
  if (/\.(c3d|trc)$/i.test(fileName)) return 'motion';
  const names = headings.map((cell) => cell.trim().toLowerCase());
  const threeWays = names.some((name) => /[_. ][xyz]([_ ]?[([]?(in|cm|mm|m)[)\]]?)?$/.test(name));
  const timed = names.some((name) => /^(t|time)\b|^(t|time)_/.test(name));
  if (timed && threeWays) return 'motion';
  const foot = names.some((name) => /\b(lead|trail)\b|^(lead|trail)_/.test(name));
  return timed && foot ? 'pressure' : 'shots';
}
