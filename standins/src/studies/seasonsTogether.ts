import type { Random } from '@inchstep/core/foundation';
import { besideOthers, type Evidence, evidenceOf, saidByDay, scaleOf } from '@inchstep/core/progress';
import { MEASURE, occasionsOf, type Player } from './progressWorld.ts';

const { step, shared } = scaleOf(MEASURE);
/** So many measures are asked how the days stray, as in the program. */
const ASKED = 4;

/** Several measures of one player, filmed in the same sessions: each strays as its own `Player` does, by its own levels. */
export function measuresTogether(
  players: readonly Player[],
  levels: readonly (readonly number[])[],
  random: Random,
  usual?: readonly number[],
): Evidence[] {
  const alone = players.map((player, k) =>
    evidenceOf(occasionsOf(player, levels[k] as readonly number[], random), step, shared, undefined, usual),
  );
  const said = alone.slice(0, ASKED + 1).map(saidByDay);
  return alone.map((evidence, k) => besideOthers(evidence, said.filter((_, j) => j !== k).slice(0, ASKED)));
}
