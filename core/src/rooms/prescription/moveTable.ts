import type { Posture, PostureId } from '../measures/index.ts';
import type { AnyDrillId, DrillId } from './drillTable.ts';
import type { HandsId } from './moveHands.ts';
import type { PropId } from './moveProps.ts';

/** One stop of a drill's move: a posture of the house, and what this drill has otherwise. */
export interface MoveStop {
  readonly at: PostureId;
  readonly hands: HandsId;
  readonly otherwise: Partial<Posture>;
}

/** What a drill looks like: from the first stop to the last. */
export interface DrillMove {
  /** The side from which it is told best; from above it is always shown as well. */
  readonly tells: 'front' | 'side';
  readonly stops: readonly MoveStop[];
  readonly props: readonly PropId[];
  /** For each checkpoint, what to look at: a landmark, or a point of what the student holds. */
  readonly looks: readonly string[];
}

type Change = Partial<Posture> & { readonly hands?: HandsId };
type Row = readonly [
  view: 'front' | 'side',
  hands: HandsId,
  way: string,
  looks: string,
  extras?: {
    readonly both?: Change;
    readonly start?: Change;
    readonly end?: Change;
    readonly props?: string;
  },
];

const TOGETHER = { leadFootIn: [-4.5, 0, 0], trailFootIn: [4.5, 0, 0] } as const;
const HALF_TURNED = { shouldersDeg: -55 } as const;

// biome-ignore format: a row a drill, so that the table can be read
const ROWS: Readonly<Record<DrillId, Row>> = {
  stance_ruler: ['front', 'hang', 'standing address', 'lead_ankle trail_ankle', { start: TOGETHER, props: 'ankle_sticks' }],
  level_bump: ['front', 'bar', 'address address', 'bar_lead lead_knee pelvis', { start: { shiftIn: -0.6 }, end: { shiftIn: 0.5 }, props: 'belt_bar' }],
  tall_hinge: ['side', 'hang', 'standing address', 'stick_top lead_knee', { props: 'spine_stick' }],
  knee_swap: ['front', 'hips', 'address top', 'trail_hip trail_hip lead_knee', { start: { turnDeg: 14, tiltDeg: 3, shouldersDeg: 8 }, end: { shouldersDeg: -30 } }],
  knee_gate: ['front', 'club', 'address top', 'lead_knee pelvis neck', { props: 'gate_basket' }],
  knee_to_far_ball: ['front', 'club', 'address top', 'lead_heel lead_knee', { end: { leadKneeDeg: 14 } }],
  palms_coil: ['front', 'palms', 'address top', 'trail_hand lead_knee', { end: { ...HALF_TURNED, hands: 'palms_apart' } }],
  kiss_the_post: ['front', 'crossed', 'address top', 'trail_hip trail_hip pelvis'],
  pocket_to_fence: ['side', 'crossed', 'address top', 'pocket trail_hip', { props: 'pocket_phone' }],
  round_the_corner: ['side', 'crossed', 'address top', 'trail_hip trail_hip'],
  point_at_marker: ['front', 'crossed', 'address top', 'head stick_lead trail_knee', { props: 'shoulder_club' }],
  ramp_load: ['front', 'crossed', 'address top', 'trail_ankle pelvis trail_knee', { end: { riseIn: -0.8, tiltDeg: -4 }, props: 'trail_wedge' }],
  cross_step_coil: ['front', 'crossed', 'address top', 'seat trail_hip', { both: { trailFootIn: [3, 5, 0], trailFlareDeg: -25 }, end: { riseIn: -0.8, tiltDeg: -4, turnDeg: -38 } }],
  belly_down: ['side', 'belly', 'address top', 'belly trail_knee', { end: HALF_TURNED }],
  rod_knee_draw: ['side', 'club', 'address top', 'trail_knee trail_hip'],
  step_out_turn: ['front', 'crossed', 'address top', 'head seat pelvis', { start: { trailFootIn: [9, 0, 0], shiftIn: 4 }, props: 'shoulder_club' }],
  half_clock: ['side', 'crossed', 'address top impact', 'trail_hip lead_hip seat', { end: { shouldersDeg: 30 } }],
  hip_metronome: ['front', 'hips', 'address delivery', 'lead_hip lead_hip', { both: { leadFlareDeg: 20 }, start: { shiftIn: -2.5 }, end: { shouldersDeg: 0, leanDeg: 6 } }],
  reach_the_rod: ['front', 'club', 'address top arm_down', 'lead_hip pelvis'],
  delivery_freeze: ['front', 'club', 'top delivery', 'lead_knee sternum pelvis', { props: 'leg_lines' }],
  fist_from_wall: ['front', 'crossed', 'top delivery impact', 'lead_hip lead_hip trail_hip'],
  keep_the_post: ['front', 'crossed', 'top delivery impact', 'lead_hip lead_hip'],
  two_cheek_chair: ['side', 'crossed', 'top arm_down impact', 'trail_hip seat lead_hip'],
  tail_down_around: ['front', 'crossed', 'top arm_down impact', 'stick_end stick_end seat', { props: 'loop_stick' }],
  knee_roll: ['front', 'club', 'top delivery', 'lead_knee lead_knee trail_knee'],
  post_and_turn: ['front', 'crossed', 'address impact', 'lead_knee pelvis lead_knee', { start: { shiftIn: 3.4, riseIn: 0.4 }, props: 'trail_wedge' }],
  legs_as_brakes: ['front', 'bucket', 'address impact', 'lead_knee pelvis', { start: { shiftIn: -1.5, turnDeg: -20, shouldersDeg: -40, hands: 'bucket_back' }, end: { shouldersDeg: 30, hands: 'bucket_across' }, props: 'bucket' }],
  step_and_counter: ['front', 'club', 'arm_back arm_down', 'lead_heel lead_heel lead_heel', { start: { leadFootIn: [-8, 0, 3], shiftIn: -2.6 } }],
  toe_box: ['side', 'crossed', 'top delivery impact', 'trail_knee trail_hip seat'],
  drop_back_stance: ['side', 'club', 'delivery impact', 'trail_heel lead_knee trail_ankle', { both: { trailFootIn: [0, -4, 0] }, end: { trailHeelUpIn: 0.8 } }],
  crossbar_drive: ['front', 'bar', 'top impact finish', 'bar_lead trail_knee trail_toe', { start: { turnDeg: -28, shouldersDeg: -35 }, end: { shouldersDeg: 88 }, props: 'hip_club' }],
  beat_the_ball: ['front', 'club', 'top delivery impact', 'trail_hip trail_hip'],
  open_close_shuffle: ['front', 'club', 'address address', 'lead_toe pelvis', { start: { turnDeg: -8 }, end: { turnDeg: 14, leadFootIn: [0.8, -0.8, 0] } }],
  heel_load_push: ['side', 'hips', 'address impact', 'lead_heel lead_knee', { start: { leadFootIn: [0, 4, 0], leadHeelUpIn: 3, riseIn: -1 }, end: { leadFootIn: [0, -1, 0], shouldersDeg: 25 } }],
  tuck_and_hold: ['side', 'club', 'impact chest_through', 'pelvis head'],
  pull_the_rod: ['side', 'rod', 'address chest_through', 'pelvis trail_hip', { start: { riseIn: -1.4, inclineDeg: 40, hands: 'rod_low' }, end: { shouldersDeg: 40 }, props: 'held_rod' }],
  half_start_hit: ['front', 'club', 'arm_back impact chest_through', 'club pelvis'],
  band_the_corner: ['front', 'crossed', 'impact chest_through finish', 'pelvis trail_hip', { props: 'hip_band' }],
  line_brush: ['front', 'club', 'delivery impact', 'club club'],
  impact_press: ['front', 'club', 'delivery impact', 'club pelvis'],
  shoe_count: ['front', 'hang', 'standing address', 'lead_heel trail_heel', { start: TOGETHER }],
  unlock_knees: ['side', 'hang', 'standing address', 'lead_knee trail_knee'],
  plumb_buttons: ['front', 'hang', 'standing address', 'sternum pelvis'],
  shadow_head: ['front', 'crossed', 'address top', 'head head'],
  early_heel: ['front', 'club', 'top arm_down', 'lead_heel lead_heel', { start: { leadHeelUpIn: 2.5 } }],
  low_pocket: ['front', 'crossed', 'top arm_down', 'pocket lead_hip', { props: 'lead_pocket_phone' }],
  knee_doorbell: ['front', 'crossed', 'top delivery', 'lead_knee lead_knee'],
  heel_late: ['side', 'crossed', 'delivery impact', 'trail_heel trail_knee', { end: { trailHeelUpIn: 0.6 } }],
  buckle_past_foot: ['front', 'hips', 'top delivery impact', 'belly pelvis', { start: HALF_TURNED }],
  buttons_down: ['side', 'club', 'impact chest_through', 'sternum neck'],
  tall_by_the_wall: ['side', 'crossed', 'impact chest_through', 'pelvis pelvis', { end: { inclineDeg: 14 } }],
  step_and_brake: ['front', 'crossed', 'top delivery', 'lead_hip pelvis', { start: { leadFootIn: [-6, 0, 3], shiftIn: -2 } }],
  inner_edge_coin: ['front', 'crossed', 'address top', 'coin pelvis', { props: 'coin' }],
  two_hands_stack: ['front', 'stacked', 'top delivery', 'sternum pelvis', { start: HALF_TURNED }],
  laces_to_target: ['front', 'crossed', 'impact chest_through finish', 'trail_toe trail_knee'],
  toe_tap_finish: ['front', 'club', 'impact chest_through finish', 'trail_toe trail_hip'],
};

function readRow([tells, hands, way, looks, { both, start, end, props } = {}]: Row): DrillMove {
  const path = way.split(' ') as PostureId[];
  const stops = path.map((at, i): MoveStop => {
    const { hands: held, ...otherwise } = {
      ...both,
      ...(i === 0 ? start : {}),
      ...(i === path.length - 1 ? end : {}),
    };
    return { at, hands: held ?? hands, otherwise };
  });
  return {
    tells,
    stops,
    props: (props?.split(' ') ?? []) as PropId[],
    looks: looks.split(' '),
  };
}

const MOVES: ReadonlyMap<string, DrillMove> = new Map(
  Object.entries(ROWS).map(([id, row]) => [id, readRow(row)]),
);

/** The move of a built-in drill; of one that the coach wrote there is none of its own. */
export const moveOf = (drill: AnyDrillId | string): DrillMove | undefined => MOVES.get(drill);
