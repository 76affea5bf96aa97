import { toRad, type Vec3 } from '../../foundation/index.ts';
import type { CameraPrior, Capture, Station } from '../capture/index.ts';
import { bodySizes, lengthScale } from '../intake/index.ts';
import { FIT_LANDMARKS, type FitLandmark, SEGMENTS, STATION_PRIORS } from './bodyPriors.ts';
import type { FitLayout } from './fitLayout.ts';

/** A first pose from the tables alone, from which the fit starts. */
function startingPose(capture: Capture, station: Station): Record<FitLandmark, Vec3> {
  const k = lengthScale(capture.golfer.heightIn);
  const sizes = bodySizes(capture.golfer);
  const prior = STATION_PRIORS[station];
  const turn = toRad(prior.turnDeg[0]);
  const pelvis: Vec3 = [
    (-2 + prior.shift[0]) * k,
    (-34 + prior.depth[0]) * k,
    0.5 * capture.golfer.heightIn + prior.rise[0] * k,
  ];
  const half = sizes.hipJointsApartIn / 2;
  const hip = (sign: number): Vec3 => [
    pelvis[0] + sign * half * Math.cos(turn),
    pelvis[1] - sign * half * Math.sin(turn),
    pelvis[2],
  ];
  const foot = (sign: number, y: number, z: number): Vec3 => [(-2 + sign * 7.2) * k, y * k, z];
  const knee = (sign: number): Vec3 => [(-2 + sign * 6.5) * k, -28 * k, 0.28 * capture.golfer.heightIn];
  const neck: Vec3 = [pelvis[0] - k, pelvis[1] + 11 * k, pelvis[2] + 17 * k];
  const from = (base: Vec3, x: number, y: number, z: number): Vec3 => [
    base[0] + x * k,
    base[1] + y * k,
    base[2] + z * k,
  ];
  return {
    lead_hip: hip(1),
    trail_hip: hip(-1),
    lead_knee: knee(1),
    trail_knee: knee(-1),
    lead_ankle: foot(1, -31, sizes.ankleHeightIn),
    trail_ankle: foot(-1, -31, sizes.ankleHeightIn),
    lead_heel: foot(1, -34, 1),
    trail_heel: foot(-1, -34, 1),
    lead_toe: foot(1, -24.5, 0.8),
    trail_toe: foot(-1, -24.5, 0.8),
    seat: from(pelvis, 0, -5, -0.5),
    neck,
    sternum: from(neck, 0, 0, -5),
    head: from(neck, 0, 3, 6),
    lead_shoulder: from(neck, 5, 0, -1),
    trail_shoulder: from(neck, -5, 0, -1),
    grip: from(neck, 0, 8, -18),
  };
}

export const startingVector = (
  layout: FitLayout,
  capture: Capture,
  cameras: readonly CameraPrior[],
): Float64Array => {
  const x = new Float64Array(layout.size);
  cameras.forEach((camera, i) => {
    x.set(camera.mean, layout.cameraAt(i));
  });
  SEGMENTS.forEach((segment, i) => {
    x[layout.segmentAt(i)] = Math.log(segment.share * capture.golfer.heightIn);
  });
  for (const station of layout.stations) {
    const pose = startingPose(capture, station);
    for (const landmark of FIT_LANDMARKS) x.set(pose[landmark], layout.landmarkAt(station, landmark));
  }
  return x;
};
