import type { IsoDay } from '../../../foundation/index.ts';
import { STRAY } from './seasonTable.ts';

/** Swings of one day that can be looked at together: one club group, speed, aid and place, all before a cue or all after it. */
export interface Occasion {
  readonly date: IsoDay;
  /** In the measure's unit. */
  readonly values: readonly number[];
  /** Stated measurement sd of one swing, in the measure's unit. */
  readonly sd: number;
  readonly cue?: 'before' | 'after' | null;
  readonly speed?: string | null;
  readonly aid?: 'on' | 'off' | null;
  readonly club?: string | null;
  readonly place?: string | null;
  /** Repetitions done since the occasion before; unknown where nobody counted. */
  readonly reps?: number | null;
}

/**
 * What may never be thrown together: another club, speed or aid is another question. Where nobody said, a swing is taken for
 * a full one without the drill.
 */
export const cellOf = ({ speed, aid, club }: Pick<Occasion, 'speed' | 'aid' | 'club'>): string =>
  [speed ?? 'full', aid ?? 'off', club ?? ''].join(' ');

/** By date; what was filmed before a day's first cue goes before what was filmed after it. */
export const inOrder = (occasions: readonly Occasion[]): Occasion[] =>
  occasions
    .map((one, i) => ({ one, i }))
    .sort(
      (a, b) =>
        (a.one.date < b.one.date ? -1 : a.one.date > b.one.date ? 1 : 0) ||
        Number(a.one.cue === 'after') - Number(b.one.cue === 'after') ||
        a.i - b.i,
    )
    .map(({ one }) => one);

/** What an occasion's swings say of the level of that day: a Gaussian, and how well the swings agree with each other. */
export interface DayLevel {
  readonly mean: number;
  readonly variance: number;
  /** Log density of the swings about each other, the day's level being anything. */
  readonly agreement: number;
}

/**
 * The day's level from its swings, each of which strays now and then (a contaminated normal): all ways in which none, one or
 * two of them did are weighed and their Gaussians are put into one of the same mean and variance. `variance` is that of one
 * swing that does not stray.
 */
export function dayLevel(values: readonly number[], variance: number): DayLevel {
  const n = values.length;
  const far = variance * STRAY.times ** 2;
  const ways: { mean: number; variance: number; log: number }[] = [];
  // Of a swing: how often it strays or does not, and what its Gaussian's height comes to.
  const nearLog = LOG_STAYS - 0.5 * Math.log(2 * Math.PI * variance);
  const farLog = LOG_STRAYS - 0.5 * Math.log(2 * Math.PI * far);
  const add = (a: number, b: number) => {
    let weight = 0;
    let sum = 0;
    for (let i = 0; i < n; i++) {
      const p = 1 / (i === a || i === b ? far : variance);
      weight += p;
      sum += p * (values[i] as number);
    }
    const mean = sum / weight;
    let off = 0;
    for (let i = 0; i < n; i++)
      off += ((values[i] as number) - mean) ** 2 / (i === a || i === b ? far : variance);
    const strays = Number(a >= 0) + Number(b >= 0);
    ways.push({
      mean,
      variance: 1 / weight,
      log: strays * farLog + (n - strays) * nearLog - 0.5 * (Math.log(weight / (2 * Math.PI)) + off),
    });
  };
  add(-1, -1);
  for (let i = 0; i < n; i++) add(i, -1);
  // Of two swings both may stray; among four and more two may, and the rest still agree.
  if (n > 3 && n <= MOST_FOR_PAIRS) for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) add(i, j);
  return together(ways);
}
const MOST_FOR_PAIRS = 12;
const LOG_STRAYS = Math.log(STRAY.share);
const LOG_STAYS = Math.log(1 - STRAY.share);

function together(
  ways: readonly { readonly mean: number; readonly variance: number; readonly log: number }[],
): DayLevel {
  const top = Math.max(...ways.map(({ log }) => log));
  let total = 0;
  let mean = 0;
  for (const way of ways) {
    const w = Math.exp(way.log - top);
    total += w;
    mean += w * way.mean;
  }
  mean /= total;
  let variance = 0;
  for (const way of ways)
    variance += (Math.exp(way.log - top) / total) * (way.variance + (way.mean - mean) ** 2);
  return { mean, variance, agreement: top + Math.log(total) };
}
