import type { LoadClass } from '../../prescription/index.ts';
import { SHORT_SESSION_MINUTES, SHORT_WARM_UP_MINUTES, WARM_UP_MINUTES } from '../ruleNumbers.ts';
import type { Slot } from './slots.ts';
import type { Track } from './track.ts';

/** Moves that make a joint ready, easy ones first. */
const WARM_UP_MOVES: Readonly<Record<LoadClass, string>> = {
  B: 'trunk_turns',
  H: 'hip_circles',
  K: 'small_knee_bends',
  A: 'ankle_rocks',
  T: 'stand_on_one_leg',
};
const EVERY_WARM_UP = ['march_on_the_spot', 'slow_half_swings'] as const;

export const warmUpMinutesOf = (minutes: number): number =>
  minutes < SHORT_SESSION_MINUTES ? SHORT_WARM_UP_MINUTES : WARM_UP_MINUTES;

/** Named moves for what the session loads; a drill that is made for it stands among them. */
export function warmUpFor(tracks: readonly Track[], slot: Pick<Slot, 'place'>): string[] {
  const moves = new Set<string>([EVERY_WARM_UP[0]]);
  for (const { drill } of tracks)
    for (const joint of Object.keys(drill.loads) as LoadClass[]) moves.add(WARM_UP_MOVES[joint]);
  for (const { drill } of tracks)
    if (drill.habits.warmsUp && drill.places.includes(slot.place)) moves.add(drill.id);
  moves.add(EVERY_WARM_UP[1]);
  return [...moves];
}
