import { between, pick, type Random, seededRandom } from '@inchstep/core/foundation';
import type { Look } from '../demo/cast.ts';
import type { FaultGrades } from '../golfer/faultEffects.ts';
import type { GolferSpec } from '../golfer/golfer.ts';

/** One made-up player of the study: a body, clothes, and what the light and the phone do to the picture. */
interface StudyPlayer {
  readonly key: string;
  readonly golfer: GolferSpec;
  readonly look: Look;
  readonly faults: FaultGrades;
  readonly seed: number;
}

/** One swing of such a player, as one phone filmed it on one day. */
export interface StudySwing {
  readonly key: string;
  readonly player: StudyPlayer;
  /** Which of the player's swings: faults wane a little from each to the next. */
  readonly swing: number;
  /** Another day: other cameras, other light. */
  readonly day: number;
  readonly picture: PictureFlaws;
}

interface PictureFlaws {
  /** Of the usual light. */
  readonly light: number;
  /** Sd of the sensor's noise, of 255. */
  readonly grain: number;
  /** Share of the time between two frames in which the shutter is open. */
  readonly shutter: number;
  /** How far the phone shakes, pixels. */
  readonly shakePx: number;
  /** How much nearer the middle a corner is drawn than a straight lens would: barrel above 0, cushion below. */
  readonly distortion: number;
  /** Somebody walks by behind the player. */
  readonly passer: boolean;
  /** A glove lies on the grass before the player. */
  readonly glove: boolean;
}

const SKINS = ['#f0cdb0', '#e3b48c', '#c68f63', '#9a6a45', '#6b442c', '#4a2f20'];
const HAIR = ['#15100d', '#3a2a1c', '#6b4a2b', '#a9814f', '#cfc7bd', '#8c3f22'];
const CLOTH = [
  '#f1efe8',
  '#20242a',
  '#2f3b4f',
  '#7a4a58',
  '#4e7a5b',
  '#c9a54b',
  '#8a2f2a',
  '#5d6f8f',
  '#6f6a60',
];
const SHOES = ['#f4f1ea', '#2e2a28', '#8c8c88', '#c94f3a'];
const FAULTS = [
  'sway',
  'over_turn',
  'over_slide',
  'stall',
  'depth_loss',
  'hip_hike',
  'spin_out',
  'reverse_pivot',
];

/** Bodies in turn, so that few players show all of them: children, usual ones, heavy, tall, slight. */
const BODIES: readonly (readonly [heightIn: number, build: number])[] = [
  [52, 0.86],
  [64, 0.92],
  [68, 1],
  [70, 1.28],
  [74, 1.08],
  [78, 0.95],
  [58, 1.05],
  [66, 1.2],
  [61, 0.86],
  [72, 1.35],
  [48, 0.9],
  [69, 0.9],
];

export function studyPlayers(count: number, seed: number): StudyPlayer[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, (_, i) => {
    const [heightIn, build] = BODIES[i % BODIES.length] as readonly [number, number];
    const dark = random() < 0.25;
    const shirt = dark ? '#20242a' : pick(random, CLOTH);
    const more = seededRandom(1000 * seed + i + 500_000);
    return {
      key: `p${seed}-${i}`,
      golfer: { handedness: random() < 0.15 ? 'left' : 'right', heightIn: heightIn + between(random, -1, 1) },
      look: {
        skin: pick(random, SKINS),
        hair: pick(random, HAIR),
        hairStyle: pick(random, ['short', 'long', 'tail', 'bald', 'bun'] as const),
        cap: random() < 0.5 ? pick(random, CLOTH) : null,
        shirt,
        trousers: dark ? '#23272e' : pick(random, CLOTH),
        shoes: pick(random, SHOES),
        build: build * between(random, 0.95, 1.05),
        legsWide: random() < 0.35 ? between(random, 1.15, 1.4) : 1,
        skirt: more() < 0.2,
        stripes: more() < 0.25 ? pick(more, CLOTH) : null,
      },
      faults: { [pick(random, FAULTS)]: between(random, 0.8, 2.2) },
      seed: 1000 * seed + i,
    };
  });
}

/** Swings are counted by so many a day, so that one has the same faults however many are filmed. */
const MOST_A_DAY = 3;

/** The swings of each day, as they come; another day has other cameras, light and lenses. */
export function studySwings(players: readonly StudyPlayer[], swingsADay: number, days: number): StudySwing[] {
  return players.flatMap((player) =>
    Array.from({ length: days }, (_, day) => {
      const random = seededRandom(player.seed * 13 + day);
      const picture = flawsOf(random, seededRandom(player.seed * 13 + day + 700_000));
      return Array.from({ length: swingsADay }, (_, i) => ({
        key: `${player.key}-d${day}s${i}`,
        player,
        swing: day * MOST_A_DAY + i,
        day,
        picture,
      }));
    }).flat(),
  );
}

const flawsOf = (random: Random, more: Random): PictureFlaws => ({
  light: between(random, 0.55, 1.25),
  grain: between(random, 2, 9),
  shutter: between(random, 0.1, 0.5),
  shakePx: random() < 0.4 ? between(random, 0.3, 1.5) : 0,
  distortion: between(more, -0.005, 0.02),
  passer: more() < 0.25,
  glove: more() < 0.2,
});

/** Faults wane with each swing, as they do when somebody works on them. */
export const faultsAt = ({ player, swing }: StudySwing): FaultGrades =>
  Object.fromEntries(Object.entries(player.faults).map(([fault, grade]) => [fault, grade * 0.88 ** swing]));
