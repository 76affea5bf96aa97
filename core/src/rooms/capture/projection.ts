import { dot, sub, toRad, type Vec3 } from '../../foundation/index.ts';
import type { CameraFrame, CameraVector } from './camera.ts';

export interface Picture {
  readonly widthPx: number;
  readonly heightPx: number;
}

export interface Projection {
  readonly u: number;
  readonly v: number;
  /** Inches in front of the camera; not positive means behind it. */
  readonly depthIn: number;
}

/** Pixel of a point: principal point in the middle, square pixels, no lens distortion. */
export function project(point: Vec3, camera: CameraVector, frame: CameraFrame, picture: Picture): Projection {
  const d = sub(point, [camera[0] as number, camera[1] as number, camera[2] as number]);
  const depthIn = dot(d, frame.forward);
  const perInch = (camera[6] as number) / depthIn;
  return {
    u: picture.widthPx / 2 + perInch * dot(d, frame.right),
    v: picture.heightPx / 2 - perInch * dot(d, frame.up),
    depthIn,
  };
}

interface ProjectionSlopes extends Projection {
  /** du and dv per inch of the point. */
  readonly duPoint: Vec3;
  readonly dvPoint: Vec3;
  /** du and dv per unit of each camera unknown (inches, degrees, pixels). */
  readonly duCamera: readonly number[];
  readonly dvCamera: readonly number[];
}

/** Projection with its exact derivatives; checked against differences in the tests. */
export function projectWithSlopes(
  point: Vec3,
  camera: CameraVector,
  frame: CameraFrame,
  picture: Picture,
): ProjectionSlopes {
  const focal = camera[6] as number;
  const d = sub(point, [camera[0] as number, camera[1] as number, camera[2] as number]);
  const x = dot(d, frame.right);
  const y = dot(d, frame.up);
  const z = dot(d, frame.forward);
  const perInch = focal / z;
  const along = (axis: Vec3, ratio: number, sign: number): Vec3 => [
    sign * perInch * (axis[0] - ratio * frame.forward[0]),
    sign * perInch * (axis[1] - ratio * frame.forward[1]),
    sign * perInch * (axis[2] - ratio * frame.forward[2]),
  ];
  const duPoint = along(frame.right, x / z, 1);
  const dvPoint = along(frame.up, y / z, -1);
  const perDegree = toRad(1) * perInch;
  // Written out: this is the innermost work of every fit.
  const [ahead0, ahead1, ahead2] = [
    dot(d, frame.dForward[0]),
    dot(d, frame.dForward[1]),
    dot(d, frame.dForward[2]),
  ];
  const duAngle = (turned: Vec3, ahead: number) => perDegree * (dot(d, turned) - (x / z) * ahead);
  const dvAngle = (turned: Vec3, ahead: number) => -perDegree * (dot(d, turned) - (y / z) * ahead);
  return {
    u: picture.widthPx / 2 + perInch * x,
    v: picture.heightPx / 2 - perInch * y,
    depthIn: z,
    duPoint,
    dvPoint,
    duCamera: [
      -duPoint[0],
      -duPoint[1],
      -duPoint[2],
      duAngle(frame.dRight[0], ahead0),
      duAngle(frame.dRight[1], ahead1),
      duAngle(frame.dRight[2], ahead2),
      x / z,
    ],
    dvCamera: [
      -dvPoint[0],
      -dvPoint[1],
      -dvPoint[2],
      dvAngle(frame.dUp[0], ahead0),
      dvAngle(frame.dUp[1], ahead1),
      dvAngle(frame.dUp[2], ahead2),
      -y / z,
    ],
  };
}
