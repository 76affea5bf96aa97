import {
  type CameraKnowledge,
  cameraFrame,
  type Landmark,
  MARKS_WANTED,
  type Mark,
  type Picture,
  type Projection,
  project,
  type Station,
  type View,
} from '@inchstep/core/capture';
import { gaussian, type Random, roundTo, type Vec3 } from '@inchstep/core/foundation';
import type { ViewKind } from '@inchstep/core/intake';
import type { StandInGolfer } from '../golfer/golfer.ts';

/** A phone on a stand: what the coach wrote down, and where it really stood. */
export interface StandInCamera {
  readonly view: View;
  /** Camera unknowns of the core: x, y, z, yaw, pitch, roll, focal. */
  readonly truth: readonly number[];
}

export interface CameraSpec extends Picture {
  readonly kind: ViewKind;
  /** Multiplies every error of the set-up; 0 = a surveyor's camera. */
  readonly errors?: number;
  readonly sticks?: boolean;
  readonly distanceIn?: number;
  readonly focalPx?: number;
}

/** Ground places of the two sticks' ends: along the toes, and from the ball toward the player. */
const STICK_ENDS: readonly (readonly [number, number])[] = [
  [-24, -22],
  [24, -22],
  [0, -8],
  [0, 40],
];
export const STICK_LINES = [
  [STICK_ENDS[0], STICK_ENDS[1]],
  [STICK_ENDS[2], STICK_ENDS[3]],
] as const;

const SD = {
  aimIn: 5,
  distanceIn: 5,
  heightIn: 2.5,
  yawDeg: 2.5,
  pitchDeg: 2,
  rollDeg: 1,
  focalShare: 0.035,
};

export function makeCamera(id: string, spec: CameraSpec, random: Random): StandInCamera {
  const errors = spec.errors ?? 1;
  const off = (sd: number) => errors * sd * gaussian(random);
  const distanceIn = spec.distanceIn ?? (spec.kind === 'face_on' ? 152 : 168);
  const focalPx = spec.focalPx ?? 0.86 * Math.max(spec.widthPx, spec.heightPx);
  const heightIn = 38;
  const knowledge: CameraKnowledge = {
    distanceIn,
    distanceSdIn: 6,
    heightIn,
    heightSdIn: 3,
    focalPx,
    focalSdPx: 0.05 * focalPx,
    yawSdDeg: 4,
    pitchSdDeg: 4,
    rollSdDeg: 1.5,
    aimIn: { x: 0, y: -30, z: 38, sdIn: 6 },
  };
  const away = distanceIn + off(SD.distanceIn);
  const [aimX, aimY] = [off(SD.aimIn), -30 + off(SD.aimIn)];
  const z = heightIn + off(SD.heightIn);
  const position = spec.kind === 'face_on' ? [aimX, aimY + away, z] : [aimX - away, aimY, z];
  const truth = [
    ...position,
    off(SD.yawDeg),
    off(SD.pitchDeg),
    off(SD.rollDeg),
    focalPx * (1 + off(SD.focalShare)),
  ];
  const view: View = {
    id,
    kind: spec.kind,
    widthPx: spec.widthPx,
    heightPx: spec.heightPx,
    camera: knowledge,
    groundMarks: [],
  };
  if (spec.sticks === false) return { view, truth };
  const groundMarks = STICK_ENDS.flatMap(([x, y]) => {
    const seen = look({ view, truth }, [x, y, 0]);
    const sdPx = (2 * spec.widthPx) / 1080;
    return inside(seen, spec)
      ? [{ xIn: x, yIn: y, u: seen.u + sdPx * gaussian(random), v: seen.v + sdPx * gaussian(random), sdPx }]
      : [];
  });
  return { view: { ...view, groundMarks }, truth };
}

/** Exact pixel of a point, in the right-handed picture. */
export function look(camera: StandInCamera, point: Vec3): Projection {
  return project(point, camera.truth, cameraFrame(camera.view.kind, camera.truth), camera.view);
}

const inside = (p: Projection, picture: Picture): boolean =>
  p.depthIn > 0 && p.u > 0 && p.v > 0 && p.u < picture.widthPx && p.v < picture.heightPx;

/** Landmarks turned away from the camera are marked with less trust, and less well. */
const HARD_TO_SEE: Partial<Record<ViewKind, readonly Landmark[]>> = {
  down_the_line: ['lead_hip', 'lead_knee', 'lead_ankle', 'lead_heel', 'lead_toe'],
  face_on: ['lead_heel', 'trail_heel'],
};

/** Sd of a place that can only be guessed, at 1080 px wide; and how many of such are left out. */
const GUESSED_SD_PX = 12;
const LEFT_OUT = 0.3;

/**
 * Marks as a careful coach would set them: a little off, by the sd they carry. `hidden`: share of the places
 * behind a shirt, a club or an arm, of which the coach guesses most and leaves out the rest.
 */
export function makeMarks(
  golfer: StandInGolfer,
  camera: StandInCamera,
  stations: readonly Station[],
  random: Random,
  noise = 1,
  hidden = 0,
): Mark[] {
  const { view } = camera;
  return stations.flatMap((station) => {
    const { landmarks } = golfer.station(station);
    return MARKS_WANTED[view.kind].flatMap((landmark): Mark[] => {
      const seen = look(camera, landmarks[landmark]);
      if (!inside(seen, view)) return [];
      const hard = HARD_TO_SEE[view.kind]?.includes(landmark) ?? false;
      const guessed = hidden > 0 && random() < hidden;
      if (guessed && random() < LEFT_OUT) return [];
      const sdPx = ((guessed ? GUESSED_SD_PX : hard ? 5 : 2.5) * view.widthPx) / 1080;
      const u = seen.u + noise * sdPx * gaussian(random);
      const v = seen.v + noise * sdPx * gaussian(random);
      if (u < 0 || v < 0 || u > view.widthPx || v > view.heightPx) return [];
      return [
        { view: view.id, station, landmark, u: roundTo(u, 2), v: roundTo(v, 2), sdPx: roundTo(sdPx, 2) },
      ];
    });
  });
}

/** A left-hander's pictures: everything mirrored, as a phone would really see it. */
export function mirrorView(
  camera: StandInCamera,
  marks: readonly Mark[],
  left: boolean,
): { view: View; marks: Mark[] } {
  if (!left) return { view: camera.view, marks: [...marks] };
  const { widthPx } = camera.view;
  return {
    view: { ...camera.view, groundMarks: camera.view.groundMarks.map((m) => ({ ...m, u: widthPx - m.u })) },
    marks: marks.map((mark) => ({ ...mark, u: roundTo(widthPx - mark.u, 2) })),
  };
}
