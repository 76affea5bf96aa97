import { angleDeg, distance, midpoint, sub, toDeg, type Vec3 } from '../../foundation/index.ts';
import type { Station } from '../capture/index.ts';
import type { FitLandmark } from './bodyPriors.ts';
import {
  flex,
  HIPS,
  inclination,
  kneeLine,
  LEG,
  leadShoulderHigher,
  type PoseReader,
  pelvis,
  shift,
  trailHigher,
  trunkLean,
  turn,
} from './poseReading.ts';

export type { PoseReader } from './poseReading.ts';

/** Sizes a definition may divide by. */
export interface GolferSizes {
  readonly outerHipWidthIn: number;
  /** Relative uncertainty of that width: a tape or the height table. */
  readonly outerHipWidthSdShare: number;
}

export interface MeasureDefinition {
  readonly id: string;
  /** Where the measure belongs on screen and in the answer. */
  readonly station: Station;
  readonly needs: readonly (readonly [Station, readonly FitLandmark[]])[];
  readonly value: (at: PoseReader, sizes: GolferSizes) => number;
  /** How much of the value scales with the outer hip width (its uncertainty is then added). */
  readonly dividesByHipWidth?: boolean;
}

const moved = (at: PoseReader, landmark: FitLandmark, from: Station, to: Station, axis: 0 | 1 | 2) =>
  at(to, landmark)[axis] - at(from, landmark)[axis];

type Needs = MeasureDefinition['needs'];
const both = (a: Station, b: Station, landmarks: readonly FitLandmark[]): Needs => [
  [a, landmarks],
  [b, landmarks],
];
const since = (s: Station, landmarks: readonly FitLandmark[]): Needs => both('address', s, landmarks);

function define(
  id: string,
  station: Station,
  needs: Needs,
  value: MeasureDefinition['value'],
): MeasureDefinition {
  return { id, station, needs, value };
}

const ADDRESS: readonly MeasureDefinition[] = [
  {
    id: 'base_ratio',
    station: 'address',
    needs: [['address', ['lead_ankle', 'trail_ankle']]],
    value: (at, sizes) =>
      distance(at('address', 'lead_ankle'), at('address', 'trail_ankle')) / sizes.outerHipWidthIn,
    dividesByHipWidth: true,
  },
  define(
    'pelvis_offset_address',
    'address',
    [['address', [...HIPS, 'lead_ankle', 'trail_ankle']]],
    (at) => pelvis(at, 'address')[0] - midpoint(at('address', 'lead_ankle'), at('address', 'trail_ankle'))[0],
  ),
  define('turn_address', 'address', [['address', HIPS]], (at) => turn(at, 'address')),
  define('trunk_lean_address', 'address', [['address', [...HIPS, 'neck']]], (at) => trunkLean(at, 'address')),
  define(
    'knee_flex_address',
    'address',
    [['address', [...LEG.lead, ...LEG.trail]]],
    (at) => (flex(at, 'address', 'lead') + flex(at, 'address', 'trail')) / 2,
  ),
  define('lead_foot_flare', 'address', [['address', ['lead_heel', 'lead_toe']]], (at) => {
    const foot = sub(at('address', 'lead_toe'), at('address', 'lead_heel'));
    return toDeg(Math.atan2(foot[0], foot[1]));
  }),
  define('trail_foot_flare', 'address', [['address', ['trail_heel', 'trail_toe']]], (at) => {
    const foot = sub(at('address', 'trail_toe'), at('address', 'trail_heel'));
    return toDeg(Math.atan2(-foot[0], foot[1]));
  }),
  define('tilt_address', 'address', [['address', HIPS]], (at) => -trailHigher(at, 'address')),
];

const TOP: readonly MeasureDefinition[] = [
  define('shift_top', 'top', since('top', HIPS), (at) => shift(at, 'top')),
  define(
    'trail_hip_past_line',
    'top',
    since('top', ['trail_hip']),
    (at) => -moved(at, 'trail_hip', 'address', 'top', 0),
  ),
  define('turn_top', 'top', [['top', HIPS]], (at) => -turn(at, 'top')),
  define('tilt_top', 'top', [['top', HIPS]], (at) => trailHigher(at, 'top')),
  define(
    'trail_hip_depth_top',
    'top',
    since('top', ['trail_hip']),
    (at) => -moved(at, 'trail_hip', 'address', 'top', 1),
  ),
  define('seat_drift_top', 'top', since('top', ['seat']), (at) => moved(at, 'seat', 'address', 'top', 1)),
  define(
    'lead_knee_in_top',
    'top',
    since('top', ['lead_knee']),
    (at) => -moved(at, 'lead_knee', 'address', 'top', 0),
  ),
  define('lead_knee_out_top', 'top', since('top', ['lead_knee']), (at) =>
    moved(at, 'lead_knee', 'address', 'top', 1),
  ),
  define(
    'lead_knee_flex_change_top',
    'top',
    since('top', LEG.lead),
    (at) => flex(at, 'top', 'lead') - flex(at, 'address', 'lead'),
  ),
  define(
    'trail_knee_flex_change_top',
    'top',
    since('top', LEG.trail),
    (at) => flex(at, 'top', 'trail') - flex(at, 'address', 'trail'),
  ),
  define('trunk_lean_top', 'top', [['top', [...HIPS, 'neck']]], (at) => trunkLean(at, 'top')),
  define('head_shift_top', 'top', since('top', ['head']), (at) => moved(at, 'head', 'address', 'top', 0)),
];

const DOWN: readonly MeasureDefinition[] = [
  define('seat_loss_arm_down', 'arm_down', both('top', 'arm_down', ['seat']), (at) =>
    moved(at, 'seat', 'top', 'arm_down', 1),
  ),
  define('turn_arm_down', 'arm_down', [['arm_down', HIPS]], (at) => turn(at, 'arm_down')),
  define(
    'drop_arm_down',
    'arm_down',
    both('top', 'arm_down', HIPS),
    (at) => pelvis(at, 'arm_down')[2] - pelvis(at, 'top')[2],
  ),
  define('lead_low_arm_down', 'arm_down', [['arm_down', HIPS]], (at) => trailHigher(at, 'arm_down')),
  define('shift_delivery', 'delivery', since('delivery', HIPS), (at) => shift(at, 'delivery')),
  define('cover_delivery', 'delivery', since('delivery', [...HIPS, 'sternum']), (at) => {
    const cover = (s: Station) => at(s, 'sternum')[0] - pelvis(at, s)[0];
    return cover('delivery') - cover('address');
  }),
  {
    id: 'lead_thigh_past_line',
    station: 'delivery',
    needs: since('delivery', ['lead_hip']),
    // The outer edge of the thigh rides with the hip joint; a thigh is half the hips' width.
    value: (at, sizes) => moved(at, 'lead_hip', 'address', 'delivery', 0) / (sizes.outerHipWidthIn / 2),
    dividesByHipWidth: true,
  },
  define('seat_loss_delivery', 'delivery', both('top', 'delivery', ['seat']), (at) =>
    moved(at, 'seat', 'top', 'delivery', 1),
  ),
  define('lead_knee_roll_delivery', 'delivery', since('delivery', ['lead_knee']), (at) =>
    moved(at, 'lead_knee', 'address', 'delivery', 0),
  ),
  define('trail_knee_kick_delivery', 'delivery', since('delivery', ['trail_knee']), (at) =>
    moved(at, 'trail_knee', 'address', 'delivery', 1),
  ),
  define('sternum_shift_delivery', 'delivery', since('delivery', ['sternum']), (at) =>
    moved(at, 'sternum', 'address', 'delivery', 0),
  ),
  define(
    'knee_line_delivery',
    'delivery',
    since('delivery', ['lead_knee', 'trail_knee']),
    (at) => kneeLine(at, 'delivery') - kneeLine(at, 'address'),
  ),
  define(
    'trail_knee_flex_delivery',
    'delivery',
    both('top', 'delivery', LEG.trail),
    (at) => flex(at, 'delivery', 'trail') - flex(at, 'top', 'trail'),
  ),
];

const IMPACT: readonly MeasureDefinition[] = [
  define('seat_loss_impact', 'impact', both('top', 'impact', ['seat']), (at) =>
    moved(at, 'seat', 'top', 'impact', 1),
  ),
  define('turn_impact', 'impact', [['impact', HIPS]], (at) => turn(at, 'impact')),
  define('shift_impact', 'impact', since('impact', HIPS), (at) => shift(at, 'impact')),
  define(
    'back_up_impact',
    'impact',
    both('delivery', 'impact', HIPS),
    (at) => pelvis(at, 'delivery')[0] - pelvis(at, 'impact')[0],
  ),
  define(
    'lead_hip_past_ankle_impact',
    'impact',
    [['impact', ['lead_hip', 'lead_ankle']]],
    (at) => at('impact', 'lead_hip')[0] - at('impact', 'lead_ankle')[0],
  ),
  define(
    'lead_knee_past_ankle_impact',
    'impact',
    [['impact', ['lead_knee', 'lead_ankle']]],
    (at) => at('impact', 'lead_knee')[0] - at('impact', 'lead_ankle')[0],
  ),
  define('lead_knee_flex_impact', 'impact', [['impact', LEG.lead]], (at) => flex(at, 'impact', 'lead')),
  define('tilt_impact', 'impact', [['impact', HIPS]], (at) => -trailHigher(at, 'impact')),
  define('shoulder_tilt_impact', 'impact', [['impact', ['lead_shoulder', 'trail_shoulder']]], (at) =>
    leadShoulderHigher(at, 'impact'),
  ),
  define('trail_heel_up_impact', 'impact', since('impact', ['trail_heel']), (at) =>
    moved(at, 'trail_heel', 'address', 'impact', 2),
  ),
];

const THROUGH: readonly MeasureDefinition[] = [
  define(
    'hip_extension_chest_through',
    'chest_through',
    [['chest_through', [...HIPS, 'neck', 'lead_knee', 'trail_knee']]],
    (at) => {
      const s = 'chest_through';
      const centre = pelvis(at, s);
      const flat = (v: Vec3): Vec3 => [0, v[1], v[2]];
      const thigh = sub(midpoint(at(s, 'lead_knee'), at(s, 'trail_knee')), centre);
      return angleDeg(flat(sub(at(s, 'neck'), centre)), flat(thigh));
    },
  ),
  define(
    'incline_loss_chest_through',
    'chest_through',
    both('delivery', 'chest_through', [...HIPS, 'neck']),
    (at) => inclination(at, 'delivery') - inclination(at, 'chest_through'),
  ),
  define(
    'trail_hip_behind_finish',
    'finish',
    [['finish', HIPS]],
    (at) => at('finish', 'lead_hip')[0] - at('finish', 'trail_hip')[0],
  ),
  define('knee_gap_finish', 'finish', [['finish', ['lead_knee', 'trail_knee']]], (at) =>
    distance(at('finish', 'lead_knee'), at('finish', 'trail_knee')),
  ),
  define('trail_heel_up_finish', 'finish', since('finish', ['trail_heel']), (at) =>
    moved(at, 'trail_heel', 'address', 'finish', 2),
  ),
];

/** Every measure that single poses allow; peak, bearings and time measures have files of their own. */
export const POSE_MEASURES: readonly MeasureDefinition[] = [
  ...ADDRESS,
  ...TOP,
  ...DOWN,
  ...IMPACT,
  ...THROUGH,
];

/** Stations among which the furthest place away from the target is looked for. */
export const BACK_PEAK_STATIONS = ['shaft_back', 'arm_back', 'top'] as const;

export function shiftBackPeak(peak: Station): MeasureDefinition {
  return define('shift_back_peak', peak, since(peak, HIPS), (at) => shift(at, peak));
}

/** Clock hour of a ground displacement: 12 toward the ball, 3 away, 6 behind, 9 the target. */
export function clockHour(dx: number, dy: number): number {
  const hour = (toDeg(Math.atan2(-dx, dy)) / 360) * 12;
  return (hour + 12) % 12;
}

export interface BearingDefinition {
  readonly id: 'bearing_back' | 'bearing_forward';
  readonly from: Station;
  readonly to: Station | 'back_peak';
  readonly station: Station;
}

export const BEARINGS: readonly BearingDefinition[] = [
  { id: 'bearing_back', from: 'address', to: 'back_peak', station: 'top' },
  { id: 'bearing_forward', from: 'top', to: 'impact', station: 'impact' },
];

/** Need a motion track, not single poses. */
export const TRACK_MEASURES = ['transition_lead_ms', 'turn_rate_hold'] as const;
