import { describe, expect, test } from '@jest/globals';
import { between, gaussian, seededRandom } from '../../../foundation/index.ts';
import { filterAll, filterLevel, levelAt } from './levelFilter.ts';
import { type Known, type Motion, type Seen, STILL, type Track } from './track.ts';

/** What a track knows from a sight on. */
const knownFrom = (track: Track | undefined, from: number, sights: number): Known[] =>
  Array.from({ length: sights - from }, (_, i) => (track as Track).at(from + i));

/**
 * The same by dense algebra: the sights are one Gaussian vector whose covariance is written down whole, and what is known of
 * level, slope and change is conditioned on it. Nothing here steps from sight to sight.
 */
function dense(seen: readonly Seen[], motion: Motion, offsetVariances: readonly number[]) {
  const anywhere = 1e4;
  let worked = 0;
  const work = seen.map(({ practice }, t) => (worked += t === 0 ? 0 : practice));
  const reach = work.map((u) => (1 - motion.lasts ** u) / (1 - motion.lasts));
  const left = work.map((u) => motion.lasts ** u);
  const jumped = (t: number) => (motion.jumpBefore >= 0 && t >= motion.jumpBefore ? 1 : 0);
  const levels = (s: number, t: number) =>
    anywhere +
    (reach[s] as number) * (reach[t] as number) * motion.slopeVariance +
    Math.min(work[s] as number, work[t] as number) * motion.driftVariance +
    jumped(s) * jumped(t) * motion.jumpVariance;
  const shared = (s: number, t: number) =>
    offsetVariances.reduce(
      (sum, v, k) => sum + (seen[s]?.offsets.includes(k) && seen[t]?.offsets.includes(k) ? v : 0),
      0,
    );
  const n = seen.length;
  const S = seen.map((one, s) =>
    seen.map((_, t) => levels(s, t) + shared(s, t) + (s === t ? one.variance : 0)),
  );
  const last = n - 1;
  const y = seen.map((one) => one.y - (seen[0]?.y ?? 0));
  const given = (cov: (t: number) => number, prior: number) => {
    const c = seen.map((_, t) => cov(t));
    const w = solve(S, c);
    return {
      mean: w.reduce((sum, v, i) => sum + v * (y[i] as number), 0),
      variance: prior - w.reduce((sum, v, i) => sum + v * (c[i] as number), 0),
    };
  };
  return {
    log: logDensity(S, y),
    level: given((t) => levels(last, t), levels(last, last)),
    slope: given(
      (t) => (left[last] as number) * (reach[t] as number) * motion.slopeVariance,
      (left[last] as number) ** 2 * motion.slopeVariance,
    ),
    when: (k: number) => given((t) => levels(k, t), levels(k, k)),
    change: given(
      (t) => levels(last, t) - levels(0, t),
      levels(last, last) - 2 * levels(0, last) + levels(0, 0),
    ),
  };
}

function cholesky(A: readonly (readonly number[])[]): number[][] {
  const n = A.length;
  const L = A.map(() => new Array<number>(n).fill(0));
  const l = (i: number, j: number) => L[i]?.[j] as number;
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = A[i]?.[j] as number;
      for (let k = 0; k < j; k++) sum -= l(i, k) * l(j, k);
      (L[i] as number[])[j] = i === j ? Math.sqrt(sum) : sum / l(j, j);
    }
  return L;
}
function solve(A: readonly (readonly number[])[], b: readonly number[]): number[] {
  const L = cholesky(A);
  const n = b.length;
  const z = [...b];
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) z[i] = (z[i] as number) - (L[i]?.[k] as number) * (z[k] as number);
    z[i] = (z[i] as number) / (L[i]?.[i] as number);
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) z[i] = (z[i] as number) - (L[k]?.[i] as number) * (z[k] as number);
    z[i] = (z[i] as number) / (L[i]?.[i] as number);
  }
  return z;
}
function logDensity(S: readonly (readonly number[])[], y: readonly number[]): number {
  const L = cholesky(S);
  const w = solve(S, y);
  const half = L.reduce((sum, row, i) => sum + Math.log(row[i] as number), 0);
  return (
    -half - 0.5 * (y.length * Math.log(2 * Math.PI) + y.reduce((s, v, i) => s + v * (w[i] as number), 0))
  );
}

const MOTIONS: readonly [string, Motion][] = [
  ['stands', STILL],
  ['jumps', { ...STILL, jumpBefore: 3, jumpVariance: 1.44 }],
  ['gains and tires', { ...STILL, slopeVariance: 0.2, lasts: 0.8 }],
  ['drifts', { ...STILL, driftVariance: 0.16 }],
  ['all of it', { slopeVariance: 0.1, lasts: 0.95, driftVariance: 0.05, jumpBefore: 2, jumpVariance: 0.5 }],
];

function sights(seed: number, n: number): Seen[] {
  const random = seededRandom(seed);
  return Array.from({ length: n }, (_, t) => ({
    y: 3 * gaussian(random),
    variance: between(random, 0.05, 1.5),
    practice: t === 0 ? 0 : between(random, 0.3, 4),
    offsets: [0, 1].filter(() => t > 0 && random() < 0.4),
  }));
}

describe('the filter is the Gaussian it stands for', () => {
  for (const [name, motion] of MOTIONS)
    for (const seed of [1, 2, 3])
      test(`${name}, seed ${seed}: level, slope, change and density as by dense algebra`, () => {
        const seen = sights(seed, 7);
        const offsets = [0.06, 0.25];
        const step = filterLevel(seen, motion, offsets).at(6);
        const whole = dense(seen, motion, offsets);
        const first = logDensity([[1e4 + (seen[0]?.variance ?? 0)]], [0]);
        expect(step.log).toBeCloseTo(whole.log - first, 5);
        expect(step.level).toBeCloseTo(whole.level.mean + (seen[0]?.y ?? 0), 5);
        expect(step.levelVariance).toBeCloseTo(whole.level.variance, 5);
        expect(step.slope).toBeCloseTo(whole.slope.mean, 6);
        expect(step.slopeVariance).toBeCloseTo(whole.slope.variance, 6);
        expect(step.change).toBeCloseTo(whole.change.mean, 5);
        expect(step.changeVariance).toBeCloseTo(whole.change.variance, 5);
      });
  test('the level at any day, as all days say it, is the dense conditional', () => {
    for (const [, motion] of MOTIONS) {
      const seen = sights(21, 6);
      const whole = dense(seen, motion, [0.06, 0.25]);
      for (let k = 0; k < 6; k++) {
        const { level, variance } = levelAt(seen, motion, [0.06, 0.25], k);
        expect(level).toBeCloseTo(whole.when(k).mean + (seen[0]?.y ?? 0), 5);
        expect(variance).toBeCloseTo(whole.when(k).variance, 5);
      }
    }
  });
  test('without offsets the short way is dense algebra, too, and the long way to the last digits', () => {
    for (const [name, motion] of MOTIONS) {
      const seen = sights(31, 8).map((sight) => ({ ...sight, offsets: [] }));
      const short = filterLevel(seen, motion);
      const whole = dense(seen, motion, []);
      expect([name, short.at(7).level]).toEqual([
        name,
        expect.closeTo(whole.level.mean + (seen[0]?.y ?? 0), 5),
      ]);
      expect(short.at(7).changeVariance).toBeCloseTo(whole.change.variance, 5);
      // An offset that nothing carries changes nothing, but is gone the long way.
      knownFrom(filterLevel(seen, motion, [0.1]), 0, 8).forEach((long, t) => {
        for (const key of Object.keys(long) as (keyof Known)[])
          expect([name, t, key, short.at(t)[key]]).toEqual([name, t, key, expect.closeTo(long[key], 7)]);
      });
      const jumps = [2, 5].map((jumpBefore) => ({ ...STILL, jumpBefore, jumpVariance: 2 }));
      filterAll(seen, [STILL, ...jumps]).forEach((track, i) => {
        const whole = filterLevel(seen, i === 0 ? STILL : (jumps[i - 1] as Motion));
        const from = i === 0 ? 0 : (jumps[i - 1] as Motion).jumpBefore;
        expect(knownFrom(track, from, 8)).toEqual(knownFrom(whole, from, 8));
      });
    }
  });
  test('a jump picked up where the level stood is the jump run from the beginning', () => {
    const seen = sights(9, 8);
    const jumps = [1, 4, 7].map((jumpBefore) => ({ ...STILL, jumpBefore, jumpVariance: 2 }));
    const [stood, ...jumped] = filterAll(seen, [STILL, ...jumps], [0.1, 0.1]);
    expect(knownFrom(stood, 0, 8)).toEqual(knownFrom(filterLevel(seen, STILL, [0.1, 0.1]), 0, 8));
    jumps.forEach((motion, i) => {
      const whole = filterLevel(seen, motion, [0.1, 0.1]);
      expect(knownFrom(jumped[i], motion.jumpBefore, 8)).toEqual(knownFrom(whole, motion.jumpBefore, 8));
    });
  });
});

describe('limits', () => {
  const at = (y: number, variance: number): Seen => ({ y, variance, practice: 1, offsets: [] });
  test('a level that stands still is the weighed mean, by hand', () => {
    // (2/1 + 5/0.5) / (1/1 + 1/0.5) = 4; variance 1/3.
    const known = filterLevel([at(2, 1), at(5, 0.5)], STILL).at(1);
    expect(known.level).toBeCloseTo(4, 3);
    expect(known.levelVariance).toBeCloseTo(1 / 3, 3);
    expect(known.change).toBeCloseTo(0, 10);
  });
  test('a level that may be anywhere each time is what was seen last', () => {
    const known = filterLevel([at(2, 1), at(5, 0.5)], { ...STILL, driftVariance: 1e6 }).at(1);
    expect(known.level).toBeCloseTo(5, 3);
    expect(known.change).toBeCloseTo(3, 2);
    expect(known.changeVariance).toBeCloseTo(1.5, 2);
  });
  test('nothing seen, nothing known; one sight leaves no change to speak of', () => {
    expect(filterLevel([], STILL).numbers).toHaveLength(0);
    expect(filterLevel([at(2, 1)], STILL).at(0)).toMatchObject({ log: 0, change: 0 });
  });
});
