import { type Shot, type ShotFieldId, shotField } from '@inchstep/core/capture';
import { gaussian, type Random } from '@inchstep/core/foundation';
import type { FaultGrades } from '../golfer/faultEffects.ts';

/** Mean and spread of a sound mid-iron player's shots, in the program's units. */
const SOUND: Readonly<Record<ShotFieldId, readonly [mean: number, sd: number]>> = {
  lowPointIn: [1, 0.7],
  strikeIn: [0, 0.25],
  startLineDeg: [0, 1.3],
  curveDeg: [0, 1.5],
  pathDeg: [0, 1.2],
  faceDeg: [0, 1],
  clubSpeedMph: [84, 1.4],
  ballSpeedMph: [116, 2.2],
  carryYd: [158, 5],
};

// What one grade of a fault adds to the mean: the ball follows the body.
const EFFECTS: Readonly<Record<string, Partial<Record<ShotFieldId, number>>>> = {
  sway: { lowPointIn: -0.9, ballSpeedMph: -3, carryYd: -6 },
  hang_back: { lowPointIn: -1.1, ballSpeedMph: -4, carryYd: -7 },
  reverse_pivot: { lowPointIn: -1, ballSpeedMph: -4, carryYd: -7 },
  trail_side_stays: { lowPointIn: -0.8, ballSpeedMph: -3, carryYd: -5 },
  lead_knee_collapse: { lowPointIn: -0.6, carryYd: -4 },
  over_turn: { lowPointIn: -0.3 },
  spin_out: { pathDeg: -2.4, startLineDeg: -1.7, curveDeg: 2.2, lowPointIn: 0.3 },
  hip_hike: { pathDeg: -2.1, startLineDeg: -1.5, curveDeg: 2 },
  upper_dive: { pathDeg: -1.9, startLineDeg: -1.9, lowPointIn: 0.6 },
  depth_loss: { pathDeg: 1.8, startLineDeg: 1.8, curveDeg: -1.9, strikeIn: -0.2 },
  stall: { faceDeg: -1.6, curveDeg: -2.1, ballSpeedMph: -3, carryYd: -5 },
  over_slide: { pathDeg: 1.5, startLineDeg: 1.9, ballSpeedMph: -3, carryYd: -5 },
  wipe: { pathDeg: -1.2, curveDeg: 2, strikeIn: 0.2 },
  frozen_hips: { clubSpeedMph: -3, ballSpeedMph: -5, carryYd: -9 },
  no_load: { clubSpeedMph: -2, ballSpeedMph: -4, carryYd: -7 },
};

/** Mean of each quantity for a golfer with these faults: the truth behind the shots. */
export function shotMeans(faults: FaultGrades): Record<ShotFieldId, number> {
  const means = Object.fromEntries(Object.entries(SOUND).map(([field, [mean]]) => [field, mean])) as Record<
    ShotFieldId,
    number
  >;
  for (const [fault, grade] of Object.entries(faults))
    for (const [field, add] of Object.entries(EFFECTS[fault] ?? {}))
      means[field as ShotFieldId] += grade * add;
  return means;
}

/** A launch monitor beside the golfer: shots around the faults' means. */
export function hitShots(faults: FaultGrades, count: number, random: Random): Shot[] {
  const means = shotMeans(faults);
  return Array.from({ length: count }, () =>
    Object.fromEntries(
      Object.entries(means).map(([field, mean]) => {
        const [, sd] = SOUND[field as ShotFieldId];
        const [lo, hi] = shotField(field as ShotFieldId).usual;
        return [field, Math.min(hi, Math.max(lo, mean + sd * gaussian(random)))];
      }),
    ),
  );
}
