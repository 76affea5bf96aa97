import type { Landmark, Station } from '@inchstep/core/capture';
import type { Club, MeasureId, ViewKind } from '@inchstep/core/intake';

/** Measure names as a coach says them, and what low and high look like. */
interface MeasureWords {
  readonly name: string;
  readonly low?: string;
  readonly high?: string;
}

export const MEASURE_WORDS: Readonly<Record<string, MeasureWords>> = {
  base_ratio: { name: 'Stance width', low: 'stance narrow for this club', high: 'stance wide for this club' },
  pelvis_offset_address: {
    name: 'Pelvis over the feet',
    low: 'pelvis set back from the target',
    high: 'pelvis set toward the target',
  },
  turn_address: { name: 'Hips at address', low: 'hips set closed', high: 'hips set open' },
  trunk_lean_address: {
    name: 'Trunk lean at address',
    low: 'trunk upright or toward the target',
    high: 'trunk leaning far from the target',
  },
  knee_flex_address: { name: 'Knee flex at address', low: 'legs nearly straight', high: 'knees deeply bent' },
  lead_foot_flare: { name: 'Lead foot flare', low: 'lead foot square', high: 'lead foot turned far out' },
  trail_foot_flare: {
    name: 'Trail foot flare',
    low: 'trail foot turned in',
    high: 'trail foot turned far out',
  },
  shift_back_peak: {
    name: 'Furthest shift going back',
    low: 'pelvis travels far from the target',
    high: 'pelvis never moves to the trail side',
  },
  shift_top: {
    name: 'Shift at the top',
    low: 'pelvis still away from the target at the top',
    high: 'pelvis already toward the target at the top',
  },
  trail_hip_past_line: { name: 'Trail hip past its line', high: 'trail hip outside its starting place' },
  turn_top: { name: 'Hip turn at the top', low: 'little hip turn', high: 'hips turned a long way' },
  tilt_top: { name: 'Hip tilt at the top', low: 'hips level, carousel-like', high: 'trail hip high' },
  trail_hip_depth_top: {
    name: 'Trail hip depth',
    low: 'trail hip gained no depth',
    high: 'trail hip very deep',
  },
  seat_drift_top: { name: 'Seat drift at the top', high: 'seat came toward the ball going back' },
  lead_knee_in_top: { name: 'Lead knee in', high: 'lead knee fell in toward the trail knee' },
  lead_knee_out_top: {
    name: 'Lead knee out',
    low: 'lead knee did not move out to the ball',
    high: 'lead knee far out',
  },
  lead_knee_flex_change_top: {
    name: 'Lead knee bend gained',
    low: 'lead knee did not bend',
    high: 'lead knee bent a lot',
  },
  trail_knee_flex_change_top: {
    name: 'Trail knee bend change',
    low: 'trail leg straightened a lot',
    high: 'trail leg kept or gained bend',
  },
  trunk_lean_top: {
    name: 'Trunk lean at the top',
    low: 'spine leaning to the target at the top',
    high: 'spine leaning far away at the top',
  },
  head_shift_top: {
    name: 'Head shift at the top',
    low: 'head drifted away from the target',
    high: 'head drifted toward the target',
  },
  transition_lead_ms: {
    name: 'Head start of the pelvis',
    low: 'pelvis waits for the club',
    high: 'pelvis leaves very early',
  },
  shift_delivery: {
    name: 'Shift half-way down',
    low: 'pelvis late getting to the lead side',
    high: 'pelvis too far along half-way down',
  },
  cover_delivery: {
    name: 'Chest over the pelvis half-way down',
    low: 'chest left far behind',
    high: 'chest ahead of the pelvis',
  },
  lead_thigh_past_line: {
    name: 'Lead thigh past its line',
    low: 'lead thigh short of its line',
    high: 'lead thigh well past its line',
  },
  seat_loss_arm_down: { name: 'Seat off its line, lead arm level', high: 'seat leaving its line early' },
  seat_loss_delivery: { name: 'Seat off its line, half-way down', high: 'seat off its line half-way down' },
  seat_loss_impact: { name: 'Seat off its line at impact', high: 'seat off its line at impact' },
  turn_arm_down: { name: 'Hips at lead arm level', low: 'hips still closed', high: 'hips already open' },
  drop_arm_down: {
    name: 'Pelvis drop starting down',
    low: 'pelvis sinks a lot',
    high: 'pelvis rises instead of sinking',
  },
  lead_low_arm_down: {
    name: 'Lead hip low starting down',
    low: 'lead hip not lower',
    high: 'lead hip very low',
  },
  lead_knee_roll_delivery: { name: 'Lead knee roll', low: 'lead knee stays in', high: 'lead knee far along' },
  trail_knee_kick_delivery: { name: 'Trail knee kick', high: 'trail knee driving at the ball' },
  bearing_back: {
    name: 'Direction going back',
    low: 'pelvis goes toward the ball going back',
    high: 'pelvis goes straight behind going back',
  },
  bearing_forward: {
    name: 'Direction coming down',
    low: 'pelvis backs away coming down',
    high: 'pelvis goes toward the ball coming down',
  },
  turn_impact: {
    name: 'Hip turn at impact',
    low: 'hips not open at impact',
    high: 'hips very open at impact',
  },
  shift_impact: {
    name: 'Shift at impact',
    low: 'pelvis short of the lead side at impact',
    high: 'pelvis far along at impact',
  },
  back_up_impact: { name: 'Backing up into impact', high: 'pelvis backs away from the target into impact' },
  lead_hip_past_ankle_impact: {
    name: 'Lead hip past the ankle',
    high: 'lead hip outside the lead ankle at impact',
  },
  lead_knee_past_ankle_impact: {
    name: 'Lead knee past the ankle',
    high: 'lead knee outside the lead ankle at impact',
  },
  lead_knee_flex_impact: {
    name: 'Lead knee flex at impact',
    low: 'lead leg locked',
    high: 'lead leg still bent at impact',
  },
  trail_heel_up_impact: {
    name: 'Trail heel up at impact',
    low: 'trail heel glued down',
    high: 'trail heel high at impact',
  },
  turn_rate_hold: { name: 'Turn kept through the ball', low: 'hips slow down before the ball' },
  trail_hip_behind_finish: {
    name: 'Trail hip behind at the finish',
    low: 'trail hip past the lead hip',
    high: 'trail hip left behind at the finish',
  },
  knee_gap_finish: { name: 'Knee gap at the finish', high: 'a wide gap between the knees at the finish' },
  trail_heel_up_finish: { name: 'Trail heel up at the finish', low: 'trail heel still low at the finish' },
  hip_extension_chest_through: {
    name: 'Hips opening up after the ball',
    low: 'hips still folded after the ball',
  },
  incline_loss_chest_through: { name: 'Trunk coming upright', high: 'trunk upright early' },
  tilt_address: {
    name: 'Hip tilt at address',
    low: 'trail hip set higher',
    high: 'lead hip set much higher',
  },
  sternum_shift_delivery: {
    name: 'Breastbone half-way down',
    low: 'breastbone still back half-way down',
    high: 'breastbone far toward the target half-way down',
  },
  knee_line_delivery: {
    name: 'Line of the knees half-way down',
    low: 'knees still closed half-way down',
    high: 'knees opened a long way half-way down',
  },
  trail_knee_flex_delivery: {
    name: 'Trail knee bend gained coming down',
    low: 'trail knee gained no bend coming down',
    high: 'trail knee bent a lot coming down',
  },
  tilt_impact: {
    name: 'Hip tilt at impact',
    low: 'lead hip hardly higher at impact',
    high: 'lead hip very high at impact',
  },
  shoulder_tilt_impact: {
    name: 'Shoulder tilt at impact',
    low: 'shoulders nearly level at impact',
    high: 'lead shoulder very high at impact',
  },
} satisfies Readonly<Record<MeasureId, MeasureWords>>;

export const STATION_WORDS: Readonly<Record<string, string>> = {
  address: 'Address',
  shaft_back: 'Shaft level, going back',
  arm_back: 'Lead arm level, going back',
  top: 'Top',
  arm_down: 'Lead arm level, coming down',
  delivery: 'Delivery',
  impact: 'Impact',
  shaft_through: 'Shaft level, past the ball',
  chest_through: 'Hands chest high, past the ball',
  finish: 'Finish',
} satisfies Readonly<Record<Station, string>>;

export const LANDMARK_WORDS: Readonly<Record<string, string>> = {
  lead_hip: 'Lead hip',
  trail_hip: 'Trail hip',
  lead_knee: 'Lead knee',
  trail_knee: 'Trail knee',
  lead_ankle: 'Lead ankle',
  trail_ankle: 'Trail ankle',
  lead_heel: 'Lead heel',
  trail_heel: 'Trail heel',
  lead_toe: 'Lead toe',
  trail_toe: 'Trail toe',
  seat: 'Seat',
  sternum: 'Breastbone',
  neck: 'Base of the neck',
  head: 'Middle of the head',
  lead_shoulder: 'Lead shoulder',
  trail_shoulder: 'Trail shoulder',
  grip: 'Hands',
  ball: 'Ball',
} satisfies Readonly<Record<Landmark, string>>;

export const VERDICT_WORDS: Readonly<Record<string, string>> = {
  in: 'in its band',
  low: 'below its band',
  high: 'above its band',
  cant_tell: 'can’t tell from these marks',
};

export const CLUB_WORDS: Readonly<Record<string, string>> = {
  wedge: 'Wedge',
  short_iron: 'Short iron',
  mid_iron: 'Mid iron',
  long_iron: 'Long iron or hybrid',
  wood: 'Fairway wood',
  driver: 'Driver',
} satisfies Readonly<Record<Club, string>>;

export const VIEW_WORDS: Readonly<Record<string, string>> = {
  face_on: 'Face-on',
  down_the_line: 'Down the line',
} satisfies Readonly<Record<ViewKind, string>>;
