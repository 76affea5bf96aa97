import type { SchoolChoice } from './schools.ts';

/** Edges in the measure's unit; an absent edge is open. */
export interface BandRow {
  readonly id: MeasureId;
  readonly unit: 'in' | 'deg' | 'ratio' | 'thighs' | 'clock' | 'ms';
  readonly lo?: number;
  readonly hi?: number;
  /** One grade of severity beyond an edge. */
  readonly step: number;
}

type Row = readonly [id: string, unit: BandRow['unit'], lo: number | null, hi: number | null, step: number];

// House bands for a mid-iron and a 70 in player. Teaching conventions, not science.
const ROWS = [
  ['base_ratio', 'ratio', 1.0, 1.2, 0.12],
  ['pelvis_offset_address', 'in', -0.3, 0.8, 0.6],
  ['turn_address', 'deg', -5, 5, 5],
  ['trunk_lean_address', 'deg', 1, 8, 4],
  ['knee_flex_address', 'deg', 12, 30, 8],
  ['lead_foot_flare', 'deg', 10, 30, 10],
  ['trail_foot_flare', 'deg', 0, 15, 8],
  ['shift_back_peak', 'in', -1.7, -0.4, 0.8],
  ['shift_top', 'in', -0.7, 0.8, 0.8],
  ['trail_hip_past_line', 'in', null, 0.3, 0.8],
  ['turn_top', 'deg', 35, 55, 9],
  ['tilt_top', 'deg', 4, 13, 4],
  ['trail_hip_depth_top', 'in', 1.8, 5, 0.8],
  ['seat_drift_top', 'in', null, 0.5, 0.7],
  ['lead_knee_in_top', 'in', null, 2.5, 1.2],
  ['lead_knee_out_top', 'in', 1.5, 6, 1.2],
  ['lead_knee_flex_change_top', 'deg', 5, 25, 8],
  ['trail_knee_flex_change_top', 'deg', -20, -5, 7],
  ['trunk_lean_top', 'deg', 0, 9, 3],
  ['head_shift_top', 'in', -2, 0.7, 0.9],
  ['transition_lead_ms', 'ms', 20, 140, 50],
  ['shift_delivery', 'in', 3, 4.5, 0.9],
  ['cover_delivery', 'in', -1.5, 1, 1],
  ['lead_thigh_past_line', 'thighs', 0.3, 0.7, 0.25],
  ['seat_loss_arm_down', 'in', null, 0.4, 0.6],
  ['seat_loss_delivery', 'in', null, 0.5, 0.6],
  ['seat_loss_impact', 'in', null, 0.8, 0.7],
  ['turn_arm_down', 'deg', -20, 10, 9],
  ['drop_arm_down', 'in', -2, -0.2, 0.6],
  ['lead_low_arm_down', 'deg', 2, 12, 4],
  ['lead_knee_roll_delivery', 'in', 0.3, 2.5, 0.8],
  ['trail_knee_kick_delivery', 'in', null, 2, 1],
  ['bearing_back', 'clock', 3, 4.25, 0.5],
  ['bearing_forward', 'clock', 7.5, 9, 0.5],
  ['turn_impact', 'deg', 25, 48, 9],
  ['shift_impact', 'in', 3.8, 5.8, 0.9],
  ['back_up_impact', 'in', null, 0.2, 0.5],
  ['lead_hip_past_ankle_impact', 'in', null, 0.8, 0.8],
  ['lead_knee_past_ankle_impact', 'in', null, 1.2, 0.8],
  ['lead_knee_flex_impact', 'deg', 3, 20, 7],
  ['trail_heel_up_impact', 'in', 0, 2.2, 0.9],
  ['turn_rate_hold', 'ratio', 0.55, null, 0.15],
  ['trail_hip_behind_finish', 'in', -2.5, 1.8, 1.5],
  ['knee_gap_finish', 'in', null, 6.5, 1.5],
  ['trail_heel_up_finish', 'in', 4, null, 1.2],
  ['hip_extension_chest_through', 'deg', 160, null, 9],
  ['incline_loss_chest_through', 'deg', null, 16, 6],
  ['tilt_address', 'deg', -1, 5, 3],
  ['sternum_shift_delivery', 'in', 2.7, 4.2, 0.9],
  ['knee_line_delivery', 'deg', 5, 35, 9],
  ['trail_knee_flex_delivery', 'deg', 4, 30, 8],
  ['tilt_impact', 'deg', 4, 16, 4],
  ['shoulder_tilt_impact', 'deg', 16, 42, 8],
] as const satisfies readonly Row[];

export type MeasureId = (typeof ROWS)[number][0];

export const BAND_ROWS: readonly BandRow[] = ROWS.map(([id, unit, lo, hi, step]) => ({
  id,
  unit,
  ...(lo === null ? {} : { lo }),
  ...(hi === null ? {} : { hi }),
  step,
}));

/** Stance grows with the club. */
export const BASE_RATIO_BY_CLUB = {
  wedge: [0.85, 1.0],
  short_iron: [0.95, 1.1],
  mid_iron: [1.0, 1.2],
  long_iron: [1.05, 1.25],
  wood: [1.1, 1.35],
  driver: [1.2, 1.5],
} as const;
export const BASE_RATIO_TALL = { aboveIn: 74, add: 0.05 } as const;

/** A longer swing travels a little further away from the target. */
export const SHIFT_BACK_LOW_BY_CLUB = {
  wedge: -1.0,
  short_iron: -1.4,
  mid_iron: -1.7,
  long_iron: -1.9,
  wood: -2.2,
  driver: -2.6,
} as const;

/** Added to both edges of the school's turn for a stiff or a supple body. */
export const TURN_TOP_BY_FLEXIBILITY = {
  stiff: [-7, -10],
  usual: [0, 0],
  supple: [5, 7],
} as const;
/** A trail leg that keeps its bend holds the turn back, whatever amount the school wants. */
export const TURN_TOP_BRACED = [-5, -10] as const;

/** Added to the edges for a round or an upright arm swing. */
export const ARM_SWING_SHIFTS = {
  round: { turnTop: 4, shiftDeliveryHi: 0 },
  usual: { turnTop: 0, shiftDeliveryHi: 0 },
  upright: { turnTop: -5, shiftDeliveryHi: 0.5 },
} as const;

/** Bands a school choice replaces: [lo, hi], null = open. */
export const SCHOOL_BANDS: Partial<
  Record<SchoolChoice, Readonly<Record<string, readonly [number | null, number | null]>>>
> = {
  'trail_leg.brace': { trail_knee_flex_change_top: [-6, 6] },
  'centre.slide': {
    shift_delivery: [4, 6],
    shift_impact: [5, 7],
    lead_hip_past_ankle_impact: [null, 2.2],
    lead_thigh_past_line: [0.5, 1.1],
    sternum_shift_delivery: [3.7, 5.7],
  },
  'centre.columns': {
    shift_delivery: [2, 3.5],
    shift_impact: [2.8, 4.6],
    lead_hip_past_ankle_impact: [null, 0.3],
    lead_thigh_past_line: [0.1, 0.5],
    sternum_shift_delivery: [1.7, 3.2],
  },
  'turn_thought.trail_through': { turn_arm_down: [-12, 14] },
  'turn_thought.lead_around': { turn_arm_down: [-16, 12] },
  'turn_thought.depth': { turn_arm_down: [-25, 6] },
  'turn_thought.tilt': { turn_arm_down: [-20, 10] },
  'forward_bearing.ten': { bearing_forward: [9, 10.25] },
  'setup_bias.preset': { pelvis_offset_address: [0.6, 2], trunk_lean_address: [3, 11] },
  'setup_bias.pressed': { pelvis_offset_address: [0, 1.2] },
  'trail_foot.up': { trail_heel_up_impact: [1, 3.5] },
  'trail_foot.long': { trail_heel_up_impact: [0, 1.2], knee_gap_finish: [null, 9] },
  'head.still': { head_shift_top: [-0.8, 0.7] },
  'lead_knee.follow': { lead_knee_in_top: [null, 3.5], lead_knee_out_top: [0.8, 6] },
  'turn_amount.free': { turn_top: [40, 62] },
  'turn_amount.enough': { turn_top: [35, 55] },
  'turn_amount.least': { turn_top: [25, 42] },
  'lead_leg.early': { lead_low_arm_down: [0, 9] },
  'lead_leg.from_level': { lead_low_arm_down: [3, 12] },
  'lead_leg.roll': { lead_low_arm_down: [2, 12] },
  'through.tuck': { hip_extension_chest_through: [165, null], seat_loss_impact: [null, 1.4] },
  'through.stay': { hip_extension_chest_through: [152, null], seat_loss_impact: [null, 0.8] },
};
/** The least-travel school also narrows how far the pelvis may go back, for every club. */
export const COLUMNS_SHIFT_BACK_LOW = -1.0;
