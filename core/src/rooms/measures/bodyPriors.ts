import type { Landmark, Station } from '../capture/index.ts';

/**
 * Soft knowledge about bodies, as data. Lengths are shares of standing height; sds in inches
 * for a 70 in player unless a name says otherwise. All of it is weak next to a clear mark.
 */

/**
 * Landmarks that are unknowns of a fit at each station (the ball stands still), from the tips of
 * the body to the hips: eliminated in this order, a landmark meets only the next one inward.
 */
export const FIT_LANDMARKS = [
  'grip',
  'lead_shoulder',
  'trail_shoulder',
  'sternum',
  'head',
  'neck',
  'seat',
  'lead_toe',
  'lead_heel',
  'trail_toe',
  'trail_heel',
  'lead_ankle',
  'trail_ankle',
  'lead_knee',
  'trail_knee',
  'lead_hip',
  'trail_hip',
] as const satisfies readonly Landmark[];
export type FitLandmark = (typeof FIT_LANDMARKS)[number];

/** Segments whose length stays the same over the swing. */
interface Segment {
  readonly id: string;
  readonly share: number;
  /** Uncertainty of the share between people. */
  readonly sdShare: number;
  /** How much the marked length wanders within a swing (skin, clothes, spine bending). */
  readonly wanderIn: number;
  readonly ends: readonly (readonly [FitLandmark | 'pelvis', FitLandmark])[];
}

export const SEGMENTS: readonly Segment[] = [
  { id: 'hips', share: 0.1, sdShare: 0.05, wanderIn: 0.1, ends: [['lead_hip', 'trail_hip']] },
  {
    id: 'thigh',
    share: 0.245,
    sdShare: 0.05,
    wanderIn: 0.3,
    ends: [
      ['lead_hip', 'lead_knee'],
      ['trail_hip', 'trail_knee'],
    ],
  },
  {
    id: 'shank',
    share: 0.246,
    sdShare: 0.05,
    wanderIn: 0.3,
    ends: [
      ['lead_knee', 'lead_ankle'],
      ['trail_knee', 'trail_ankle'],
    ],
  },
  { id: 'trunk', share: 0.285, sdShare: 0.12, wanderIn: 1.0, ends: [['pelvis', 'neck']] },
  { id: 'nape', share: 0.11, sdShare: 0.3, wanderIn: 0.8, ends: [['neck', 'head']] },
  {
    id: 'hindfoot',
    share: 0.055,
    sdShare: 0.3,
    wanderIn: 0.3,
    ends: [
      ['lead_ankle', 'lead_heel'],
      ['trail_ankle', 'trail_heel'],
    ],
  },
  {
    id: 'foot',
    share: 0.14,
    sdShare: 0.12,
    wanderIn: 0.4,
    ends: [
      ['lead_heel', 'lead_toe'],
      ['trail_heel', 'trail_toe'],
    ],
  },
  {
    id: 'shoulders',
    share: 0.2,
    sdShare: 0.15,
    wanderIn: 1.5,
    ends: [['lead_shoulder', 'trail_shoulder']],
  },
];

/** Weak expectations per station: pelvis travel since address (in) and turn (deg), with sds. */
interface StationPrior {
  readonly shift: readonly [mean: number, sd: number];
  readonly depth: readonly [mean: number, sd: number];
  readonly rise: readonly [mean: number, sd: number];
  readonly turnDeg: readonly [mean: number, sd: number];
}

export const STATION_PRIORS: Readonly<Record<Station, StationPrior>> = {
  address: { shift: [0, 1], depth: [0, 1], rise: [0, 1], turnDeg: [0, 8] },
  shaft_back: { shift: [-0.5, 2.5], depth: [0, 2], rise: [0, 2], turnDeg: [-12, 14] },
  arm_back: { shift: [-0.5, 3], depth: [0, 2.5], rise: [0, 2], turnDeg: [-28, 16] },
  top: { shift: [0, 3.5], depth: [0, 2.5], rise: [0, 2], turnDeg: [-45, 18] },
  arm_down: { shift: [2, 3.5], depth: [0, 3], rise: [-1, 2], turnDeg: [-10, 18] },
  delivery: { shift: [3, 3.5], depth: [0, 3], rise: [-1, 2], turnDeg: [8, 20] },
  impact: { shift: [4, 3.5], depth: [0, 3], rise: [0, 2.5], turnDeg: [32, 20] },
  shaft_through: { shift: [5, 4], depth: [0, 4], rise: [0, 3], turnDeg: [48, 22] },
  chest_through: { shift: [5, 4], depth: [0, 4], rise: [1, 3], turnDeg: [62, 24] },
  finish: { shift: [6, 5], depth: [0, 5], rise: [1, 3], turnDeg: [82, 24] },
};

/** Where a landmark is expected, relative to another; inches at 70 in, per axis [mean, sd]. */
interface OffsetPrior {
  readonly landmark: FitLandmark;
  readonly from: 'pelvis' | FitLandmark;
  readonly x: readonly [mean: number, sd: number];
  readonly y: readonly [mean: number, sd: number];
  readonly z: readonly [mean: number, sd: number];
}

export const OFFSET_PRIORS: readonly OffsetPrior[] = [
  { landmark: 'seat', from: 'pelvis', x: [0, 3], y: [-5, 2.5], z: [-0.5, 2.5] },
  { landmark: 'neck', from: 'pelvis', x: [-1, 6], y: [11, 6], z: [17, 4] },
  { landmark: 'sternum', from: 'neck', x: [0, 3], y: [0, 3], z: [-5, 3] },
  { landmark: 'head', from: 'neck', x: [0, 4], y: [3, 4], z: [6, 3] },
  { landmark: 'lead_shoulder', from: 'neck', x: [5, 7], y: [0, 7], z: [-1, 4] },
  { landmark: 'trail_shoulder', from: 'neck', x: [-5, 7], y: [0, 7], z: [-1, 4] },
  { landmark: 'lead_knee', from: 'lead_hip', x: [0, 7], y: [5, 5], z: [-16, 3] },
  { landmark: 'trail_knee', from: 'trail_hip', x: [0, 7], y: [5, 5], z: [-16, 3] },
  { landmark: 'grip', from: 'neck', x: [0, 30], y: [8, 25], z: [-18, 30] },
];

/** Feet at address, relative to the ball; inches at 70 in. The stance is where it is: wide sds. */
export const ADDRESS_FEET = {
  middleX: [-2, 7],
  middleY: [-31, 8],
  apart: [14.5, 4],
  /** Heels behind the ankles, toes ahead; ankles nearly level with each other across the line. */
  ankleSkewY: [0, 2.5],
  heelBehind: [-3, 2],
  toeAhead: [6.5, 2],
  heelHeight: [1.2, 0.8],
  toeHeight: [0.8, 0.8],
  hipBehindAnkle: [-3, 4],
  hipHeightShare: [0.5, 0.035],
} as const;

/** How far a planted part may have moved since address, by station: sd in inches [across, up]. */
type Planted = readonly [acrossSd: number, upSd: number];
const FIRM: Planted = [0.4, 0.3];
const LOOSE: Planted = [1, 0.8];
const LIFTING: Planted = [2.5, 2.5];
const FREE: Planted = [8, 6];
const early: Record<'shaft_back' | 'arm_back' | 'top', Planted> = {
  shaft_back: FIRM,
  arm_back: FIRM,
  top: FIRM,
};

export const PLANTED: Readonly<
  Record<'leadFoot' | 'trailAnkleHeel' | 'trailToe', Readonly<Record<Exclude<Station, 'address'>, Planted>>>
> = {
  leadFoot: {
    ...early,
    top: LOOSE,
    arm_down: [0.6, 0.6],
    delivery: FIRM,
    impact: [0.6, 0.5],
    shaft_through: LOOSE,
    chest_through: [1.5, 1],
    finish: [2, 1.2],
  },
  trailAnkleHeel: {
    ...early,
    arm_down: LOOSE,
    delivery: [1.5, 1.5],
    impact: LIFTING,
    shaft_through: [4, 3.5],
    chest_through: FREE,
    finish: FREE,
  },
  trailToe: {
    ...early,
    arm_down: FIRM,
    delivery: [0.6, 0.5],
    impact: LOOSE,
    shaft_through: [1.5, 1],
    chest_through: [2.5, 1.5],
    finish: [3.5, 2],
  },
};
