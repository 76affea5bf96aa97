/** Why two drills can't be practised side by side. */
export type QuarrelCode =
  /** Their cues ask the same part for opposite things at the same moment. */
  | 'seat_back_or_through'
  | 'trail_leg_bent_or_long'
  | 'lead_leg_straight_or_low'
  | 'trail_foot_up_or_long'
  | 'post_kept_or_left'
  /** Their set-ups can't stand together. */
  | 'same_foot_raised'
  | 'bar_meets_chair'
  | 'box_behind_moved_foot';

export const QUARRELS: readonly (readonly [a: string, b: string, why: QuarrelCode])[] = [
  ['two_cheek_chair', 'beat_the_ball', 'seat_back_or_through'],
  ['two_cheek_chair', 'open_close_shuffle', 'seat_back_or_through'],
  ['two_cheek_chair', 'tuck_and_hold', 'seat_back_or_through'],
  ['two_cheek_chair', 'crossbar_drive', 'bar_meets_chair'],
  ['ramp_load', 'pocket_to_fence', 'trail_leg_bent_or_long'],
  ['ramp_load', 'round_the_corner', 'trail_leg_bent_or_long'],
  ['ramp_load', 'palms_coil', 'trail_leg_bent_or_long'],
  ['cross_step_coil', 'pocket_to_fence', 'trail_leg_bent_or_long'],
  ['cross_step_coil', 'round_the_corner', 'trail_leg_bent_or_long'],
  ['cross_step_coil', 'palms_coil', 'trail_leg_bent_or_long'],
  ['tail_down_around', 'heel_load_push', 'lead_leg_straight_or_low'],
  ['tail_down_around', 'post_and_turn', 'lead_leg_straight_or_low'],
  ['low_pocket', 'heel_load_push', 'lead_leg_straight_or_low'],
  ['low_pocket', 'post_and_turn', 'lead_leg_straight_or_low'],
  ['knee_roll', 'post_and_turn', 'lead_leg_straight_or_low'],
  ['knee_roll', 'heel_load_push', 'lead_leg_straight_or_low'],
  ['drop_back_stance', 'crossbar_drive', 'trail_foot_up_or_long'],
  ['drop_back_stance', 'toe_tap_finish', 'trail_foot_up_or_long'],
  ['heel_late', 'crossbar_drive', 'trail_foot_up_or_long'],
  ['fist_from_wall', 'keep_the_post', 'post_kept_or_left'],
  ['ramp_load', 'post_and_turn', 'same_foot_raised'],
  ['toe_box', 'drop_back_stance', 'box_behind_moved_foot'],
];

/** The drills that the house's table keeps apart from this one. */
export const quarrelsWith = (id: string): string[] =>
  QUARRELS.flatMap(([a, b]) => (a === id ? [b] : b === id ? [a] : []));

/** Why the house's table keeps two drills apart; null where it doesn't. */
export const quarrelBetween = (a: string, b: string): QuarrelCode | null =>
  QUARRELS.find((row) => (row[0] === a && row[1] === b) || (row[0] === b && row[1] === a))?.[2] ?? null;
