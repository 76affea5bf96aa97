import { gaussian, type Random, seededRandom } from '@inchstep/core/foundation';
import { sharedShare } from '@inchstep/core/measures';
import { MEASURE, type Player } from './progressWorld.ts';

/** Wanderers that a "real" must not be said of more often than allowed. */
const DAYS = [0, 0.33, 0.6, 1] as const;
/** Doubters tried: weights of those wanderers. Any of them bounds every test; the lowest bound is told. */
const DOUBTERS: readonly (readonly number[])[] = [
  [0, 1, 0, 0],
  [0, 0, 1, 0],
  [0, 0, 0, 1],
  [0, 0.3, 0.3, 0.4],
  [0, 0.1, 0.3, 0.6],
  [0, 0, 0.5, 0.5],
];

/**
 * No test can find more. A test that is wrong in at most `alpha` of the seasons of every wanderer is wrong in at most `alpha` of any
 * mixture of them; of all such tests the one that compares the densities of the very course of levels (up or down) and of the
 * mixture finds most (Neyman and Pearson). It is allowed here to spend everything on this one look, and to know the course, the
 * spreads and the sizes of the change: what no program is told.
 */
export function mostThatCanBeFound(
  player: Player,
  levels: readonly number[],
  alpha: number,
  seasons: number,
  seed: number,
): number {
  const rest =
    player.swingSteps ** 2 / player.swings +
    player.marksSteps ** 2 * (sharedShare(MEASURE) + (1 - sharedShare(MEASURE)) / player.swings);
  const variance = (day: number) => day ** 2 + rest;
  return Math.min(
    ...DOUBTERS.map((weights, k) => {
      const random = seededRandom(seed + k);
      const score = (y: readonly number[]) =>
        logMean(
          [1, -1].map((side) => density(y, (i) => side * (levels[i] as number), variance(player.daySteps))),
          [0.5, 0.5],
        ) -
        logMean(
          DAYS.map((day) => density(y, () => 0, variance(day))),
          weights,
        );
      const still = Array.from({ length: seasons }, () => {
        const day = DAYS[drawn(weights, random)] as number;
        return score(levels.map(() => Math.sqrt(variance(day)) * gaussian(random)));
      }).sort((a, b) => b - a);
      const bar = still[Math.floor(alpha * seasons)] as number;
      let found = 0;
      for (let i = 0; i < seasons; i++)
        if (score(levels.map((x) => x + Math.sqrt(variance(player.daySteps)) * gaussian(random))) > bar)
          found++;
      return found / seasons;
    }),
  );
}

/** Log density of what is seen about a course, wherever that course lies; one variance for all sessions. */
function density(y: readonly number[], course: (i: number) => number, variance: number): number {
  const off = y.map((value, i) => value - course(i));
  const mean = off.reduce((a, b) => a + b, 0) / off.length;
  const squares = off.reduce((sum, d) => sum + (d - mean) ** 2, 0);
  return -0.5 * ((off.length - 1) * Math.log(variance) + squares / variance);
}

function logMean(logs: readonly number[], weights: readonly number[]): number {
  const top = Math.max(...logs);
  return top + Math.log(logs.reduce((sum, log, i) => sum + (weights[i] as number) * Math.exp(log - top), 0));
}

function drawn(weights: readonly number[], random: Random): number {
  let left = random();
  for (let i = 0; i < weights.length; i++) {
    left -= weights[i] as number;
    if (left < 0) return i;
  }
  return weights.length - 1;
}
