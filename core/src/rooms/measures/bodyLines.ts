import { midpoint, type Vec3 } from '../../foundation/index.ts';
import type { FitLandmark } from './bodyPriors.ts';
import type { Pose } from './targetPose.ts';

export type BodyLineId = 'foot' | 'shank' | 'thigh' | 'hips' | 'spine' | 'shoulders';

export interface BodyLine {
  readonly id: BodyLineId;
  readonly side: 'lead' | 'trail' | null;
  readonly from: Vec3;
  readonly to: Vec3;
}

const PAIRS: readonly (readonly [BodyLineId, string, string])[] = [
  ['foot', 'heel', 'toe'],
  ['shank', 'ankle', 'knee'],
  ['thigh', 'knee', 'hip'],
];

/** The lower body and trunk as a few lines; what a pose lacks is left out. */
export function bodyLines(pose: Pose): BodyLine[] {
  const lines: BodyLine[] = [];
  const add = (id: BodyLineId, side: BodyLine['side'], from: Vec3 | undefined, to: Vec3 | undefined) => {
    if (from && to) lines.push({ id, side, from, to });
  };
  for (const side of ['trail', 'lead'] as const)
    for (const [id, a, b] of PAIRS)
      add(id, side, pose[`${side}_${a}` as FitLandmark], pose[`${side}_${b}` as FitLandmark]);
  const { lead_hip: lead, trail_hip: trail, neck } = pose;
  add('hips', null, trail, lead);
  if (lead && trail) add('spine', null, midpoint(lead, trail), neck);
  add('shoulders', null, pose.trail_shoulder, pose.lead_shoulder);
  return lines;
}
