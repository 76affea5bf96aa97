import {
  CAMERA_SIZE,
  type Capture,
  cameraFrame,
  type Landmark,
  MARKS_WANTED,
  project,
  projectWithSlopes,
  type Station,
} from '@inchstep/core/capture';
import { LEADING_MEASURES, LESS_WANTED } from '@inchstep/core/diagnosis';
import type { Vec3 } from '@inchstep/core/foundation';
import {
  type BodyFit,
  bandContext,
  bodyLines,
  FIT_LANDMARKS,
  type FloorStation,
  floorMap,
  golferSizes,
  type Measure,
  type Measured,
  measureCapture,
  type Need,
  type NextMark,
  nextMarks,
  type Pose,
  referenceLines,
  type Swapped,
  swappedSides,
  type TargetPose,
  targetPoses,
} from '@inchstep/core/measures';
import { expose } from 'comlink';
import type { Guess, PictureLine } from '../capture/index.ts';

export interface FitAnswer {
  readonly measures: readonly Measure[];
  /** Why nothing is measured although marks are there; null where that is not so. */
  readonly doubt: Measured['doubt'];
  readonly needs: readonly Need[];
  readonly floor: readonly FloorStation[];
  readonly guesses: readonly Guess[];
  readonly views: readonly {
    readonly id: string;
    readonly yawDeg: number;
    readonly yawSdDeg: number;
    /** In the ground frame; mirrored for a left-hander like everything else. */
    readonly positionIn: Vec3;
    readonly advice: readonly {
      readonly code: string;
      readonly moveIn?: number;
      readonly deg?: number;
      readonly xIn?: number;
      readonly yIn?: number;
      readonly what?: string;
    }[];
  }[];
  readonly suspects: readonly {
    readonly view: string;
    readonly station: Station;
    readonly landmark: Landmark;
  }[];
  /** The coach's lines, in their true places, as each picture shows them. */
  readonly lines: readonly PictureLine[];
  /** Places where lead and trail seem to be changed about. */
  readonly swapped: readonly Swapped[];
  /** The body at each station, with the sd of the pelvis centre along each axis. */
  readonly poses: readonly StationPose[];
  readonly ms: number;
}

export interface StationPose {
  readonly station: Station;
  readonly pose: Pose;
  readonly centreSdIn: Vec3;
}

/** The pose of this body inside its bands, in inches and through each solved camera. */
export interface TargetAnswer {
  readonly poses: readonly TargetPose[];
  readonly lines: readonly PictureLine[];
}

/** The swing on the bench, so that a moved mark starts from where the last fit ended. */
let last: BodyFit | undefined;

/** `anew` fits from nothing, as the server does: what rests on the bench and what is kept are one answer. */
function fit(capture: Capture, anew = false): FitAnswer {
  const started = performance.now();
  const measured = measureCapture(capture, anew ? undefined : last);
  last = measured.fit;
  return {
    measures: measured.measures,
    doubt: measured.doubt,
    needs: measured.needs,
    floor: floorMap(measured.fit),
    guesses: guessesOf(capture, measured.fit),
    views: measured.views.map((view) => ({
      id: view.id,
      yawDeg: view.yawDeg,
      yawSdDeg: view.sd.yawDeg,
      positionIn: view.positionIn,
      advice: view.advice,
    })),
    suspects: measured.suspects.map(({ mark }) => ({
      view: mark.view,
      station: mark.station,
      landmark: mark.landmark,
    })),
    lines: linesIn(capture, measured.fit),
    swapped: swappedSides(capture, measured.fit),
    poses: stationPoses(measured.fit),
    ms: performance.now() - started,
  };
}

/** Wanted landmarks that are not marked yet, back in the pictures (mirrored again for a left-hander). */
function guessesOf(capture: Capture, solved: BodyFit): Guess[] {
  const left = capture.golfer.handedness === 'left';
  const marked = new Set(capture.marks.map((m) => `${m.view}/${m.station}/${m.landmark}`));
  return capture.views.flatMap((view, i) => {
    const camera = solved.camera(i);
    const frame = cameraFrame(view.kind, camera);
    const open = FIT_LANDMARKS.filter((l) => (MARKS_WANTED[view.kind] as readonly Landmark[]).includes(l));
    return solved.layout.stations.flatMap((station) =>
      open
        .filter((landmark) => !marked.has(`${view.id}/${station}/${landmark}`))
        .map((landmark): Guess => {
          const p = projectWithSlopes(solved.landmark(station, landmark), camera, frame, view);
          const from = solved.layout.landmarkAt(station, landmark);
          const variance = (cameraSlopes: readonly number[], pointSlopes: readonly number[]) =>
            solved.variance([
              ...cameraSlopes
                .slice(0, CAMERA_SIZE)
                .map((s, k) => [solved.layout.cameraAt(i) + k, s] as const),
              ...pointSlopes.map((s, k) => [from + k, s] as const),
            ]);
          const spread = variance(p.duCamera, p.duPoint) + variance(p.dvCamera, p.dvPoint);
          const u = left ? view.widthPx - p.u : p.u;
          return { view: view.id, station, landmark, u, v: p.v, sdPx: Math.sqrt(spread / 2) };
        }),
    );
  });
}

/** Lines through a view's solved camera, mirrored again for a left-hander. */
function throughCameras(
  capture: Capture,
  solved: BodyFit,
  linesOf: (view: Capture['views'][number]) => readonly Omit<PictureLine3d, 'view'>[],
): PictureLine[] {
  const left = capture.golfer.handedness === 'left';
  return capture.views.flatMap((view, i) => {
    const camera = solved.camera(i);
    const frame = cameraFrame(view.kind, camera);
    const at = (point: Vec3): readonly [number, number] => {
      const { u, v } = project(point, camera, frame, view);
      return [left ? view.widthPx - u : u, v];
    };
    return linesOf(view).map(({ id, station, from, to }) => ({
      view: view.id,
      id,
      station,
      from: at(from),
      to: at(to),
    }));
  });
}

interface PictureLine3d extends Pick<PictureLine, 'view' | 'id' | 'station'> {
  readonly from: Vec3;
  readonly to: Vec3;
}

function linesIn(capture: Capture, solved: BodyFit): PictureLine[] {
  const all = referenceLines(solved);
  return throughCameras(capture, solved, (view) => all.filter((line) => line.view === view.kind));
}

function stationPoses(solved: BodyFit): StationPose[] {
  const { layout } = solved;
  return layout.stations.map((station) => ({
    station,
    pose: Object.fromEntries(FIT_LANDMARKS.map((l) => [l, solved.landmark(station, l)])),
    centreSdIn: [0, 1, 2].map((axis) =>
      Math.sqrt(
        solved.variance(
          (['lead_hip', 'trail_hip'] as const).map((hip) => [layout.landmarkAt(station, hip) + axis, 0.5]),
        ),
      ),
    ) as unknown as Vec3,
  }));
}

/** Poses of another swing, to lay beside the one on the bench; that one's fit stays. */
const posesOf = (capture: Capture): StationPose[] => stationPoses(measureCapture(capture).fit);

/** What another swing, or this one otherwise marked, comes to; the fit on the bench stays. */
const measuresOf = (capture: Capture): Measure[] => [...measureCapture(capture).measures];

function targets(capture: Capture): TargetAnswer {
  const solved = measureCapture(capture, last).fit;
  const own = new Map(stationPoses(solved).map(({ station, pose }) => [station, pose]));
  const poses = targetPoses(own, golferSizes(capture), bandContext(capture));
  const lines = poses.flatMap(({ station, target }) =>
    bodyLines(target).map(({ id, from, to }) => ({ id, station, from, to })),
  );
  return { poses, lines: throughCameras(capture, solved, () => lines) };
}

const NEXT_AT_MOST = 5;

/** What is worth marking next at the named stations; `fitted` when the last fit is of this capture. */
const next = (capture: Capture, stations: readonly Station[], fitted: boolean): NextMark[] =>
  nextMarks(capture, fitted && last ? last : null, stations, (id) =>
    LEADING_MEASURES.has(id) ? 1 : LESS_WANTED,
  ).slice(0, NEXT_AT_MOST);

export interface FitWorker {
  fit(capture: Capture, anew?: boolean): FitAnswer;
  posesOf(capture: Capture): StationPose[];
  measuresOf(capture: Capture): Measure[];
  targets(capture: Capture): TargetAnswer;
  next(capture: Capture, stations: readonly Station[], fitted: boolean): NextMark[];
}
expose({ fit, measuresOf, next, posesOf, targets } satisfies FitWorker);
