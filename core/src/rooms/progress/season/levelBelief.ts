import type { Band } from '../../intake/index.ts';
import { judge } from '../../measures/index.ts';
import { type Belief, knownOf, type Weighed } from './belief.ts';
import type { Known } from './track.ts';

/** Edges in steps of the band; null where it is open. */
export interface Edges {
  readonly lo: number | null;
  readonly hi: number | null;
}

export const edgesOf = ({ lo, hi, step }: Pick<Band, 'lo' | 'hi' | 'step'>): Edges => ({
  lo: lo === null ? null : lo / step,
  hi: hi === null ? null : hi / step,
});

/** Everything believed of the level after a look, whether it moved or not. */
export const allOf = ({ moved, still, movedShare }: Belief): Weighed[] => [
  ...moved.map((one) => ({ ...one, weight: one.weight * movedShare })),
  ...still.map((one) => ({ ...one, weight: one.weight * (1 - movedShare) })),
];

/** P(the level lies inside the band). A day's own wandering is not part of it. */
export const inBandOf = (all: readonly Weighed[], edges: Edges): number =>
  Math.min(
    1,
    sumOf(
      all,
      ({ level, levelVariance }) => judge(level, Math.sqrt(levelVariance), { ...edges, step: 1 }).inBand,
    ),
  );

/** Mean and sd of what is believed of the level, steps. */
export function levelOf(all: readonly Weighed[]): { readonly mean: number; readonly sd: number } {
  const mean = sumOf(all, ({ level }) => level);
  const square = sumOf(all, ({ level, levelVariance }) => levelVariance + (level - mean) ** 2);
  return { mean, sd: Math.sqrt(square) };
}

const sumOf = (all: readonly Weighed[], of: (known: Known) => number): number =>
  all.reduce((sum, one) => sum + one.weight * of(knownOf(one)), 0);
