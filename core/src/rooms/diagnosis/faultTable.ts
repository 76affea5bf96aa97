import type { SchoolChoice } from '../intake/index.ts';
import { type FindingId, isFinding } from './findings.ts';

export const PHASES = ['setup', 'back', 'down', 'through'] as const;
export type Phase = (typeof PHASES)[number];
/** 1 hint, 2 usual, 3 nearly always. */
export type LinkStrength = 1 | 2 | 3;

interface EvidenceLink {
  readonly finding: FindingId;
  readonly strength: LinkStrength;
  /** Counts only where the school makes this choice. */
  readonly onlyFor?: SchoolChoice;
  /** Counts for nothing where the school makes this choice. */
  readonly notFor?: SchoolChoice;
}

export interface Fault {
  readonly id: FaultId;
  readonly phase: Phase;
  /** Why this look is a fault: one line a coach can agree or disagree with. */
  readonly reason: string;
  readonly evidence: readonly EvidenceLink[];
}

type Row<Id extends string = string> = readonly [id: Id, reason: string, evidence: string];

// Evidence is written "finding strength, finding strength (only for school choice), finding strength (not for it)".
const SETUP = [
  [
    'base_narrow',
    'With the feet this close there is nothing for the legs to brake against.',
    'base_ratio.low 3, lead_hip_past_ankle_impact.high 2',
  ],
  [
    'base_wide',
    'From this far apart the pelvis can neither reach the lead side nor turn freely.',
    'base_ratio.high 3',
  ],
  [
    'setup_squat',
    'Legs this bent will straighten on the way back and carry the hips up with them.',
    'knee_flex_address.high 3',
  ],
  [
    'hips_off_centre',
    'A pelvis parked to one side has to travel before it can do its work.',
    'pelvis_offset_address.low 2, pelvis_offset_address.high 2, tilt_address.low 1, tilt_address.high 1, lead_hip_past_ankle_impact.high 1',
  ],
  [
    'false_bump',
    'The lean comes from the spine or the shoulders instead of from the pelvis.',
    'obs.bump_with_spine 3, obs.trail_shoulder_dropped_at_setup 2, trunk_lean_address.high 2, turn_address.high 2 (not setup_bias.opened), turn_address.low 2 (not setup_bias.opened), obs.hips_open_in_bump 3',
  ],
] as const satisfies readonly Row[];
const BACK = [
  [
    'sway',
    'The pelvis drifts onto or past the trail foot and has not come back by the top.',
    'shift_back_peak.low 2, shift_top.low 3, trail_hip_past_line.high 3, obs.weight_on_outer_trail_foot 2, head_shift_top.low 1, trunk_lean_top.high 1, obs.pushes_aid_away 2',
  ],
  [
    'no_load',
    'The pelvis never moves into the trail side, so there is nothing to leave from.',
    'shift_back_peak.high 3, shift_top.high 2, bearing_back.high 2, obs.leaves_aid 3',
  ],
  [
    'frozen_hips',
    'The hips are held while the trunk winds, which costs turn and strains the back.',
    'turn_top.low 3, trail_hip_depth_top.low 2, trail_knee_flex_change_top.high 2, obs.low_back_ache_after_practice 1',
  ],
  [
    'over_turn',
    'The hips go well past what the trunk needs and the swing runs long.',
    'turn_top.high 3, obs.overswing 2, lead_knee_in_top.high 1',
  ],
  [
    'lead_knee_collapse',
    'The lead knee falls toward the trail knee instead of out toward the ball.',
    'lead_knee_in_top.high 3, lead_knee_out_top.low 2, lead_knee_flex_change_top.high 2, obs.trail_foot_rolls_out 1',
  ],
  [
    'reverse_pivot',
    'The spine leans to the target at the top, so the way down starts backwards.',
    'trunk_lean_top.low 3, head_shift_top.high 2, shift_back_peak.high 1, obs.falls_back_finish 2',
  ],
  [
    'hip_hike',
    'The trail hip slides and climbs instead of going round.',
    'trail_hip_depth_top.low 3, tilt_top.high 2, obs.arms_lift_steep 2',
  ],
  [
    'flat_turn',
    'The pelvis turns a lot and tilts little, like a carousel.',
    'tilt_top.low 3, turn_top.high 1, bearing_back.high 2',
  ],
  [
    'lost_brace',
    'The trail foot rolls or spins and the trail leg gives way under the turn.',
    'obs.trail_foot_rolls_out 3, trail_foot_flare.high 2, obs.weight_on_outer_trail_foot 2, trail_knee_flex_change_top.low 2 (trail_leg.brace)',
  ],
  [
    'head_drift',
    'The head travels with the turn further than this school allows.',
    'head_shift_top.low 3, head_shift_top.high 3',
  ],
  [
    'toward_ball_back',
    'The pelvis creeps toward the ball on the way back and gains no depth.',
    'seat_drift_top.high 3, trail_hip_depth_top.low 2',
  ],
] as const satisfies readonly Row[];
const DOWN = [
  [
    'late_start',
    'The lower body waits until the club has finished going back.',
    'transition_lead_ms.low 3, obs.waits_for_club 3',
  ],
  [
    'hang_back',
    'The weight is still on the trail side when it should have left.',
    'shift_delivery.low 3, shift_impact.low 3, obs.falls_back_finish 2, trail_heel_up_finish.low 1, cover_delivery.low 1, sternum_shift_delivery.low 2',
  ],
  [
    'spin_out',
    'The hips turn at once without moving over, and throw the club outward.',
    'shift_delivery.low 2, sternum_shift_delivery.low 1, turn_arm_down.high 3, obs.over_the_top 3',
  ],
  [
    'over_slide',
    'The pelvis keeps going down the line past the lead foot.',
    'shift_delivery.high 3, lead_thigh_past_line.high 3, lead_hip_past_ankle_impact.high 3, lead_knee_past_ankle_impact.high 2, turn_impact.low 1, shift_impact.high 3, lead_knee_roll_delivery.high 2, sternum_shift_delivery.high 1',
  ],
  [
    'upper_dive',
    'The trunk runs ahead of the pelvis.',
    'cover_delivery.high 3, sternum_shift_delivery.high 2, drop_arm_down.low 1 (drop.taught)',
  ],
  [
    'knee_shut',
    'Pressure moves over but the lead knee stays in, so there is no room to turn.',
    'lead_knee_roll_delivery.low 3, knee_line_delivery.low 3, turn_impact.low 2, trail_knee_flex_delivery.low 1, turn_arm_down.low 1, lead_foot_flare.low 1',
  ],
  [
    'depth_loss',
    'The seat comes off its line and the pelvis moves toward the ball.',
    'seat_loss_delivery.high 3, seat_loss_impact.high 3, seat_loss_arm_down.high 2, bearing_forward.high 2, obs.cramped_arms 2, tilt_impact.low 1',
  ],
  [
    'trail_knee_kick',
    'The trail knee drives at the ball early with the heel high.',
    'trail_knee_kick_delivery.high 3, trail_heel_up_impact.high 2, obs.knees_apart_finish 2, tilt_impact.low 2, obs.trail_foot_lifts_straight 2',
  ],
  [
    'lead_hip_pop',
    'The lead hip climbs before the shaft is level.',
    'lead_low_arm_down.low 3, drop_arm_down.high 2 (drop.taught), turn_rate_hold.low 2',
  ],
  [
    'stall',
    'The hips stop turning before the ball and the hands take over.',
    'turn_impact.low 3, turn_rate_hold.low 3, obs.flip 3',
  ],
  [
    'wipe',
    'The pelvis backs away from the target into the ball.',
    'back_up_impact.high 3, shift_impact.low 2, bearing_forward.low 2, ball.slice 1',
  ],
  [
    'no_post',
    'The lead leg stays bent: no brake and no rise.',
    'lead_knee_flex_impact.high 3, lead_knee_past_ankle_impact.high 2',
  ],
] as const satisfies readonly Row[];
const THROUGH = [
  [
    'trail_side_stays',
    'Trail foot, knee and hip are left behind at the end.',
    'trail_hip_behind_finish.high 3, obs.trail_foot_flat_finish 3, trail_heel_up_finish.low 3, knee_gap_finish.high 2, trail_heel_up_impact.low 2 (trail_foot.up)',
  ],
  ['no_extension', 'The hips stay folded through the ball.', 'hip_extension_chest_through.low 3'],
  [
    'stands_up',
    'The trunk comes upright before the ball is away.',
    'incline_loss_chest_through.high 3, shoulder_tilt_impact.low 2, obs.eyes_level_early 2',
  ],
] as const satisfies readonly Row[];

export type FaultId = (typeof SETUP | typeof BACK | typeof DOWN | typeof THROUGH)[number][0];

const rows = (phase: Phase, table: readonly Row<FaultId>[]): Fault[] =>
  table.map(([id, reason, evidence]) => ({ id, phase, reason, evidence: readEvidence(evidence) }));

function readEvidence(text: string): EvidenceLink[] {
  return text.split(', ').map((part) => {
    const [, finding, strength, not, choice] = /^(\S+) ([123])(?: \((not )?(\S+)\))?$/.exec(part) ?? [];
    if (!finding || !isFinding(finding)) throw new Error(`fault table: can't read "${part}"`);
    const link = { finding, strength: Number(strength) as LinkStrength };
    return choice ? { ...link, [not ? 'notFor' : 'onlyFor']: choice as SchoolChoice } : link;
  });
}

export const FAULTS: readonly Fault[] = [
  ...rows('setup', SETUP),
  ...rows('back', BACK),
  ...rows('down', DOWN),
  ...rows('through', THROUGH),
];

export const faultById = (id: string): Fault | undefined => FAULTS.find((fault) => fault.id === id);

/** Things outside the pivot that must be put right before more turn can help. */
export const BLOCKERS: readonly { readonly id: string; readonly finding: FindingId }[] = [
  { id: 'face_open_top', finding: 'obs.face_open_top' },
  { id: 'arms_not_deep', finding: 'obs.lead_arm_high_top' },
];

/** Measures that some fault shows nearly always: what a diagnosis stands on, and what is marked for first. */
export const LEADING_MEASURES: ReadonlySet<string> = new Set(
  FAULTS.flatMap(({ evidence }) =>
    evidence.filter((e) => e.strength === 3).map((e) => e.finding.split('.')[0] as string),
  ).filter((id) => id !== 'obs'),
);

/** How much the other measures count beside those when it is asked what to mark next. */
export const LESS_WANTED = 0.05;
