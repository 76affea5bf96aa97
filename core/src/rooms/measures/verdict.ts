import { normalCdf } from '../../foundation/index.ts';
import type { Band } from '../intake/index.ts';

export type Verdict = 'in' | 'low' | 'high' | 'cant_tell';

/** Probability that must lie on one side before the program says so. */
export const SURE = 0.9;
/** An interval wider than this, one sd in steps, can lie beyond an edge by chance alone: it says nothing of a fault. */
const VAGUE_STEPS = 2;

export interface Judged {
  readonly verdict: Verdict;
  /** Steps beyond the nearer edge, signed (- below, + above), 0 inside. */
  readonly severity: number;
  readonly inBand: number;
}

/** Where a value with its uncertainty stands against a band; `cdf` is the uncertainty's shape. */
export function judge(
  value: number,
  sd: number,
  band: Pick<Band, 'lo' | 'hi' | 'step'>,
  cdf: (z: number) => number = normalCdf,
): Judged {
  const tail = (distance: number) => (sd > 0 ? cdf(distance / sd) : distance > 0 ? 1 : 0);
  // How much of the interval lies past each edge.
  const below = band.lo === null ? 0 : tail(band.lo - value);
  const above = band.hi === null ? 0 : tail(value - band.hi);
  const inBand = Math.max(0, 1 - below - above);
  const vague = sd > VAGUE_STEPS * band.step;
  const outside = below >= SURE ? 'low' : above >= SURE ? 'high' : 'cant_tell';
  const verdict = inBand >= SURE ? 'in' : vague ? 'cant_tell' : outside;
  return { verdict, severity: severityOf(value, band), inBand };
}

export function severityOf(value: number, band: Pick<Band, 'lo' | 'hi' | 'step'>): number {
  if (band.lo !== null && value < band.lo) return (value - band.lo) / band.step;
  if (band.hi !== null && value > band.hi) return (value - band.hi) / band.step;
  return 0;
}

export type Strength = 'slight' | 'clear' | 'strong';

/** Severity in steps to the word a coach uses. */
export function strengthOf(severity: number): Strength {
  const steps = Math.abs(severity);
  return steps < 1 ? 'slight' : steps <= 2 ? 'clear' : 'strong';
}
