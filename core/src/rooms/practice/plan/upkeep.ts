import { SET_REPS } from '../ruleNumbers.ts';
import type { Climber } from './climber.ts';
import { BALL_SET } from './items.ts';
import { BALL_SETS_A_VISIT } from './limits.ts';

/** Sets for what was seen to last: a little where nearly every repetition passes, else nearly a rung's. */
const UPKEEP_SETS = { sure: 2, unsure: 6 } as const;
const UPKEEP_BALL_SETS = { sure: 8, unsure: 18 } as const;

const keptBy = (climber: Climber): 'sure' | 'unsure' =>
  climber.stage === null && !climber.track.sure ? 'unsure' : 'sure';
const isUnproved = (climber: Climber): boolean => climber.stage === null && !climber.wasSeenToLast;

/** As much as a rung until it was seen to last, then what keeps it. */
export function upkeepOf(climber: Climber, balls: boolean, room: number): number {
  if (isUnproved(climber)) return room;
  const kept = keptBy(climber);
  return Math.min(room, balls ? UPKEEP_BALL_SETS[kept] * BALL_SET : UPKEEP_SETS[kept] * SET_REPS);
}

/** Sets that a visit with balls will take of this drill, as far as they can be kept back for it. */
export const ballSetsOf = (climber: Climber): number =>
  climber.stage !== null || isUnproved(climber) ? BALL_SETS_A_VISIT : UPKEEP_BALL_SETS[keptBy(climber)];
