import { seededRandom } from '@inchstep/core/foundation';
import { scaleOf, seasonScores } from '@inchstep/core/progress';
import { MEASURE, occasionsOf, STILL_PLAYERS } from './progressWorld.ts';

/** Looks of a season that the bars are set for, the first one that can compare anything first. */
const LOOKS = 7;
/**
 * Of the false alarms that a season may hold, so much is spent on each look: a large change should show by the fourth session, a
 * single step by the sixth, a slow gain by the eighth. Two or three sessions alone hardly show anything.
 */
const SPENT = [0.01, 0.02, 0.14, 0.02, 0.58, 0.04, 0.19];
/** Of the 5 in 100, what is left for looks after these and for what a simulation can't see. */
const SEASON = 0.045;
export const FAMILIES = [1, 3, 5, 10] as const;

/**
 * How high "real" has to reach at each look, so that a player of any kind who does not change hears it in at most `SEASON`
 * of his seasons, in any of `family` measures. Each look's bar is the lowest at which no kind has used more than its share.
 */
export function progressBars(seasons: number, seed: number): { family: number; bars: number[] }[] {
  const still = Array.from({ length: LOOKS + 1 }, () => 0);
  const all = STILL_PLAYERS.filter(({ swings }) => swings > 1).map((player, k) => {
    const random = seededRandom(seed + k);
    return Array.from({ length: seasons }, () =>
      seasonScores(scaleOf(MEASURE), occasionsOf(player, still, random)).slice(1),
    );
  });
  return FAMILIES.map((family) => ({ family, bars: barsFor(all, 1 - (1 - SEASON) ** (1 / family)) }));
}

function barsFor(all: readonly (readonly (readonly number[])[])[], allowed: number): number[] {
  const left = all.map((seasons) => [...seasons]);
  let spent = 0;
  return SPENT.map((share, look) => {
    spent += share * allowed;
    const bar = Math.max(
      ...left.map((seasons, k) => {
        const total = (all[k] as unknown[]).length;
        const room = Math.max(0, Math.floor(spent * total) - (total - seasons.length));
        const scores = seasons.map((scores) => scores[look] as number).sort((a, b) => b - a);
        return scores[Math.min(room, scores.length - 1)] as number;
      }),
    );
    left.forEach((seasons, k) => {
      left[k] = seasons.filter((scores) => (scores[look] as number) <= bar);
    });
    return bar;
  });
}
