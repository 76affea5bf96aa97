import { BAND_ROWS, type MeasureId } from '../intake/index.ts';

/** Findings that are seen or asked, not measured. */
export const SEEN_FINDINGS = [
  'obs.trail_foot_rolls_out',
  'obs.weight_on_outer_trail_foot',
  'obs.hips_open_in_bump',
  'obs.bump_with_spine',
  'obs.trail_shoulder_dropped_at_setup',
  'obs.arms_lift_steep',
  'obs.over_the_top',
  'obs.stuck_inside',
  'obs.flip',
  'obs.cramped_arms',
  'obs.overswing',
  'obs.falls_back_finish',
  'obs.trail_foot_flat_finish',
  'obs.knees_apart_finish',
  'obs.self_reports_still_head',
  'obs.low_back_ache_after_practice',
  'obs.pushes_aid_away',
  'obs.leaves_aid',
  'obs.face_open_top',
  'obs.lead_arm_high_top',
  'obs.waits_for_club',
  'obs.trail_foot_lifts_straight',
  'obs.foot_banks_inside',
  'obs.eyes_level_early',
  'obs.hips_tucked_through',
] as const;

export const BALL_FINDINGS = [
  'ball.fat',
  'ball.thin',
  'ball.low_point_behind',
  'ball.slice',
  'ball.pull',
  'ball.push',
  'ball.hook',
  'ball.weak',
  'ball.heavy_turf',
  'ball.toe',
  'ball.heel',
] as const;

export type LookId = (typeof SEEN_FINDINGS)[number];
export type BallFindingId = (typeof BALL_FINDINGS)[number];
type MeasureFindingId = `${MeasureId}.${'low' | 'high'}`;
export type FindingId = LookId | BallFindingId | MeasureFindingId;

/** `measure.low` and `measure.high`, which a coach may also tick by eye. */
export const MEASURE_FINDINGS: readonly MeasureFindingId[] = BAND_ROWS.flatMap((row) => [
  ...(row.lo === undefined ? [] : [`${row.id}.low` as const]),
  ...(row.hi === undefined ? [] : [`${row.id}.high` as const]),
]);

const KNOWN = new Set<string>([...SEEN_FINDINGS, ...BALL_FINDINGS, ...MEASURE_FINDINGS]);
export const isFinding = (id: string): id is FindingId => KNOWN.has(id);
export const isBallFinding = (id: string): boolean => id.startsWith('ball.');
export const FINDING_IDS: readonly FindingId[] = [...SEEN_FINDINGS, ...BALL_FINDINGS, ...MEASURE_FINDINGS];
