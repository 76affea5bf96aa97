import { inToCm } from '@inchstep/core/foundation';

const UNIT_WORDS: Readonly<Record<string, string>> = {
  in: 'in',
  deg: '°',
  ratio: '',
  thighs: 'thighs',
  clock: 'h',
  ms: 'ms',
};

/** A value with its unit, as on a tape: "1.3 in", "24°", "8:15". */
export function valueText(value: number, unit: string, places?: number): string {
  if (unit === 'clock') {
    const minutes = Math.round((((value % 12) + 12) % 12) * 60);
    return `${Math.floor(minutes / 60) || 12}:${String(minutes % 60).padStart(2, '0')}`;
  }
  const shown = value.toFixed(places ?? (unit === 'deg' || unit === 'ms' ? 0 : unit === 'in' ? 1 : 2));
  const word = UNIT_WORDS[unit] ?? unit;
  return word === '°' ? `${shown}°` : word === '' ? shown : `${shown} ${word}`;
}

/** Units in which a coach reads lengths. */
export type Lengths = 'in' | 'cm';

/** A measure's value in the coach's units of length. */
export const valueIn =
  (lengths: Lengths) =>
  (value: number, unit: string): string =>
    unit === 'in' && lengths === 'cm' ? `${inToCm(value).toFixed(1)} cm` : valueText(value, unit);

/** The short word behind a number of this unit, in the coach's units of length; empty for plain ratios. */
export const unitWord = (unit: string, lengths: Lengths): string =>
  unit === 'in' ? lengths : (UNIT_WORDS[unit] ?? unit);
