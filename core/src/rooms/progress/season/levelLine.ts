import { type IsoDay, Z80 } from '../../../foundation/index.ts';
import { beliefAt, type Weighed } from './belief.ts';
import type { Evidence } from './evidence.ts';
import { allOf } from './levelBelief.ts';
import { levelAt } from './levelFilter.ts';

/** The level on one day as all days together say, in the measure's unit, with the ends of what 8 of 10 lie between. */
export interface LevelPoint {
  readonly date: IsoDay;
  readonly level: number;
  readonly lo80: number;
  readonly hi80: number;
}

/** Of a long record so many days are drawn. */
const MOST_POINTS = 24;
/** Ways that weigh less than this are left out of the line; together they would not move it by its own width. */
const HEAVY = 0.01;

/** The line of the level over one cell's occasions. */
export function levelLine(evidence: Evidence, step: number): LevelPoint[] {
  const { occasions, offsetVariances } = evidence;
  if (occasions.length === 0) return [];
  const heavy = allOf(beliefAt(evidence, occasions.length - 1)).filter(({ weight }) => weight > HEAVY);
  const all = heavy.reduce((sum, { weight }) => sum + weight, 0);
  return pointsOf(occasions.length).map((when) => {
    const { mean, sd } = mixed(heavy, all, (one) =>
      levelAt(one.way.seen, one.way.motion, offsetVariances, when),
    );
    const { date } = occasions[when] as (typeof occasions)[number];
    return { date, level: step * mean, lo80: step * (mean - Z80 * sd), hi80: step * (mean + Z80 * sd) };
  });
}

/** Every occasion, or as many as are drawn, the first and the last among them. */
function pointsOf(length: number): number[] {
  if (length <= MOST_POINTS) return Array.from({ length }, (_, i) => i);
  return Array.from({ length: MOST_POINTS }, (_, i) => Math.round((i * (length - 1)) / (MOST_POINTS - 1)));
}

function mixed(
  ways: readonly Weighed[],
  all: number,
  of: (way: Weighed) => { readonly level: number; readonly variance: number },
): { mean: number; sd: number } {
  const found = ways.map((way) => ({ ...of(way), share: way.weight / all }));
  const mean = found.reduce((sum, { level, share }) => sum + share * level, 0);
  const square = found.reduce(
    (sum, { level, variance, share }) => sum + share * (variance + (level - mean) ** 2),
    0,
  );
  return { mean, sd: Math.sqrt(square) };
}
