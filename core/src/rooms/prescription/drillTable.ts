import type { Phase } from '../diagnosis/index.ts';
import type { Aid, CueKind, CueSide, Place, SchoolChoice } from '../intake/index.ts';
import type { SetupDistance } from './distance.ts';
import { type DrillLayer, LAYER_ROWS, readLayers } from './drillLayers.ts';
import { quarrelsWith } from './quarrels.ts';

/** B back, H hip, K knee, A ankle, T turning balance; 1 light, 2 marked. */
export type LoadClass = 'B' | 'H' | 'K' | 'A' | 'T';
type BallUse = 'no' | 'either' | 'no_then_yes' | 'yes';

export interface Drill {
  readonly id: AnyDrillId;
  readonly phase: Phase;
  readonly fixes: readonly { readonly fault: string; readonly strength: 1 | 2 | 3 }[];
  /** All groups are needed; within a group any one will do. */
  readonly aids: readonly (readonly Aid[])[];
  readonly places: readonly Place[];
  readonly ball: BallUse;
  readonly loads: Partial<Record<LoadClass, 1 | 2>>;
  readonly cue: { readonly kind: Exclude<CueKind, 'any'> | 'both'; readonly side: 'lead' | 'trail' | 'both' };
  /** The fault that too much of this drill makes. */
  readonly overdo: string | null;
  readonly moves: readonly string[];
  /** Belongs to any one of these school choices; empty = to all. */
  readonly schools: readonly SchoolChoice[];
  readonly clashes: readonly SchoolChoice[];
  /** Wants a square face and deep arms first, whatever else it trains. */
  readonly needsFaceAndArms: boolean;
  readonly notWith: readonly string[];
  /** The drill that stands beside it so that it is not overdone. */
  readonly guard: string | null;
  /** School choices whose own thought it is; the others merely allow it. */
  readonly thoughts: readonly SchoolChoice[];
  readonly setup: readonly SetupDistance[];
  /** Checkpoints in order, each on top of the ones before. */
  readonly layers: readonly DrillLayer[];
  /** Part of the three-drill cycle, ten balls each, in this order; null = stands alone. */
  readonly cyclePart: 1 | 2 | 3 | null;
  /** Comes only after this drill was in use. */
  readonly after: string | null;
  /** How it is practised: what of the ladder it takes part in. */
  readonly habits: DrillHabits;
  /** Designed here to close a gap in the list. */
  readonly ours: boolean;
}

/** What a drill is limits its ladder. */
export interface DrillHabits {
  /** The highest rung that is hit with the drill on; above it the ball is hit without. null = no limit. */
  readonly topOn: 'half' | 'three_quarter' | null;
  /** The movement is stopped and held; half and three-quarter swings keep the stop. */
  readonly stops: boolean;
  /** Made for warming up: it is offered as the warm-up. */
  readonly warmsUp: boolean;
  /** A small trigger or thought of it goes along to the course; without one its ladder ends at the clubs. */
  readonly courseForm: boolean;
}

/** Of a drill that says nothing of itself. */
export const USUAL_HABITS: DrillHabits = { topOn: null, stops: false, warmsUp: false, courseForm: false };

const HABITS: Readonly<Record<string, Partial<DrillHabits>>> = {
  two_cheek_chair: { topOn: 'half' },
  tail_down_around: { topOn: 'three_quarter' },
  delivery_freeze: { stops: true },
  tuck_and_hold: { stops: true },
  pull_the_rod: { warmsUp: true },
};
/** Drills of which one small trigger or thought can be taken to the course. */
const WITH_COURSE_FORM: readonly string[] = [
  'level_bump',
  'knee_swap',
  'knee_to_far_ball',
  'pocket_to_fence',
  'round_the_corner',
  'belly_down',
  'half_clock',
  'hip_metronome',
  'reach_the_rod',
  'two_cheek_chair',
  'tail_down_around',
  'knee_roll',
  'post_and_turn',
  'step_and_counter',
  'crossbar_drive',
  'beat_the_ball',
  'open_close_shuffle',
  'unlock_knees',
  'early_heel',
  'low_pocket',
  'heel_late',
  'buckle_past_foot',
  'laces_to_target',
  'step_and_brake',
];

type Row<Id extends string = string> = readonly [
  id: Id,
  phase: Phase,
  fixes: string,
  aids: string,
  placesAndBall: string,
  loads: string,
  cue: string,
  overdo: string,
  moves: string,
  extras?: {
    schools?: readonly SchoolChoice[];
    clashes?: readonly SchoolChoice[];
    guard?: string;
    thoughts?: readonly SchoolChoice[];
    setup?: readonly SetupDistance[];
    cycle?: 1 | 2 | 3;
    after?: string;
    ours?: true;
  },
];

const scaled = (id: string, valueIn: number): SetupDistance => ({ id, valueIn, scales: true });
const fixed = (id: string, valueIn: number): SetupDistance => ({ id, valueIn, scales: false });

// fixes "fault strength"; aids: comma = and, slash = or; places h r n c, then ball use; cue "kind side".
// biome-ignore format: a row a drill, so that the table can be read
const ROWS = [
  ['stance_ruler', 'setup', 'base_narrow 3, base_wide 3, hips_off_centre 2', 'stick', 'hr no', '', 'external both', '', 'base_ratio'],
  ['level_bump', 'setup', 'false_bump 3, hips_off_centre 3', 'bar', 'hrc either', '', 'inner lead', 'hips_off_centre', 'pelvis_offset_address trunk_lean_address', { schools: ['setup_bias.preset'], setup: [fixed('bump', 1)], thoughts: ['setup_bias.preset'] }],
  ['tall_hinge', 'setup', 'setup_squat 3', 'stick', 'hr no', 'B1', 'external both', '', 'knee_flex_address'],
  ['knee_swap', 'back', 'lead_knee_collapse 3, over_turn 3, sway 2', '', 'hr no_then_yes', 'K1', 'inner both', 'frozen_hips', 'lead_knee_in_top turn_top', { thoughts: ['lead_knee.out'], setup: [scaled('stick_beside_hip', 2)] }],
  ['knee_gate', 'back', 'lead_knee_collapse 3, reverse_pivot 3', 'basket', 'rnh yes', '', 'external lead', 'frozen_hips', 'lead_knee_in_top trunk_lean_top', { setup: [fixed('grip_inside_knee', 1)], thoughts: ['lead_knee.out'] }],
  ['knee_to_far_ball', 'back', 'lead_knee_collapse 2, lost_brace 2, head_drift 1', '', 'r yes', '', 'external lead', 'frozen_hips', 'lead_knee_out_top', { setup: [scaled('far_ball', 12)], thoughts: ['lead_knee.out'] }],
  ['palms_coil', 'back', 'lead_knee_collapse 2, over_turn 2, flat_turn 2', '', 'h no', '', 'inner both', '', 'tilt_top lead_knee_in_top', { clashes: ['trail_leg.brace'], thoughts: ['trail_leg.release'] }],
  ['kiss_the_post', 'back', 'no_load 3, sway 3, reverse_pivot 3', 'stick', 'hr no_then_yes', '', 'external trail', 'sway', 'shift_back_peak shift_top', { setup: [scaled('post_gap', 0.6)] }],
  ['pocket_to_fence', 'back', 'frozen_hips 3, hip_hike 2, toward_ball_back 2', 'phone/box', 'hr either', 'H1', 'external trail', 'over_turn', 'turn_top trail_hip_depth_top', { clashes: ['trail_leg.brace'], thoughts: ['trail_leg.release'] }],
  ['round_the_corner', 'back', 'hip_hike 3, frozen_hips 2, toward_ball_back 3', 'wall', 'h no', 'H1', 'external trail', 'over_turn', 'trail_hip_depth_top tilt_top', { setup: [fixed('wall_gap', 2)], thoughts: ['trail_leg.release'] }],
  ['point_at_marker', 'back', 'head_drift 3, sway 2', '', 'hr no', 'B1', 'external trail', 'reverse_pivot', 'head_shift_top shift_top', { schools: ['head.still'], setup: [scaled('marker_ahead', 48)], guard: 'kiss_the_post', thoughts: ['head.still'] }],
  ['ramp_load', 'back', 'lost_brace 3, sway 2, late_start 1', 'wedge', 'rh either', 'K1 H1', 'inner trail', 'frozen_hips', 'trail_knee_flex_change_top', { schools: ['trail_leg.brace'], clashes: ['trail_leg.release'], thoughts: ['trail_leg.brace'] }],
  ['cross_step_coil', 'back', 'lost_brace 2, frozen_hips 1', '', 'h no', 'K2 H2', 'inner trail', '', 'trail_knee_flex_change_top', { schools: ['trail_leg.brace'], thoughts: ['trail_leg.brace'] }],
  ['belly_down', 'back', 'flat_turn 3, toward_ball_back 2', '', 'hr no', 'B1', 'inner trail', 'reverse_pivot', 'tilt_top seat_drift_top'],
  ['rod_knee_draw', 'back', 'frozen_hips 2, toward_ball_back 3, hip_hike 2', 'stick', 'hr either', 'K1', 'external trail', 'over_turn', 'trail_hip_depth_top', { cycle: 1, thoughts: ['trail_leg.release'], setup: [scaled('rod_before_knee', 4)] }],
  ['step_out_turn', 'back', 'sway 3, no_load 1, frozen_hips 2', '', 'hr no_then_yes', 'A1 T1', 'inner both', 'over_turn', 'shift_top turn_top', { setup: [fixed('ball_inside_heel', 1)] }],
  ['half_clock', 'back', 'flat_turn 2, depth_loss 2, over_turn 1', 'stick', 'hr either', '', 'external both', 'over_turn', 'bearing_back bearing_forward', { schools: ['forward_bearing.eight'], clashes: ['forward_bearing.ten'], setup: [fixed('clock_sticks', 24), fixed('chair_gap', 0)] }],
  ['hip_metronome', 'down', 'spin_out 3, frozen_hips 1, hang_back 2', '', 'hr no_then_yes', '', 'inner lead', 'over_slide', 'shift_delivery', { schools: ['centre.recentre', 'centre.slide'], clashes: ['centre.columns'], setup: [] }],
  ['reach_the_rod', 'down', 'spin_out 3, hang_back 3, late_start 3', 'stick', 'r either', '', 'external lead', 'over_slide', 'shift_delivery transition_lead_ms', { clashes: ['centre.columns'], setup: [scaled('rod_outside_hip', 5)], cycle: 2, thoughts: ['centre.slide', 'centre.recentre'] }],
  ['delivery_freeze', 'down', 'over_slide 3, hang_back 3, upper_dive 2, spin_out 1', 'phone', 'rh no_then_yes', '', 'external both', '', 'shift_delivery cover_delivery lead_thigh_past_line'],
  ['fist_from_wall', 'down', 'over_slide 3, no_post 1', 'wall/stick', 'rh no', '', 'external lead', 'wipe', 'lead_hip_past_ankle_impact shift_impact', { setup: [scaled('wall_outside_thigh', 4)], thoughts: ['centre.columns'] }],
  ['keep_the_post', 'down', 'wipe 3, hang_back 1', 'stick/wall', 'rh no', '', 'external lead', 'over_slide', 'back_up_impact shift_impact', { setup: [scaled('post_outside_thigh', 4)] }],
  ['two_cheek_chair', 'down', 'depth_loss 3, trail_knee_kick 2, stall 1', 'chair', 'rh no_then_yes', 'H1', 'external lead', 'hang_back', 'seat_loss_delivery turn_impact', { clashes: ['forward_bearing.ten'], setup: [fixed('chair_gap', 0)], thoughts: ['turn_thought.depth', 'through.stay'] }],
  ['tail_down_around', 'down', 'lead_hip_pop 3, stall 3', 'stick', 'rh no_then_yes', 'H1', 'external lead', 'depth_loss', 'lead_low_arm_down turn_rate_hold', { thoughts: ['turn_thought.tilt', 'lead_leg.from_level'], guard: 'two_cheek_chair' }],
  ['knee_roll', 'down', 'knee_shut 3, stall 2', '', 'hr no_then_yes', 'K2', 'inner lead', 'over_slide', 'lead_knee_roll_delivery turn_impact', { thoughts: ['lead_leg.roll'] }],
  ['post_and_turn', 'down', 'no_post 3, over_slide 1, spin_out 1', 'wedge', 'hr no_then_yes', 'K2', 'inner lead', 'wipe', 'lead_knee_flex_impact', { thoughts: ['lead_leg.early'] }],
  ['legs_as_brakes', 'down', 'over_slide 2, sway 2, no_post 3, hang_back 1', 'bucket', 'rh no', 'B2 A1', 'inner both', '', 'lead_knee_flex_impact shift_impact', { thoughts: ['centre.columns'] }],
  ['step_and_counter', 'down', 'late_start 3, hang_back 2, over_slide 1, no_post 2', '', 'r no_then_yes', 'A1 T1', 'inner both', '', 'transition_lead_ms shift_delivery'],
  ['toe_box', 'down', 'depth_loss 2, trail_knee_kick 3', 'box', 'rh no_then_yes', '', 'external trail', '', 'trail_knee_kick_delivery seat_loss_impact', { setup: [fixed('box_past_toes', 1)] }],
  ['drop_back_stance', 'down', 'trail_knee_kick 3, depth_loss 2, stands_up 1', '', 'r yes', 'K1', 'inner trail', 'trail_side_stays', 'trail_knee_kick_delivery trail_heel_up_impact', { schools: ['trail_foot.long'], clashes: ['trail_foot.up'], setup: [scaled('foot_back', 4)], thoughts: ['trail_foot.long'] }],
  ['crossbar_drive', 'through', 'trail_side_stays 3, stall 3, hang_back 1', '', 'hr no_then_yes', '', 'inner trail', 'depth_loss', 'trail_hip_behind_finish turn_impact', { schools: ['turn_thought.trail_through', 'turn_thought.lead_around'], clashes: ['turn_thought.depth'], guard: 'toe_box', thoughts: ['turn_thought.trail_through', 'turn_thought.lead_around'] }],
  ['beat_the_ball', 'down', 'stall 3, hang_back 1', '', 'rn yes', '', 'external trail', 'depth_loss', 'turn_impact', { clashes: ['turn_thought.depth', 'turn_thought.tilt'], setup: [scaled('marker_ahead_of_foot', 12)], thoughts: ['turn_thought.trail_through'] }],
  ['open_close_shuffle', 'setup', 'stall 2, late_start 2, frozen_hips 1', '', 'r yes', 'T1', 'inner both', 'false_bump', 'turn_impact', { thoughts: ['setup_bias.opened'] }],
  ['heel_load_push', 'down', 'stall 2, no_post 2', '', 'hr no', 'K2 A2', 'inner lead', 'lead_hip_pop', 'turn_rate_hold lead_knee_flex_impact', { thoughts: ['lead_leg.early'] }],
  ['tuck_and_hold', 'through', 'no_extension 3, stands_up 3, upper_dive 2', '', 'rh yes', 'B2', 'inner both', 'stands_up', 'hip_extension_chest_through incline_loss_chest_through', { schools: ['centre.slide'], thoughts: ['through.tuck'] }],
  ['pull_the_rod', 'through', 'no_extension 3, no_post 2', 'stick', 'rh no', 'B2', 'external both', 'stands_up', 'hip_extension_chest_through', { cycle: 3 }],
  ['half_start_hit', 'through', 'no_extension 2, stall 1', '', 'r yes', 'B1', 'inner both', '', 'hip_extension_chest_through', { after: 'pull_the_rod' }],
  ['band_the_corner', 'through', 'trail_side_stays 2, stall 1', 'band', 'hr no', 'B1 H1', 'external trail', '', 'turn_impact trail_hip_behind_finish', { thoughts: ['turn_thought.trail_through'] }],
  ['line_brush', 'through', 'hang_back 1, sway 1', '', 'rh no', '', 'external both', '', 'ball.low_point_behind', { setup: [fixed('brush_ahead', 1)] }],
  ['impact_press', 'through', 'hip_hike 1, spin_out 1', 'bag', 'hr no', 'B1', 'external both', '', '', { setup: [fixed('bag_before_foot', 2)] }],
  // Designed here, where the list had a gap: school-free, for a student at home with next to nothing.
  ['shoe_count', 'setup', 'base_narrow 2, base_wide 2', '', 'hrnc no', '', 'inner both', '', 'base_ratio', { ours: true }],
  ['unlock_knees', 'setup', 'setup_squat 2', '', 'hrc no', '', 'inner both', '', 'knee_flex_address', { ours: true }],
  ['plumb_buttons', 'setup', 'false_bump 2, hips_off_centre 2', 'phone', 'hr no', '', 'external both', '', 'trunk_lean_address pelvis_offset_address', { ours: true }],
  ['shadow_head', 'back', 'head_drift 2', '', 'hr no_then_yes', '', 'external both', 'reverse_pivot', 'head_shift_top', { ours: true }],
  ['early_heel', 'down', 'late_start 2, hang_back 1', '', 'hr no_then_yes', 'A1', 'inner lead', 'over_slide', 'transition_lead_ms', { ours: true }],
  ['low_pocket', 'down', 'lead_hip_pop 2, stall 1', 'phone', 'hr no_then_yes', 'H1', 'external lead', 'over_slide', 'lead_low_arm_down drop_arm_down', { ours: true, thoughts: ['turn_thought.tilt', 'lead_leg.from_level'] }],
  ['knee_doorbell', 'down', 'knee_shut 2, hang_back 1', 'stick', 'hr no_then_yes', 'K1', 'external lead', 'over_slide', 'lead_knee_roll_delivery', { ours: true, setup: [scaled('stick_outside_knee', 2)] }],
  ['heel_late', 'down', 'trail_knee_kick 2, depth_loss 1', '', 'hr no', '', 'inner trail', 'trail_side_stays', 'trail_knee_kick_delivery trail_heel_up_impact', { ours: true, thoughts: ['trail_foot.long'] }],
  ['buckle_past_foot', 'down', 'wipe 2, hang_back 1', '', 'hr no', '', 'inner lead', 'over_slide', 'back_up_impact shift_impact', { ours: true, clashes: ['centre.columns'] }],
  ['buttons_down', 'through', 'stands_up 2', 'phone', 'hr no_then_yes', 'B1', 'inner both', 'no_extension', 'incline_loss_chest_through', { ours: true }],
  ['tall_by_the_wall', 'through', 'no_extension 2, stands_up 1', '', 'hr no', '', 'inner both', 'stands_up', 'hip_extension_chest_through', { ours: true }],
  ['step_and_brake', 'down', 'spin_out 3, over_slide 1', '', 'hr no_then_yes', 'A1', 'inner lead', 'hang_back', 'turn_arm_down shift_delivery', { ours: true, schools: ['centre.columns'], thoughts: ['centre.columns'] }],
  ['inner_edge_coin', 'back', 'lost_brace 2, sway 1', '', 'hr no', '', 'external trail', 'frozen_hips', 'shift_back_peak trail_foot_flare', { ours: true }],
  ['two_hands_stack', 'down', 'upper_dive 2', '', 'hr no', '', 'external both', 'hang_back', 'cover_delivery', { ours: true }],
  ['laces_to_target', 'through', 'trail_side_stays 2', '', 'hr no', '', 'inner trail', '', 'trail_hip_behind_finish knee_gap_finish', { ours: true }],
  ['toe_tap_finish', 'through', 'trail_side_stays 2', '', 'hr no_then_yes', 'T1', 'external trail', '', 'trail_heel_up_finish trail_hip_behind_finish', { ours: true, thoughts: ['trail_foot.up'] }],
] as const satisfies readonly Row[];

const PLACE_OF: Record<string, Place> = { h: 'home', r: 'range', n: 'net', c: 'course' };

function toDrill([
  id,
  phase,
  fixes,
  aids,
  where,
  loads,
  cue,
  overdo,
  moves,
  extras = {},
]: Row<DrillId>): Drill {
  const [places, ball] = where.split(' ') as [string, BallUse];
  const [kind, side] = cue.split(' ') as [Drill['cue']['kind'], Exclude<CueSide, 'any'> | 'both'];
  return {
    id,
    phase,
    fixes: fixes.split(', ').map((part) => {
      const [fault, strength] = part.split(' ') as [string, string];
      return { fault, strength: Number(strength) as 1 | 2 | 3 };
    }),
    aids: aids === '' ? [] : aids.split(',').map((group) => group.split('/') as Aid[]),
    places: [...places].map((letter) => PLACE_OF[letter] as Place),
    ball,
    loads: Object.fromEntries(
      loads
        .split(' ')
        .filter(Boolean)
        .map((l) => [l[0], Number(l[1])]),
    ),
    cue: { kind, side },
    overdo: overdo === '' ? null : overdo,
    moves: moves.split(' ').filter(Boolean),
    schools: extras.schools ?? [],
    clashes: extras.clashes ?? [],
    needsFaceAndArms: false,
    notWith: quarrelsWith(id),
    guard: extras.guard ?? null,
    thoughts: extras.thoughts ?? [],
    setup: extras.setup ?? [],
    layers: readLayers(LAYER_ROWS[id]),
    cyclePart: extras.cycle ?? null,
    after: extras.after ?? null,
    habits: { ...USUAL_HABITS, ...HABITS[id], courseForm: WITH_COURSE_FORM.includes(id) },
    ours: extras.ours ?? false,
  };
}

/** The house's drills, and those that a coach wrote. */
export type DrillId = (typeof ROWS)[number][0];
type OwnDrillId = `own_${string}`;
export type AnyDrillId = DrillId | OwnDrillId;

export const DRILLS: readonly Drill[] = ROWS.map(toDrill);
export const drillById = (id: string): Drill | undefined => DRILLS.find((drill) => drill.id === id);

const OWN_DRILL_ID = /^own_[a-z0-9_]{2,40}$/;
export const isOwnDrillId = (id: string): id is OwnDrillId => OWN_DRILL_ID.test(id);
export const isDrillId = (id: string): id is AnyDrillId => isOwnDrillId(id) || drillById(id) !== undefined;
