import { logit, type Weights } from './weigh.ts';

/**
 * What the tables' odds turn out to be worth: on made-up golfers seen through cameras, of the faults that they
 * gave so much (first number) this share was there (second number). Where little speaks for a fault they said
 * too much, up to a half: causes upstream that nobody looked for, faults that share a finding. Learnt on one set
 * of golfers and tried on another, with all marks and with some (docs/decisions/strengths.md). Below the odds of
 * a fault that nothing is known of they stay as they are.
 */
const WORTH: readonly (readonly [given: number, so: number])[] = [
  [0, 0],
  [0.05, 0.045],
  [0.14, 0.06],
  [0.25, 0.147],
  [0.35, 0.22],
  [0.45, 0.33],
  [0.5, 0.43],
  [0.55, 0.505],
  [0.6, 0.53],
  [0.65, 0.68],
  [0.75, 0.765],
  [0.86, 0.91],
  [0.98, 0.991],
  [1, 1],
];

/** The probability that is said, for one that the tables give; straight between the rows. */
export function honestOdds(given: number): number {
  const above = Math.max(
    1,
    WORTH.findIndex(([row]) => given <= row),
  );
  const [[from, low], [to, high]] = [WORTH[above - 1], WORTH[above]] as [[number, number], [number, number]];
  return low + ((high - low) * (given - from)) / (to - from);
}

export const honestFaults = (faults: ReadonlyMap<string, number>): Map<string, number> =>
  new Map([...faults].map(([id, given]) => [id, honestOdds(given)]));

/** The parts of the tables' odds with what these are worth: the start is what is said of nothing known, and they add up. */
export function honestWeights(weights: Weights, given: number): Weights {
  const start = logit(honestOdds(1 / (1 + Math.exp(-weights.start))));
  const listed = weights.start + weights.rest - logit(given);
  return { ...weights, start, rest: listed - start + logit(honestOdds(given)) };
}
