import { type ArrowFactor, factorArrow, type Vec3 } from '../../foundation/index.ts';
import {
  BALL_CENTRE_HEIGHT_IN,
  CAMERA_SIZE,
  type CameraFrame,
  type CameraPrior,
  type Capture,
  cameraFrame,
  cameraPrior,
  type Mark,
  mirrorToRightHanded,
  projectWithSlopes,
  type Station,
} from '../capture/index.ts';
import type { FitLandmark } from './bodyPriors.ts';
import { type FitLayout, fitLayout, pointAt } from './fitLayout.ts';
import { NormalEquations } from './normalEquations.ts';
import { PriorResiduals, startingVector } from './priorResiduals.ts';

/** Marks further off than this many sds lose their pull, so that one slip bends nothing else. */
const OUTLIER_SDS = 3.5;
const MAX_ITERATIONS = 40;
const COST_TOLERANCE = 1e-7;

export interface SuspectMark {
  readonly mark: Mark;
  readonly offBySds: number;
}

export interface BodyFit {
  readonly capture: Capture;
  readonly layout: FitLayout;
  readonly cameras: readonly CameraPrior[];
  /** All unknowns at the solution. */
  readonly solution: Float64Array;
  readonly factor: ArrowFactor;
  readonly cost: number;
  readonly iterations: number;
  readonly stopped: 'converged' | 'too_many_iterations' | 'no_descent';
  readonly suspects: readonly SuspectMark[];
  landmark(station: Station, landmark: FitLandmark): Vec3;
  /** Camera unknowns of a view, as in `CameraVector`. */
  camera(viewIndex: number): number[];
  /** Variance of a linear form of the unknowns, given as [index, coefficient] pairs. */
  variance(form: readonly (readonly [number, number])[]): number;
}

/**
 * One least-squares problem over all marks, stations and views (Levenberg-Marquardt on the
 * arrow system, redescending loss on marks). The capture may be left-handed: it is mirrored
 * first, and everything returned is in the lead/trail frame.
 */
export function fitBody(raw: Capture): BodyFit {
  const capture = mirrorToRightHanded(raw);
  const layout = fitLayout(capture);
  const cameras = capture.views.map(cameraPrior);
  const priors = new PriorResiduals(layout, capture, cameras);
  const gather = (x: Float64Array, redescend: boolean) => {
    const equations = new NormalEquations(layout.sharedSize, layout.blockSize, layout.stations.length - 1);
    priors.addTo(equations, x);
    addMarks(equations, x, layout, capture, redescend);
    return equations;
  };
  const first = descend(startingVector(layout, capture, cameras), (x) => gather(x, false));
  const last = descend(first.x, (x) => gather(x, true));
  const equations = gather(last.x, true);
  const factor = factorArrow(equations.system);
  if (!factor) throw new Error('fitBody: the priors make every unknown definite');
  return {
    capture,
    layout,
    cameras,
    solution: last.x,
    factor,
    cost: equations.cost,
    iterations: first.iterations + last.iterations,
    stopped: last.stopped,
    suspects: findSuspects(last.x, layout, capture),
    landmark: (station, landmark) => pointAt(last.x, layout.landmarkAt(station, landmark)),
    camera: (i) => [...last.x.subarray(layout.cameraAt(i), layout.cameraAt(i) + CAMERA_SIZE)],
    variance: (form) => formVariance(factor, layout.size, form),
  };
}

function formVariance(
  factor: ArrowFactor,
  size: number,
  form: readonly (readonly [number, number])[],
): number {
  const g = new Float64Array(size);
  for (const [at, coefficient] of form) g[at] = (g[at] as number) + coefficient;
  const solved = factor.solve(g);
  return g.reduce((sum, value, i) => sum + value * (solved[i] as number), 0);
}

interface Descent {
  readonly x: Float64Array;
  readonly iterations: number;
  readonly stopped: BodyFit['stopped'];
}

function descend(start: Float64Array, gather: (x: Float64Array) => NormalEquations): Descent {
  let x = start;
  let equations = gather(x);
  let damping = 1e-4;
  for (let iteration = 1; iteration <= MAX_ITERATIONS; iteration++) {
    const factor = factorArrow(equations.system, damping);
    if (!factor) {
      damping = Math.max(damping * 10, 1e-4);
      continue;
    }
    const step = factor.solve(equations.gradient);
    const next = x.map((value, i) => value - (step[i] as number));
    const tried = gather(next);
    if (tried.cost < equations.cost) {
      const gain = equations.cost - tried.cost;
      x = next;
      equations = tried;
      damping /= 10;
      if (gain < COST_TOLERANCE * (1 + equations.cost))
        return { x, iterations: iteration, stopped: 'converged' };
    } else {
      // A refused step so small that nothing can be gained is convergence, not failure.
      if (tried.cost - equations.cost < COST_TOLERANCE)
        return { x, iterations: iteration, stopped: 'converged' };
      damping *= 8;
      if (damping > 1e8) return { x, iterations: iteration, stopped: 'no_descent' };
    }
  }
  return { x, iterations: MAX_ITERATIONS, stopped: 'too_many_iterations' };
}

/** Weight of a mark that is `sds` away: full inside the limit, then falling with the square. */
function markWeight(sds: number, redescend: boolean): number {
  if (sds <= OUTLIER_SDS) return 1;
  return redescend ? (OUTLIER_SDS / sds) ** 2 : OUTLIER_SDS / sds;
}

function addMarks(
  equations: NormalEquations,
  x: Float64Array,
  layout: FitLayout,
  capture: Capture,
  redescend: boolean,
): void {
  const frames = viewFrames(x, layout, capture);
  for (const mark of capture.marks) {
    const viewIndex = capture.views.findIndex((view) => view.id === mark.view);
    const at = mark.landmark === 'ball' ? null : layout.landmarkAt(mark.station, mark.landmark);
    const point: Vec3 = at === null ? [0, 0, BALL_CENTRE_HEIGHT_IN] : pointAt(x, at);
    addPixel(equations, x, layout, capture, viewIndex, frames, point, at, mark, redescend);
  }
  capture.views.forEach((view, viewIndex) => {
    for (const mark of view.groundMarks) {
      const point: Vec3 = [mark.xIn, mark.yIn, 0];
      addPixel(equations, x, layout, capture, viewIndex, frames, point, null, mark, redescend);
    }
  });
}

function addPixel(
  equations: NormalEquations,
  x: Float64Array,
  layout: FitLayout,
  capture: Capture,
  viewIndex: number,
  frames: readonly CameraFrame[],
  point: Vec3,
  at: number | null,
  seen: { readonly u: number; readonly v: number; readonly sdPx: number },
  redescend: boolean,
): void {
  const view = capture.views[viewIndex] as Capture['views'][number];
  const start = layout.cameraAt(viewIndex);
  const camera = x.subarray(start, start + CAMERA_SIZE) as unknown as number[];
  const p = projectWithSlopes(point, camera, frames[viewIndex] as CameraFrame, view);
  const du = (p.u - seen.u) / seen.sdPx;
  const dv = (p.v - seen.v) / seen.sdPx;
  const weight = markWeight(Math.hypot(du, dv), redescend);
  const indices: number[] = [];
  for (let i = 0; i < CAMERA_SIZE; i++) indices.push(start + i);
  if (at !== null) indices.push(at, at + 1, at + 2);
  const scaled = (cameraSlopes: readonly number[], pointSlopes: Vec3) =>
    (at === null ? cameraSlopes : [...cameraSlopes, ...pointSlopes]).map((s) => s / seen.sdPx);
  equations.add(indices, scaled(p.duCamera, p.duPoint), du, weight);
  equations.add(indices, scaled(p.dvCamera, p.dvPoint), dv, weight);
}

const viewFrames = (x: Float64Array, layout: FitLayout, capture: Capture): CameraFrame[] =>
  capture.views.map((view, i) =>
    cameraFrame(view.kind, [...x.subarray(layout.cameraAt(i), layout.cameraAt(i) + CAMERA_SIZE)]),
  );

function findSuspects(x: Float64Array, layout: FitLayout, capture: Capture): SuspectMark[] {
  const frames = viewFrames(x, layout, capture);
  const suspects: SuspectMark[] = [];
  for (const mark of capture.marks) {
    if (mark.landmark === 'ball') continue;
    const i = capture.views.findIndex((view) => view.id === mark.view);
    const view = capture.views[i] as Capture['views'][number];
    const start = layout.cameraAt(i);
    const camera = [...x.subarray(start, start + CAMERA_SIZE)];
    const point = pointAt(x, layout.landmarkAt(mark.station, mark.landmark));
    const p = projectWithSlopes(point, camera, frames[i] as CameraFrame, view);
    const offBySds = Math.hypot(p.u - mark.u, p.v - mark.v) / mark.sdPx;
    if (offBySds > OUTLIER_SDS) suspects.push({ mark, offBySds });
  }
  return suspects.sort((a, b) => b.offBySds - a.offBySds);
}
