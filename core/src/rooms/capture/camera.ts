import { add, scale, toRad, type Vec3 } from '../../foundation/index.ts';
import type { ViewKind } from '../intake/index.ts';
import type { CameraKnowledge, View } from './capture.ts';

/**
 * Camera unknowns: [x, y, z, yaw, pitch, roll, focal]; inches, degrees, pixels.
 * Yaw + turns toward picture right, pitch + up, roll + lifts the picture's right side.
 */
export type CameraVector = readonly number[];
export const CAMERA_SIZE = 7;

export interface CameraPrior {
  readonly mean: CameraVector;
  readonly sd: readonly number[];
  /** Fields the coach left open, for which a wide default stands in. */
  readonly assumed: readonly (keyof CameraKnowledge)[];
}

// Wide defaults: a phone on a stand somewhere in front of the player.
const DEFAULTS = {
  distanceIn: 150,
  distanceSdIn: 24,
  heightIn: 38,
  heightSdIn: 6,
  yawSdDeg: 6,
  pitchSdDeg: 6,
  rollSdDeg: 2.5,
  aimIn: { x: 0, y: -30, z: 38, sdIn: 12 },
} as const;
// A phone's main camera: focal length about 0.86 of the longer picture side.
const FOCAL_SHARE = 0.86;
const FOCAL_SD_SHARE = 0.12;
const FOCAL_KNOWN_SD_SHARE = 0.05;

/** Nominal camera and its uncertainty: stands `distanceIn` from the aim point and looks level. */
export function cameraPrior(view: View): CameraPrior {
  const known = view.camera;
  const longSidePx = Math.max(view.widthPx, view.heightPx);
  const assumed = (['distanceIn', 'heightIn', 'focalPx', 'aimIn'] as const).filter(
    (field) => known[field] === undefined,
  );
  const distance = known.distanceIn ?? DEFAULTS.distanceIn;
  const distanceSd = known.distanceSdIn ?? (known.distanceIn === undefined ? DEFAULTS.distanceSdIn : 6);
  const height = known.heightIn ?? DEFAULTS.heightIn;
  const heightSd = known.heightSdIn ?? (known.heightIn === undefined ? DEFAULTS.heightSdIn : 3);
  const aim = known.aimIn ?? DEFAULTS.aimIn;
  const focal = known.focalPx ?? FOCAL_SHARE * longSidePx;
  const focalShare = known.focalPx === undefined ? FOCAL_SD_SHARE : FOCAL_KNOWN_SD_SHARE;
  const focalSd = known.focalSdPx ?? focalShare * focal;
  const along = Math.hypot(aim.sdIn, distanceSd);
  const position =
    view.kind === 'face_on' ? [aim.x, aim.y + distance, height] : [aim.x - distance, aim.y, height];
  const positionSd = view.kind === 'face_on' ? [aim.sdIn, along, heightSd] : [along, aim.sdIn, heightSd];
  return {
    mean: [...position, 0, 0, 0, focal],
    sd: [
      ...positionSd,
      known.yawSdDeg ?? DEFAULTS.yawSdDeg,
      known.pitchSdDeg ?? DEFAULTS.pitchSdDeg,
      known.rollSdDeg ?? DEFAULTS.rollSdDeg,
      focalSd,
    ],
    assumed,
  };
}

/** Axes of a camera and their change per radian of yaw, pitch and roll. */
export interface CameraFrame {
  readonly right: Vec3;
  readonly up: Vec3;
  readonly forward: Vec3;
  readonly dRight: readonly [Vec3, Vec3, Vec3];
  readonly dUp: readonly [Vec3, Vec3, Vec3];
  readonly dForward: readonly [Vec3, Vec3, Vec3];
}

const NOMINAL: Record<ViewKind, { forward: Vec3; right: Vec3 }> = {
  face_on: { forward: [0, -1, 0], right: [1, 0, 0] },
  down_the_line: { forward: [1, 0, 0], right: [0, 1, 0] },
};
const UP: Vec3 = [0, 0, 1];
const ZERO: Vec3 = [0, 0, 0];
const blend = (a: Vec3, ka: number, b: Vec3, kb: number): Vec3 => add(scale(a, ka), scale(b, kb));

export function cameraFrame(kind: ViewKind, camera: CameraVector): CameraFrame {
  const [yaw, pitch, roll] = [camera[3], camera[4], camera[5]].map((deg) => toRad(deg as number)) as [
    number,
    number,
    number,
  ];
  const [cy, sy, cp, sp, cr, sr] = [
    Math.cos(yaw),
    Math.sin(yaw),
    Math.cos(pitch),
    Math.sin(pitch),
    Math.cos(roll),
    Math.sin(roll),
  ];
  const nominal = NOMINAL[kind];
  const forwardYawed = blend(nominal.forward, cy, nominal.right, sy);
  const rightYawed = blend(nominal.forward, -sy, nominal.right, cy);
  const forward = blend(forwardYawed, cp, UP, sp);
  const upPitched = blend(forwardYawed, -sp, UP, cp);
  const right = blend(rightYawed, cr, upPitched, sr);
  const up = blend(rightYawed, -sr, upPitched, cr);
  const dUpPitchedByYaw = scale(rightYawed, -sp);
  return {
    right,
    up,
    forward,
    dForward: [scale(rightYawed, cp), upPitched, ZERO],
    dRight: [blend(forwardYawed, -cr, dUpPitchedByYaw, sr), scale(forward, -sr), up],
    dUp: [blend(forwardYawed, sr, dUpPitchedByYaw, cr), scale(forward, -cr), scale(right, -1)],
  };
}
