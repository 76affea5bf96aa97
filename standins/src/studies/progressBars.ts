import { type Random, seededRandom } from '@inchstep/core/foundation';
import { evidenceOf, scaleOf, scoresOf } from '@inchstep/core/progress';
import {
  LOOKS,
  MEASURE,
  ODD_PLAYERS,
  occasionsOf,
  type Player,
  STANDS,
  STILL_PLAYERS,
} from './progressWorld.ts';
import { measuresTogether } from './seasonsTogether.ts';

/** Looks that can compare anything. */
const COMPARED = LOOKS - 1;
/**
 * Of the false alarms that a season may hold, so much is spent on each look: a large change should show by the fourth session, a
 * single step by the sixth, a slow gain by the eighth. Two or three sessions alone hardly show anything.
 */
const SPENT = [0.01, 0.02, 0.14, 0.02, 0.58, 0.04, 0.19];
/** Of the 5 in 100, what is left for looks after these and for what a simulation can't see. */
const SEASON = 0.045;
/** A little less where fewer seasons can be asked: the sampling error of a bar is more. */
const SEASON_BESIDE = 0.041;
const FAMILIES = [1, 3, 5, 10] as const;
const FAMILIES_BESIDE = [2, 3, 5, 10] as const;

/** The kinds of players that set a bar where each season takes several measures; the study asks all the others, too. */
const HARMFUL = ['day spread 0.6', 'day spread 1.0', 'day 1.0, five swings'];

interface Bars {
  readonly family: number;
  readonly bars: readonly number[];
}

const { step, shared } = scaleOf(MEASURE);

/**
 * How high "real" has to reach at each look, so that a player of any kind who does not change hears it in at most `SEASON`
 * of his seasons, in any of `family` measures. Each look's bar is the lowest at which no kind has used more than its share.
 */
export function progressBars(seasons: number, seed: number): Bars[] {
  const all = STILL_PLAYERS.filter(({ swings }) => swings > 1).map((player, k) =>
    seasonsOf(seasons, seed + k, (random) => [
      scoresOf(evidenceOf(occasionsOf(player, STANDS, random), step, shared)),
    ]),
  );
  return FAMILIES.map((family) => ({ family, bars: barsFor(all, 1 - (1 - SEASON) ** (1 / family)) }));
}

/** The same for measures that tell each other how the player's days stray, one of them straying otherwise than the rest, too. */
export function barsBeside(seasons: number, seed: number): Bars[] {
  return FAMILIES_BESIDE.map((family) => {
    const kinds: readonly (readonly Player[])[] = [
      ...STILL_PLAYERS.filter(({ name }) => HARMFUL.includes(name)).map((player) =>
        Array.from({ length: family }, () => player),
      ),
      ...ODD_PLAYERS.slice(0, 2).map(({ odd, rest }) => [
        odd,
        ...Array.from({ length: family - 1 }, () => rest),
      ]),
    ];
    const all = kinds.map((players, k) =>
      seasonsOf(seasons, seed + 100 * family + k, (random) =>
        measuresTogether(
          players,
          players.map(() => STANDS),
          random,
        ).map(scoresOf),
      ),
    );
    return { family, bars: barsFor(all, SEASON_BESIDE) };
  });
}

/** Highest score of any measure at each look, a row a season. */
const seasonsOf = (
  seasons: number,
  seed: number,
  scores: (random: Random) => readonly (readonly number[])[],
): number[][] => {
  const random = seededRandom(seed);
  return Array.from({ length: seasons }, () => {
    const measures = scores(random);
    return Array.from({ length: COMPARED }, (_, look) =>
      Math.max(...measures.map((of) => of[look + 1] as number)),
    );
  });
};

function barsFor(all: readonly (readonly (readonly number[])[])[], allowed: number): number[] {
  const left = all.map((seasons) => [...seasons]);
  let spent = 0;
  return SPENT.map((share, look) => {
    spent += share * allowed;
    const bar = Math.max(
      LEAST,
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
/** However rarely anything is probable enough to be called real: the sceptic has to be outdone. */
const LEAST = 0.4;
