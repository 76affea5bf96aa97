import { cmToIn } from './units.ts';

/** Inches in one of each unit that a length may be written in. */
const UNIT_IN: Readonly<Record<string, number>> = {
  in: 1,
  inch: 1,
  inches: 1,
  '"': 1,
  "''": 1,
  cm: cmToIn(1),
  m: cmToIn(100),
  ft: 12,
  foot: 12,
  feet: 12,
  "'": 12,
};
const ONE = /^(-?\d+(?:\.\d+)?)\s*(in|inch|inches|"|''|cm|m|ft|foot|feet|')?$/;
const FEET_AND_INCHES = /^(\d+)\s*(?:'|ft|foot|feet)\s*(\d+(?:\.\d+)?)\s*(?:"|''|in|inch|inches)?$/;

/**
 * A length as people write it, in inches: 4'11", 4 ft 11, 59 in, 151 cm, 1.51 m, or a bare number in the usual unit, with
 * a point or a comma; a distance may be negative. Null for nothing written, NaN for what is no length.
 */
export function readLength(text: string, usual: 'in' | 'cm'): number | null {
  const plain = text
    .trim()
    .toLowerCase()
    .replaceAll(/[’‘′`´]/g, "'")
    .replaceAll(/[”“″]/g, '"')
    .replaceAll('−', '-')
    .replaceAll(',', '.');
  if (plain === '') return null;
  const both = FEET_AND_INCHES.exec(plain);
  if (both) return Number(both[2]) < 12 ? 12 * Number(both[1]) + Number(both[2]) : Number.NaN;
  const one = ONE.exec(plain);
  return one ? Number(one[1]) * (UNIT_IN[one[2] ?? usual] as number) : Number.NaN;
}
