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
import type { Vec3 } from '@inchstep/core/foundation';
import {
  FIT_LANDMARKS,
  type FloorStation,
  floorMap,
  type LineId,
  type Measure,
  measureCapture,
  type Need,
  referenceLines,
  type Swapped,
  swappedSides,
} from '@inchstep/core/measures';
import { expose } from 'comlink';

/** Where the fit expects a landmark in a picture. */
export interface Guess {
  readonly view: string;
  readonly station: Station;
  readonly landmark: Landmark;
  readonly u: number;
  readonly v: number;
  /** How far off it may be, in pixels of the picture. */
  readonly sdPx: number;
}

export interface PictureLine {
  readonly view: string;
  readonly id: LineId;
  readonly station: Station | null;
  readonly from: readonly [u: number, v: number];
  readonly to: readonly [u: number, v: number];
}

export interface FitAnswer {
  readonly measures: readonly Measure[];
  readonly needs: readonly Need[];
  readonly floor: readonly FloorStation[];
  readonly guesses: readonly Guess[];
  readonly views: readonly {
    readonly id: string;
    readonly yawDeg: number;
    readonly yawSdDeg: number;
    readonly advice: readonly { readonly code: string; readonly moveIn?: number; readonly deg?: number }[];
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
  readonly ms: number;
}

/** The swing on the bench, so that a moved mark starts from where the last fit ended. */
let last: ReturnType<typeof measureCapture>['fit'] | undefined;

function fit(capture: Capture): FitAnswer {
  const started = performance.now();
  const measured = measureCapture(capture, last);
  last = measured.fit;
  return {
    measures: measured.measures,
    needs: measured.needs,
    floor: floorMap(measured.fit),
    guesses: guessesOf(capture, measured.fit),
    views: measured.views.map((view) => ({
      id: view.id,
      yawDeg: view.yawDeg,
      yawSdDeg: view.sd.yawDeg,
      advice: view.advice,
    })),
    suspects: measured.suspects.map(({ mark }) => ({
      view: mark.view,
      station: mark.station,
      landmark: mark.landmark,
    })),
    lines: linesIn(capture, measured.fit),
    swapped: swappedSides(capture, measured.fit),
    ms: performance.now() - started,
  };
}

/** Wanted landmarks that are not marked yet, back in the pictures (mirrored again for a left-hander). */
function guessesOf(capture: Capture, solved: ReturnType<typeof measureCapture>['fit']): Guess[] {
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

/** Reference lines through the solved cameras. */
function linesIn(capture: Capture, solved: ReturnType<typeof measureCapture>['fit']): PictureLine[] {
  const left = capture.golfer.handedness === 'left';
  const all = referenceLines(solved);
  return capture.views.flatMap((view, i) => {
    const camera = solved.camera(i);
    const frame = cameraFrame(view.kind, camera);
    const at = (point: Vec3): readonly [number, number] => {
      const { u, v } = project(point, camera, frame, view);
      return [left ? view.widthPx - u : u, v];
    };
    return all
      .filter((line) => line.view === view.kind)
      .map(({ id, station, from, to }) => ({ view: view.id, id, station, from: at(from), to: at(to) }));
  });
}

export interface FitWorker {
  fit(capture: Capture): FitAnswer;
}
expose({ fit } satisfies FitWorker);
