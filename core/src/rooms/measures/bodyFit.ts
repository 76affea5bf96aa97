import { type ArrowFactor, factorArrow, type Vec3 } from '../../foundation/index.ts';
import {
  CAMERA_SIZE,
  type CameraPrior,
  type Capture,
  cameraPrior,
  type Mark,
  mirrorToRightHanded,
  type Station,
} from '../capture/index.ts';
import { FIT_LANDMARKS, type FitLandmark } from './bodyPriors.ts';
import { type Descent, descend, MAX_ITERATIONS } from './descend.ts';
import { type FitLayout, fitLayout, pointAt } from './fitLayout.ts';
import { MarkResiduals, PULL_LIMIT_SDS } from './markResiduals.ts';
import { NormalEquations } from './normalEquations.ts';
import { PriorResiduals } from './priorResiduals.ts';
import { startingVector } from './startingVector.ts';

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
  readonly stopped: Descent['stopped'];
  /** Marks that disagree with all others; those far beyond belief were left out of the fit. */
  readonly suspects: readonly SuspectMark[];
  landmark(station: Station, landmark: FitLandmark): Vec3;
  /** Camera unknowns of a view, as in `CameraVector`. */
  camera(viewIndex: number): number[];
  /** Variance of a linear form of the unknowns, given as [index, coefficient] pairs. */
  variance(form: readonly (readonly [number, number])[]): number;
}

/** A mark worth testing: this far from the fit, or on a limb stretched by this many sds. */
const LOOK_AT_SDS = 2;
const STRAINED_SDS = 2.5;
/** Chi-square(2) bound for "wrong": about one sound capture in a hundred loses a mark to it. */
const WRONG_MISFIT = 20;
/** Beyond this many wrong marks the capture as a whole is the trouble, and nothing more is dropped. */
const MOST_WRONG = 8;
/**
 * Iterations of one fit in all. Sound captures take 4 to 15, with a wrong mark up to 27. Marks that can't be this body
 * make every descent after a dropped mark run to its end: that took seconds and told nothing.
 */
const MOST_ITERATIONS = 60;

/**
 * One least-squares problem over all marks, stations and views (Levenberg-Marquardt on the
 * arrow system, limited pull of each mark). Then the worst mark that contradicts all others is
 * dropped and the fit repeated, until none is left. The capture may be left-handed: it is
 * mirrored first, and everything returned is in the lead/trail frame. `from` is an earlier fit of the
 * same swing: where the stations are the same it is where the descent begins. It ends after `most` iterations in all.
 */
export function fitBody(raw: Capture, from?: BodyFit, most = MOST_ITERATIONS): BodyFit {
  const capture = mirrorToRightHanded(raw);
  const layout = fitLayout(capture);
  const cameras = capture.views.map(cameraPrior);
  const priors = new PriorResiduals(layout, capture, cameras);
  const marks = new MarkResiduals(layout, capture);
  const base = priors.base();
  const gather = (x: Float64Array) => {
    const equations = new NormalEquations(
      layout.sharedSize,
      layout.blockSize,
      layout.stations.length - 1,
      base,
    );
    priors.addTo(equations, x);
    marks.addTo(equations, x);
    return equations;
  };
  const known = from && sameLayout(from.layout, layout) ? from.solution : null;
  let descent = descend(
    known ?? startingVector(layout, capture, cameras),
    gather,
    Math.min(MAX_ITERATIONS, most),
  );
  let { iterations } = descent;
  let factor = factored(descent);
  for (let dropped = 0; dropped < MOST_WRONG && iterations < most; dropped++) {
    const wrong = worstMark(marks, priors, descent.x, factor);
    if (!wrong) break;
    marks.leftOut.add(wrong);
    descent = descend(descent.x, gather, Math.min(MAX_ITERATIONS, most - iterations));
    iterations += descent.iterations;
    factor = factored(descent);
  }
  return fitFrom(capture, layout, cameras, descent, iterations, factor, suspects(marks, descent.x));
}

/** Where everything truly was, in the lead/trail frame. */
interface TrueState {
  /** Camera unknowns of a view, as in `CameraVector`. */
  camera(viewIndex: number): readonly number[];
  landmark(station: Station, landmark: FitLandmark): Vec3;
}

/**
 * The same problem's state at a known truth: nothing descends. Its variances are the floor (Cramer-Rao,
 * with the soft knowledge counted in) that no estimate from these marks goes under on average.
 */
export function fitAt(raw: Capture, truth: TrueState): BodyFit {
  const capture = mirrorToRightHanded(raw);
  const layout = fitLayout(capture);
  const cameras = capture.views.map(cameraPrior);
  const priors = new PriorResiduals(layout, capture, cameras);
  const marks = new MarkResiduals(layout, capture);
  const x = startingVector(layout, capture, cameras);
  capture.views.forEach((_, i) => {
    x.set(truth.camera(i), layout.cameraAt(i));
  });
  for (const station of layout.stations)
    for (const landmark of FIT_LANDMARKS)
      x.set(truth.landmark(station, landmark), layout.landmarkAt(station, landmark));
  const size = [layout.sharedSize, layout.blockSize, layout.stations.length - 1] as const;
  const equations = new NormalEquations(...size, priors.base());
  priors.addTo(equations, x);
  marks.addTo(equations, x);
  const descent: Descent = { x, equations, iterations: 0, stopped: 'converged' };
  return fitFrom(capture, layout, cameras, descent, 0, factored(descent), []);
}

function fitFrom(
  capture: Capture,
  layout: FitLayout,
  cameras: readonly CameraPrior[],
  { x, equations, stopped }: Descent,
  iterations: number,
  factor: ArrowFactor,
  wrong: readonly SuspectMark[],
): BodyFit {
  return {
    capture,
    layout,
    cameras,
    solution: x,
    factor,
    cost: equations.cost,
    iterations,
    stopped,
    suspects: wrong,
    landmark: (station, landmark) => pointAt(x, layout.landmarkAt(station, landmark)),
    camera: (i) => [...x.subarray(layout.cameraAt(i), layout.cameraAt(i) + CAMERA_SIZE)],
    variance: (form) => formVariance(factor, layout.size, form),
  };
}

const sameLayout = (a: FitLayout, b: FitLayout): boolean =>
  a.size === b.size &&
  a.stations.every((station, i) => station === b.stations[i]) &&
  a.offsets.every(
    ({ view, landmark }, i) => view === b.offsets[i]?.view && landmark === b.offsets[i]?.landmark,
  );

function factored({ equations, factor: known }: Descent): ArrowFactor {
  const factor = known ?? factorArrow(equations.system);
  if (!factor) throw new Error('fitBody: the priors make every unknown definite');
  return factor;
}

/** The mark that the others contradict most, if that is beyond belief. */
function worstMark(
  marks: MarkResiduals,
  priors: PriorResiduals,
  x: Float64Array,
  factor: ArrowFactor,
): Mark | null {
  const strained = priors.strained(x, STRAINED_SDS);
  let worst: Mark | null = null;
  let most = WRONG_MISFIT;
  for (const { mark, offBySds } of marks.distances(x)) {
    if (marks.leftOut.has(mark)) continue;
    if (offBySds < LOOK_AT_SDS && !strained.has(`${mark.station}/${mark.landmark}`)) continue;
    const misfit = marks.misfit(mark, x, factor);
    if (misfit > most) [worst, most] = [mark, misfit];
  }
  return worst;
}

const suspects = (marks: MarkResiduals, x: Float64Array): SuspectMark[] =>
  marks
    .distances(x)
    .filter(({ mark, offBySds }) => offBySds > PULL_LIMIT_SDS || marks.leftOut.has(mark))
    .sort((a, b) => b.offBySds - a.offBySds);

function formVariance(
  factor: ArrowFactor,
  size: number,
  form: readonly (readonly [number, number])[],
): number {
  const g = new Float64Array(size);
  for (const [at, coefficient] of form) g[at] = (g[at] as number) + coefficient;
  return factor.quadratic(g);
}
