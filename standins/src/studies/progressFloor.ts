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
  const rest = restOf(player);
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

/** How much a false alarm is made to cost a test of all courses together. */
const COSTS = Array.from({ length: 18 }, (_, i) => 1.22 ** i);

/**
 * What all courses can be found in together, their shares added up, by one test that looks at every session and is wrong in at most
 * `alpha` of the seasons of every wanderer. For any cost of a false alarm and any mixture of wanderers: what a test finds, less
 * the cost of what it finds wrongly, is at most what one finds that is shown each season to its end before it chooses where to stop
 * (the dual of an optimal stopping problem); the lowest such bound is told. Courses and spreads are known to it; each is to be found
 * by the length it is given.
 */
export function mostTogether(
  player: Player,
  courses: readonly (readonly number[])[],
  alpha: number,
  seasons: number,
  seed: number,
): number {
  const longest = Math.max(...courses.map(({ length }) => length));
  const rest = restOf(player);
  const still = DAYS.map((day) => ({
    levels: Array.from({ length: longest }, () => 0),
    variance: day ** 2 + rest,
  }));
  const moved = courses.map((course) => ({
    levels: Array.from({ length: longest }, (_, i) => course[Math.min(i, course.length - 1)] as number),
    variance: player.daySteps ** 2 + rest,
  }));
  const all = [...still, ...moved];
  const random = seededRandom(seed);
  // Seasons of every kind alike; what each says at each length is weighed by how likely the kinds make it.
  const told = Array.from({ length: seasons }, () => {
    const { levels, variance } = all[Math.floor(all.length * random())] as (typeof all)[number];
    const side = random() < 0.5 ? 1 : -1;
    const y = levels.map((level) => side * level + Math.sqrt(variance) * gaussian(random));
    return courses.map(({ length }) => {
      const seen = y.slice(0, length);
      const logs = all.map((kind) =>
        logMean(
          [1, -1].map((way) => density(seen, (i) => way * (kind.levels[i] as number), kind.variance)),
          [0.5, 0.5],
        ),
      );
      const mixed = logMean(
        logs,
        logs.map(() => 1 / logs.length),
      );
      return logs.map((log) => Math.exp(log - mixed));
    });
  });
  const gainAt = (ratios: readonly number[], from: number, cost: number, doubter: readonly number[]) =>
    courses.reduce(
      (sum, { length }, k) =>
        length >= (courses[from] as readonly number[]).length
          ? sum + (ratios[DAYS.length + k] as number)
          : sum,
      0,
    ) -
    cost * doubter.reduce((sum, share, row) => sum + share * (ratios[row] as number), 0);
  return Math.min(
    ...DOUBTERS.flatMap((doubter) =>
      COSTS.map((cost) => {
        let total = 0;
        for (const lengths of told)
          total += Math.max(0, ...lengths.map((ratios, from) => gainAt(ratios, from, cost, doubter)));
        return alpha * cost + total / told.length;
      }),
    ),
  );
}

const restOf = (player: Player): number =>
  player.swingSteps ** 2 / player.swings +
  player.marksSteps ** 2 * (sharedShare(MEASURE) + (1 - sharedShare(MEASURE)) / player.swings);

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
