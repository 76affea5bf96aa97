import type { Band } from '../intake/index.ts';

/** How far outside its band a value lies, in the measure's unit; 0 inside. */
export function outside(value: number, band: Pick<Band, 'lo' | 'hi'>): number {
  if (band.lo !== null && value < band.lo) return band.lo - value;
  if (band.hi !== null && value > band.hi) return value - band.hi;
  return 0;
}

/** Did a change bring the measure nearer its band, take it away, or neither? */
export function movedToward(
  before: number,
  after: number,
  band: Pick<Band, 'lo' | 'hi'>,
): 'better' | 'worse' | 'level' {
  const gain = outside(before, band) - outside(after, band);
  if (Math.abs(gain) < 1e-9) return 'level';
  return gain > 0 ? 'better' : 'worse';
}
