import { diagnose, downstreamOf, FAULTS } from '@inchstep/core/diagnosis';
import type { KnownCase } from './diagnosisCases.ts';

interface Calibration {
  readonly cases: number;
  /** Share of cases whose first root is one of the golfer's faults. */
  readonly first: number;
  /** Share whose upstream fault is among the first two roots. */
  readonly inTwo: number;
  /** Share that said "not enough" or named none. */
  readonly silent: number;
  readonly brier: number;
  /** Mean distance between what was said and what was so, over tenths of probability. */
  readonly expectedError: number;
  readonly tenths: readonly { readonly count: number; readonly said: number; readonly so: number }[];
}

/** How often the diagnosis names what a stand-in golfer really does, and whether its odds are honest. */
export function calibrate(cases: readonly KnownCase[]): Calibration {
  let first = 0;
  let inTwo = 0;
  let silent = 0;
  let squares = 0;
  let asked = 0;
  const tenths = Array.from({ length: 10 }, () => ({ count: 0, said: 0, so: 0 }));
  for (const { faults, file } of cases) {
    const { roots, faults: posteriors } = diagnose(file);
    const truth = Object.keys(faults);
    const upstream = truth.filter((f) => !truth.some((g) => g !== f && downstreamOf(g).has(f)));
    const named = roots.map((root) => root.fault);
    if (named.length === 0) silent++;
    if (named[0] && truth.includes(named[0])) first++;
    if (named.slice(0, 2).some((fault) => upstream.includes(fault))) inTwo++;
    for (const { id } of FAULTS) {
      const p = posteriors[id] as number;
      const so = truth.includes(id) ? 1 : 0;
      squares += (p - so) ** 2;
      asked++;
      const bin = tenths[Math.min(9, Math.floor(p * 10))] as (typeof tenths)[number];
      bin.count++;
      bin.said += p;
      bin.so += so;
    }
  }
  const n = cases.length;
  return {
    cases: n,
    first: first / n,
    inTwo: inTwo / n,
    silent: silent / n,
    brier: squares / asked,
    expectedError: tenths.reduce((sum, bin) => sum + Math.abs(bin.said - bin.so), 0) / asked,
    tenths: tenths.map((bin) => ({
      count: bin.count,
      said: bin.count === 0 ? 0 : bin.said / bin.count,
      so: bin.count === 0 ? 0 : bin.so / bin.count,
    })),
  };
}
