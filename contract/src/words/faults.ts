import type { BallFindingId, FaultId, LookId, Phase } from '@inchstep/core/diagnosis';

/** Fault names, short, as a coach would call them to a colleague. */
export const FAULT_WORDS: Readonly<Record<string, string>> = {
  base_narrow: 'Stance too narrow',
  base_wide: 'Stance too wide',
  setup_squat: 'Squatting setup',
  hips_off_centre: 'Hips parked off centre',
  false_bump: 'Leaning instead of bumping',
  sway: 'Sway off the ball',
  no_load: 'Never loads the trail side',
  frozen_hips: 'Frozen hips',
  over_turn: 'Hips over-turn',
  lead_knee_collapse: 'Lead knee falls in',
  reverse_pivot: 'Reverse pivot',
  hip_hike: 'Trail hip climbs',
  flat_turn: 'Flat turn',
  lost_brace: 'Trail leg gives way',
  head_drift: 'Head drifts',
  toward_ball_back: 'Creeps to the ball going back',
  late_start: 'Lower body starts late',
  hang_back: 'Hangs back',
  spin_out: 'Spins out',
  over_slide: 'Slides too far',
  upper_dive: 'Chest dives ahead',
  knee_shut: 'Lead knee stays shut',
  depth_loss: 'Loses depth to the ball',
  trail_knee_kick: 'Trail knee kicks out',
  lead_hip_pop: 'Lead hip pops up',
  stall: 'Hips stall',
  wipe: 'Backs off into impact',
  no_post: 'No post on the lead leg',
  trail_side_stays: 'Trail side stays behind',
  no_extension: 'Hips never open up',
  stands_up: 'Stands up through the ball',
} satisfies Readonly<Record<FaultId, string>>;

export const PHASE_WORDS: Readonly<Record<string, string>> = {
  setup: 'Setup',
  back: 'Going back',
  down: 'Coming down',
  through: 'Past the ball',
} satisfies Readonly<Record<Phase, string>>;

export const STRENGTH_WORDS: Readonly<Record<string, string>> = {
  slight: 'slight',
  clear: 'clear',
  strong: 'strong',
};

export const BLOCKER_WORDS: Readonly<Record<string, string>> = {
  face_open_top:
    'The face is open at the top. Square it first: turning harder through the ball would send it further right of target for a right-hander.',
  arms_not_deep:
    'The lead arm is high at the top. Get the arms deeper first: more turn would throw the club over the line.',
};

/** Looks and asks that aren't measured. */
export const FINDING_WORDS: Readonly<Record<string, string>> = {
  'obs.trail_foot_rolls_out': 'trail foot rolls to its outside',
  'obs.weight_on_outer_trail_foot': 'weight on the outside of the trail foot',
  'obs.hips_open_in_bump': 'hips twist in the setup bump',
  'obs.bump_with_spine': 'setup bump made with the spine',
  'obs.trail_shoulder_dropped_at_setup': 'trail shoulder dropped at setup',
  'obs.arms_lift_steep': 'arms lift steeply',
  'obs.over_the_top': 'club thrown outward starting down',
  'obs.stuck_inside': 'club trapped behind the body',
  'obs.flip': 'hands flip through the ball',
  'obs.cramped_arms': 'no room for the arms',
  'obs.overswing': 'club runs past level at the top',
  'obs.falls_back_finish': 'falls back at the finish',
  'obs.trail_foot_flat_finish': 'trail foot flat at the finish',
  'obs.knees_apart_finish': 'knees apart at the finish',
  'obs.self_reports_still_head': 'is sure the head stays still',
  'obs.low_back_ache_after_practice': 'low back aches after practice',
  'obs.pushes_aid_away': 'pushes the post away',
  'obs.leaves_aid': 'comes off the post',
  'obs.face_open_top': 'face open at the top',
  'obs.lead_arm_high_top': 'lead arm high at the top',
  'obs.waits_for_club': 'lower body waits for the club to finish',
  'obs.trail_foot_lifts_straight': 'trail foot lifts straight up',
  'obs.foot_banks_inside': 'trail foot banks to its inside',
  'obs.eyes_level_early': 'eyes come level early',
  'obs.hips_tucked_through': 'hips tucked under past the ball',
  'ball.fat': 'hits behind the ball',
  'ball.thin': 'catches it thin',
  'ball.low_point_behind': 'low point behind the ball',
  'ball.slice': 'slice',
  'ball.pull': 'pull',
  'ball.push': 'push',
  'ball.hook': 'hook',
  'ball.weak': 'weak strike',
  'ball.heavy_turf': 'deep divots',
  'ball.toe': 'off the toe',
  'ball.heel': 'off the heel',
} satisfies Readonly<Record<LookId | BallFindingId, string>>;
