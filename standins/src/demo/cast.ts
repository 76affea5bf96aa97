import type { FaultGrades } from '../golfer/faultEffects.ts';
import type { GolferSpec } from '../golfer/golfer.ts';

/** How a made-up golfer is dressed for the camera. Colours are CSS colours. */
export interface Look {
  readonly skin: string;
  readonly hair: string;
  readonly hairStyle: 'short' | 'long' | 'tail' | 'bald' | 'bun';
  readonly cap: string | null;
  readonly shirt: string;
  readonly trousers: string;
  readonly shoes: string;
  /** 1 = average; girth of limbs and trunk. */
  readonly build: number;
  /** Girth of the trousers' legs beside the usual; loose ones are wider than the leg in them. */
  readonly legsWide?: number;
  /** A skirt of the trousers' cloth, to above the knee; the legs are bare. */
  readonly skirt?: boolean;
  /** Stripes of this colour down the shirt. */
  readonly stripes?: string | null;
}

export interface FilmedSwing {
  readonly key: string;
  readonly golfer: GolferSpec;
  readonly look: Look;
  readonly faults: FaultGrades;
  readonly seed: number;
  readonly views: readonly ('face_on' | 'down_the_line')[];
}

const LOOKS = {
  priya: {
    skin: '#b07a52',
    hair: '#1d1512',
    hairStyle: 'tail',
    cap: null,
    shirt: '#2f6f8f',
    trousers: '#e8e1d3',
    shoes: '#f4f1ea',
    build: 0.93,
  },
  gus: {
    skin: '#e8b995',
    hair: '#a9814f',
    hairStyle: 'short',
    cap: '#35423a',
    shirt: '#7a4a58',
    trousers: '#3c4450',
    shoes: '#2e2a28',
    build: 1.06,
  },
  kofi: {
    skin: '#6b442c',
    hair: '#15100d',
    hairStyle: 'short',
    cap: null,
    shirt: '#d9c48c',
    trousers: '#27313d',
    shoes: '#f0eee8',
    build: 1.08,
  },
  mei: {
    skin: '#e3b48c',
    hair: '#16110f',
    hairStyle: 'bun',
    cap: '#efe9dd',
    shirt: '#6d7fa8',
    trousers: '#2b2f3a',
    shoes: '#e9e6e0',
    build: 0.9,
  },
  wren: {
    skin: '#8c5a3c',
    hair: '#20160f',
    hairStyle: 'long',
    cap: null,
    shirt: '#4e7a5b',
    trousers: '#b9a98c',
    shoes: '#3a3330',
    build: 1.0,
  },
} as const satisfies Record<string, Look>;

const BOTH = ['face_on', 'down_the_line'] as const;

/** Swings that are rendered as video, with the faults each golfer shows. */
export const FILMED: readonly FilmedSwing[] = [
  {
    key: 'priya-then',
    golfer: { handedness: 'right', heightIn: 65 },
    look: LOOKS.priya,
    faults: { over_turn: 1.73, lead_knee_collapse: 2.2 },
    seed: 101,
    views: BOTH,
  },
  {
    key: 'priya-now',
    golfer: { handedness: 'right', heightIn: 65 },
    look: LOOKS.priya,
    faults: { over_turn: 0.55, lead_knee_collapse: 0.6 },
    seed: 101,
    views: BOTH,
  },
  {
    key: 'gus',
    golfer: { handedness: 'left', heightIn: 72 },
    look: LOOKS.gus,
    faults: { over_slide: 1.98 },
    seed: 202,
    views: BOTH,
  },
  {
    key: 'kofi',
    golfer: { handedness: 'right', heightIn: 74 },
    look: LOOKS.kofi,
    faults: { depth_loss: 1.6, trail_knee_kick: 2 },
    seed: 303,
    views: BOTH,
  },
  {
    key: 'mei-then',
    golfer: { handedness: 'right', heightIn: 63 },
    look: LOOKS.mei,
    faults: { stall: 1.96, knee_shut: 1.6 },
    seed: 404,
    views: ['face_on'],
  },
  {
    key: 'mei-now',
    golfer: { handedness: 'right', heightIn: 63 },
    look: LOOKS.mei,
    faults: { stall: 1.78, knee_shut: 1.2 },
    seed: 404,
    views: ['face_on'],
  },
  {
    key: 'wren',
    golfer: { handedness: 'right', heightIn: 69 },
    look: LOOKS.wren,
    faults: { sway: 2.2 },
    seed: 505,
    views: BOTH,
  },
];
