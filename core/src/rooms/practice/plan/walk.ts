import { opensByCount } from '../ladder.ts';
import { STAGES, type Stage } from '../stages.ts';
import { FUTURES } from './futures.ts';
import type { Climb, Ground } from './layout.ts';
import type { Track } from './track.ts';

/** The day on which each future leaves each rung, by [stage][future]; infinite where it does not. */
export type GateDays = readonly Float64Array[];

/**
 * Walks a drill's sessions through every future: days are missed, a rung takes as many repetitions as it takes
 * there, and one that waits for the coach waits.
 */
export function walk(
  ground: Ground,
  track: Track,
  { capacity }: Climb,
  upTo: Stage | null = null,
  startsOn: Float64Array | null = null,
): GateDays {
  const days = STAGES.map(() => new Float64Array(FUTURES).fill(Number.POSITIVE_INFINITY));
  const { standing, reachable } = track;
  const at = STAGES.indexOf(standing.stage);
  const last = upTo === null ? STAGES.length - 1 : STAGES.indexOf(upTo);
  const rungs = reachable
    .map((stage) => STAGES.indexOf(stage))
    .filter((stage) => stage >= at && stage <= last);
  if (standing.finished) return days;
  const needs = rungs.map((stage) => ground.futures.needs(track, STAGES[stage] as Stage));
  for (let future = 0; future < FUTURES; future++) {
    let rung = 0;
    let left = needs[0]?.[future] ?? 0;
    let opensOn = startsOn ? (startsOn[future] as number) : 0;
    for (const session of capacity) {
      const stage = rungs[rung];
      if (stage === undefined) break;
      if (session.day < opensOn || ground.futures.isMissed(future, session.day)) continue;
      left -= countsOn(stage, session);
      if (left > 0) continue;
      const name = STAGES[stage] as Stage;
      const waits = !opensByCount(name) ? ground.futures.coachWait(future, name) : 0;
      (days[stage] as Float64Array)[future] = session.day + waits;
      opensOn = session.day + waits + 1;
      rung += 1;
      left = needs[rung]?.[future] ?? 0;
    }
  }
  return days;
}

const SLOW = STAGES.indexOf('slow');
const COURSE = STAGES.indexOf('course');
const countsOn = (stage: number, { dry, balls, holes }: Climb['capacity'][number]): number =>
  stage <= SLOW ? dry : stage === COURSE ? holes : balls;

/** The day by which so many of the futures have left the rung; null where too few do. */
export function dayBy(days: Float64Array, share: number): number | null {
  const sorted = Float64Array.from(days).sort();
  const day = sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)] as number;
  return Number.isFinite(day) ? day : null;
}
