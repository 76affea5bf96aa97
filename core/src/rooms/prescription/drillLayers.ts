/** One checkpoint of a drill; the next is added when this one holds. */
export interface DrillLayer {
  /** Who can tell whether it holds: the student alone at each repetition, or only a film. */
  readonly tells: 'student' | 'film';
  /** Measures in which a film shows it. */
  readonly measures: readonly string[];
}

/** Two or three checkpoints a drill, in order: "who tells measures". What is asked stands in the words. */
export const LAYER_ROWS = {
  stance_ruler: 'student base_ratio, student base_ratio',
  level_bump: 'student pelvis_offset_address, student trunk_lean_address, student',
  tall_hinge: 'student, student knee_flex_address',
  knee_swap: 'student lead_knee_in_top, student lead_knee_in_top, film lead_knee_roll_delivery',
  knee_gate: 'student lead_knee_in_top, student turn_top, student trunk_lean_top',
  knee_to_far_ball: 'student, student lead_knee_out_top',
  palms_coil: 'student tilt_top, film lead_knee_in_top',
  kiss_the_post: 'student shift_back_peak, student shift_back_peak, film shift_top',
  pocket_to_fence: 'student turn_top, film trail_hip_depth_top',
  round_the_corner: 'student trail_hip_depth_top, film tilt_top',
  point_at_marker: 'student head_shift_top, student turn_top, film trail_knee_flex_change_top',
  ramp_load: 'student trail_knee_flex_change_top, student turn_top, film trail_knee_flex_change_top',
  cross_step_coil: 'student, film trail_knee_flex_change_top',
  belly_down: 'student tilt_top, student seat_drift_top',
  rod_knee_draw: 'student trail_hip_depth_top, film trail_hip_depth_top',
  step_out_turn: 'student head_shift_top, student shift_top, film turn_top',
  half_clock: 'student bearing_back, student bearing_forward, student seat_loss_delivery',
  hip_metronome: 'student shift_delivery, film shift_delivery',
  reach_the_rod: 'student shift_delivery, film transition_lead_ms',
  delivery_freeze: 'film lead_thigh_past_line, film cover_delivery, film shift_delivery',
  fist_from_wall: 'student shift_delivery, student lead_hip_past_ankle_impact, film turn_impact',
  keep_the_post: 'student shift_delivery, student back_up_impact',
  two_cheek_chair: 'student seat_drift_top, student seat_loss_arm_down, student seat_loss_impact',
  tail_down_around: 'student lead_low_arm_down, student lead_low_arm_down, student seat_loss_impact',
  knee_roll: 'student lead_knee_roll_delivery, film lead_knee_roll_delivery, film trail_knee_flex_delivery',
  post_and_turn: 'student lead_knee_flex_impact, student turn_impact, film lead_knee_flex_impact',
  legs_as_brakes: 'student, film shift_impact',
  step_and_counter: 'student transition_lead_ms, student transition_lead_ms, film transition_lead_ms',
  toe_box: 'student trail_knee_kick_delivery, student turn_impact, student seat_loss_impact',
  drop_back_stance: 'film trail_heel_up_impact, student, film trail_knee_kick_delivery',
  crossbar_drive: 'student trail_hip_behind_finish, student knee_gap_finish, student trail_heel_up_finish',
  beat_the_ball: 'student turn_impact, film turn_impact',
  open_close_shuffle: 'student, film turn_impact',
  heel_load_push: 'student, film lead_knee_flex_impact',
  tuck_and_hold: 'student hip_extension_chest_through, film incline_loss_chest_through',
  pull_the_rod: 'student, film hip_extension_chest_through',
  half_start_hit: 'student, film hip_extension_chest_through',
  band_the_corner: 'student trail_hip_behind_finish, film turn_impact',
  line_brush: 'student, student',
  impact_press: 'student, film turn_impact',
  shoe_count: 'student base_ratio, student base_ratio',
  unlock_knees: 'student knee_flex_address, film knee_flex_address',
  plumb_buttons: 'film trunk_lean_address, film pelvis_offset_address',
  shadow_head: 'student head_shift_top, film head_shift_top',
  early_heel: 'student transition_lead_ms, film transition_lead_ms',
  low_pocket: 'student lead_low_arm_down, film lead_low_arm_down',
  knee_doorbell: 'student lead_knee_roll_delivery, film lead_knee_roll_delivery',
  heel_late: 'student trail_heel_up_impact, film trail_knee_kick_delivery',
  buckle_past_foot: 'student shift_delivery, film back_up_impact',
  buttons_down: 'student, film incline_loss_chest_through',
  tall_by_the_wall: 'student hip_extension_chest_through, film hip_extension_chest_through',
  step_and_brake: 'student shift_delivery, film turn_arm_down',
  inner_edge_coin: 'student trail_foot_flare, film shift_back_peak',
  two_hands_stack: 'student cover_delivery, film cover_delivery',
  laces_to_target: 'student trail_hip_behind_finish, film knee_gap_finish',
  toe_tap_finish: 'student trail_heel_up_finish, film trail_hip_behind_finish',
} as const;

export const readLayers = (row: string): DrillLayer[] =>
  row.split(', ').map((text) => {
    const [tells, ...measures] = text.split(' ') as [DrillLayer['tells'], ...string[]];
    return { tells, measures };
  });
