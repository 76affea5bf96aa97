import { BACKSWING_DRILLS } from './drillWords.backswing.ts';
import { DOWNSWING_DRILLS } from './drillWords.downswing.ts';
import { OUR_DRILLS } from './drillWords.ours.ts';
import { THROUGH_DRILLS } from './drillWords.through.ts';
import type { DrillWords } from './drillWords.ts';

export const DRILL_WORDS: Readonly<Record<string, DrillWords>> = {
  ...BACKSWING_DRILLS,
  ...DOWNSWING_DRILLS,
  ...THROUGH_DRILLS,
  ...OUR_DRILLS,
};

export const SETUP_WORDS: Readonly<Record<string, string>> = {
  stance: 'Ankles apart',
  bump: 'Pelvis toward the target',
  grip_inside_knee: 'Grip end inside the lead knee',
  far_ball: 'Second ball, toward the target',
  post_gap: 'Post to trail hip',
  wall_gap: 'Wall to trail side',
  marker_ahead: 'Ball out from the trail instep',
  rod_outside_hip: 'Rod outside the lead hip',
  wall_outside_thigh: 'Wall or post outside the lead thigh',
  post_outside_thigh: 'Post outside the lead thigh',
  chair_gap: 'Chair to seat',
  box_past_toes: 'Box past the trail toes',
  marker_ahead_of_foot: 'Marker ahead of the trail foot',
  foot_back: 'Trail foot drawn back',
  stick_outside_knee: 'Stick outside the lead knee',
  brush_ahead: 'Brush ahead of the line',
  camera_away: 'Phone to player',
  camera_height: 'Phone height',
};
