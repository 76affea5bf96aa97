import { gaussian, plusDays, type Random } from '@inchstep/core/foundation';
import { BAND_ROWS } from '@inchstep/core/intake';
import { sharedShare } from '@inchstep/core/measures';
import type { Occasion } from '@inchstep/core/progress';

/** A made-up player of one measure; everything in steps of its band. */
export interface Player {
  readonly name: string;
  readonly daySteps: number;
  readonly swingSteps: number;
  /** True sd of the marks, and the one that is stated. */
  readonly marksSteps: number;
  readonly statedSteps: number;
  /** What the camera's place adds with every session. */
  readonly driftSteps: number;
  /** Some swing of the season strays by four steps. */
  readonly stray: boolean;
  readonly swings: number;
}

export const MEASURE = 'shift_top';
export const MEASURE_STEP = BAND_ROWS.find(({ id }) => id === MEASURE)?.step ?? 1;
/** Looks of a season, and a level that stays what it was in all of them. */
export const LOOKS = 8;
export const STANDS = Array.from({ length: LOOKS }, () => 0);

const START = '2027-03-01';
const STRAY_STEPS = 4;

export const USUAL_PLAYER: Player = {
  name: 'as guessed',
  daySteps: 0.33,
  swingSteps: 0.5,
  marksSteps: 0.25,
  statedSteps: 0.25,
  driftSteps: 0,
  stray: false,
  swings: 3,
};

/** Players who never change, each another way of looking as if they did. */
export const STILL_PLAYERS: readonly Player[] = [
  { ...USUAL_PLAYER, name: 'day spread 0', daySteps: 0 },
  USUAL_PLAYER,
  { ...USUAL_PLAYER, name: 'day spread 0.6', daySteps: 0.6 },
  { ...USUAL_PLAYER, name: 'day spread 1.0', daySteps: 1 },
  { ...USUAL_PLAYER, name: 'swing spread 1.5', swingSteps: 1.5 },
  { ...USUAL_PLAYER, name: 'marks twice as poor', marksSteps: 0.5 },
  { ...USUAL_PLAYER, name: 'marks twice as good', marksSteps: 0.125 },
  { ...USUAL_PLAYER, name: 'camera drifts 0.05 a session', driftSteps: 0.05 },
  { ...USUAL_PLAYER, name: 'one swing strays 4 steps', stray: true },
  { ...USUAL_PLAYER, name: 'one swing a day, one strays', stray: true, swings: 1 },
  { ...USUAL_PLAYER, name: 'day 1.0, swing 1.5, stray', daySteps: 1, swingSteps: 1.5, stray: true },
  { ...USUAL_PLAYER, name: 'day 1.0, marks twice as poor', daySteps: 1, marksSteps: 0.5 },
  { ...USUAL_PLAYER, name: 'day 1.0, five swings', daySteps: 1, swings: 5 },
];

/** Players one of whose measures strays otherwise than the rest, none changing. */
export const ODD_PLAYERS: readonly { readonly name: string; readonly odd: Player; readonly rest: Player }[] =
  [
    {
      name: 'one at day 1.0 (five swings), the rest as guessed',
      odd: { ...USUAL_PLAYER, daySteps: 1, swings: 5 },
      rest: USUAL_PLAYER,
    },
    {
      name: 'one at day 0.6, the rest at 0',
      odd: { ...USUAL_PLAYER, daySteps: 0.6 },
      rest: { ...USUAL_PLAYER, daySteps: 0 },
    },
    {
      name: 'one at day 0.33, the rest at 1.0',
      odd: USUAL_PLAYER,
      rest: { ...USUAL_PLAYER, daySteps: 1 },
    },
  ];

/** A season a week apart: the true level of each session in steps, seen as the player shows it. */
export function occasionsOf(player: Player, levels: readonly number[], random: Random): Occasion[] {
  const shared = sharedShare(MEASURE);
  const straying = player.stray ? Math.floor(random() * levels.length) : -1;
  return levels.map((level, i) => {
    const day =
      level +
      player.driftSteps * i +
      player.daySteps * gaussian(random) +
      Math.sqrt(shared) * player.marksSteps * gaussian(random);
    const values = Array.from(
      { length: player.swings },
      () =>
        day +
        player.swingSteps * gaussian(random) +
        Math.sqrt(1 - shared) * player.marksSteps * gaussian(random),
    );
    if (i === straying) values[0] = (values[0] as number) + STRAY_STEPS * (random() < 0.5 ? -1 : 1);
    return {
      date: plusDays(START, 7 * i),
      values: values.map((value) => value * MEASURE_STEP),
      sd: player.statedSteps * MEASURE_STEP,
    };
  });
}
