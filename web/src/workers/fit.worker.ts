import { type Capture, cameraFrame, type Landmark, project, type Station } from '@inchstep/core/capture';
import {
  FIT_LANDMARKS,
  type FloorStation,
  floorMap,
  type Measure,
  measureCapture,
  type Need,
} from '@inchstep/core/measures';
import { expose } from 'comlink';

/** Where the fit expects a landmark in a picture. */
export interface Guess {
  readonly view: string;
  readonly station: Station;
  readonly landmark: Landmark;
  readonly u: number;
  readonly v: number;
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
    ms: performance.now() - started,
  };
}

/** The fit's landmarks back in the pictures (mirrored again for a left-hander). */
function guessesOf(capture: Capture, solved: ReturnType<typeof measureCapture>['fit']): Guess[] {
  const left = capture.golfer.handedness === 'left';
  return capture.views.flatMap((view, i) => {
    const camera = solved.camera(i);
    const frame = cameraFrame(view.kind, camera);
    return solved.layout.stations.flatMap((station) =>
      FIT_LANDMARKS.map((landmark): Guess => {
        const { u, v } = project(solved.landmark(station, landmark), camera, frame, view);
        return { view: view.id, station, landmark, u: left ? view.widthPx - u : u, v };
      }),
    );
  });
}

export interface FitWorker {
  fit(capture: Capture): FitAnswer;
}
expose({ fit } satisfies FitWorker);
