import { angleDeg, midpoint, sub, toDeg, type Vec3 } from '../../foundation/index.ts';
import type { Station } from '../capture/index.ts';
import type { FitLandmark } from './bodyPriors.ts';

/** Reads a landmark's place in inches in the ground frame. */
export type PoseReader = (station: Station, landmark: FitLandmark) => Vec3;

export const HIPS = ['lead_hip', 'trail_hip'] as const;
export const pelvis = (at: PoseReader, s: Station): Vec3 => midpoint(at(s, 'lead_hip'), at(s, 'trail_hip'));
export const shift = (at: PoseReader, s: Station) => pelvis(at, s)[0] - pelvis(at, 'address')[0];

/** Degrees, + open to the target: a closed pelvis has its lead hip nearer the ball. */
export const turn = (at: PoseReader, s: Station) => {
  const line = sub(at(s, 'lead_hip'), at(s, 'trail_hip'));
  return toDeg(Math.atan2(-line[1], line[0]));
};

/** Degrees by which the trail hip stands higher than the lead hip. */
export const trailHigher = (at: PoseReader, s: Station) => {
  const line = sub(at(s, 'trail_hip'), at(s, 'lead_hip'));
  return toDeg(Math.atan2(line[2], Math.hypot(line[0], line[1])));
};

/** Face-on lean of pelvis centre to neck, + away from the target. */
export const trunkLean = (at: PoseReader, s: Station) => {
  const spine = sub(at(s, 'neck'), pelvis(at, s));
  return toDeg(Math.atan2(-spine[0], spine[2]));
};

/** Down-the-line inclination of the trunk from upright, + toward the ball. */
export const inclination = (at: PoseReader, s: Station) => {
  const spine = sub(at(s, 'neck'), pelvis(at, s));
  return toDeg(Math.atan2(spine[1], spine[2]));
};

export const flex = (at: PoseReader, s: Station, side: 'lead' | 'trail') => {
  const knee = at(s, `${side}_knee`);
  return 180 - angleDeg(sub(at(s, `${side}_hip`), knee), sub(at(s, `${side}_ankle`), knee));
};

/** Degrees, + open to the target, of the line from trail knee to lead knee. */
export const kneeLine = (at: PoseReader, s: Station) => {
  const line = sub(at(s, 'lead_knee'), at(s, 'trail_knee'));
  return toDeg(Math.atan2(-line[1], line[0]));
};

/** Degrees by which the lead shoulder stands higher than the trail shoulder. */
export const leadShoulderHigher = (at: PoseReader, s: Station) => {
  const line = sub(at(s, 'lead_shoulder'), at(s, 'trail_shoulder'));
  return toDeg(Math.atan2(line[2], Math.hypot(line[0], line[1])));
};

export const LEG = {
  lead: ['lead_hip', 'lead_knee', 'lead_ankle'],
  trail: ['trail_hip', 'trail_knee', 'trail_ankle'],
} as const;
