import { type Vec3, Z95 } from '../../foundation/index.ts';
import type { Capture, Landmark, Station } from '../capture/index.ts';
import {
  type Band,
  type BandContext,
  bandFor,
  bodySizes,
  SIZE_SD_SHARE,
  type ViewKind,
} from '../intake/index.ts';
import { blindVariance, keyOf, type SeenBy } from './blindSides.ts';
import { type BodyFit, fitBody, type SuspectMark } from './bodyFit.ts';
import type { FitLandmark } from './bodyPriors.ts';
import { type CameraReport, reportCameras } from './cameraReport.ts';
import { clipTiming } from './clipTiming.ts';
import { withoutContradiction } from './contradictingViews.ts';
import {
  BACK_PEAK_STATIONS,
  BEARINGS,
  type BearingDefinition,
  clockHour,
  type GolferSizes,
  type MeasureDefinition,
  POSE_MEASURES,
  type PoseReader,
  shiftBackPeak,
  TRACK_MEASURES,
} from './definitions.ts';
import { landmarkCovariance } from './formCovariance.ts';
import { type Need, needsOf } from './needs.ts';
import { type Doubt, doubtOf } from './notOneBody.ts';
import { judge, type Verdict } from './verdict.ts';

export interface Measure {
  readonly id: string;
  readonly station: Station;
  readonly value: number;
  readonly sd: number;
  readonly lo95: number;
  readonly hi95: number;
  readonly verdict: Verdict;
  /** Steps beyond the band, signed; 0 inside. */
  readonly severity: number;
  readonly band: Band;
}

interface FittedLandmark {
  readonly station: Station;
  readonly id: FitLandmark;
  readonly at: Vec3;
  /** Row-major 3 x 3, square inches. */
  readonly covIn2: readonly (readonly number[])[];
  readonly marked: boolean;
}

export interface Measured {
  readonly measures: readonly Measure[];
  /** Why nothing is measured although there are marks. */
  readonly doubt: Doubt | null;
  /** Marked landmarks with their covariance; worked out when asked, it is the dearest part. */
  readonly landmarks: () => FittedLandmark[];
  readonly views: readonly CameraReport[];
  readonly needs: readonly Need[];
  readonly suspects: readonly SuspectMark[];
  readonly fit: BodyFit;
}

const DIFFERENCE_STEP_IN = 1e-3;
const TAPED_WIDTH_SD_SHARE = 0.02;
/** A measure of unmarked landmarks is told when its sd is at most so many steps. */
const PREDICTED_SD_STEPS = 1;

/** Counts up when measures or bands change so that an older reading no longer says what this program would. */
export const MEASURES_VERSION = 2;

/** From marks to judged measures; `capture` must have passed `checkCapture`. `from`: an earlier fit of this swing. */
export function measureCapture(raw: Capture, from?: BodyFit): Measured {
  const first = fitBody(raw, from);
  const capture = withoutContradiction(raw, first);
  const fit = capture === raw ? first : fitBody(capture);
  const doubt = doubtOf(fit);
  const measures = doubt ? [] : measuresOf(fit, capture);
  return {
    measures,
    doubt,
    landmarks: () => fittedLandmarks(fit, markedSet(capture)),
    views: reportCameras(fit),
    needs: needsOf(capture, measures, [...TRACK_MEASURES]),
    suspects: fit.suspects,
    fit,
  };
}

/** What must be marked at a measure's stations before anything may be predicted there. */
const hipsAt = (definition: MeasureDefinition): MeasureDefinition['needs'] =>
  definition.needs.map(([station]) => [station, ['lead_hip', 'trail_hip']]);

/** Every measure that a capture's marks allow, read from one fit of it. */
export function measuresOf(fit: BodyFit, capture: Capture): Measure[] {
  const marked = markedSet(capture);
  const has = (needs: MeasureDefinition['needs']) =>
    needs.every(([station, landmarks]) => landmarks.every((l) => marked.has(`${station}/${l}`)));
  const context = bandContext(capture);
  const sizes = golferSizes(capture);
  const seen = seenFrom(capture);
  const poseMeasures = POSE_MEASURES.flatMap((definition) => {
    if (has(definition.needs)) return [measureOne(fit, definition, sizes, context, seen)];
    return has(hipsAt(definition)) ? predicted(fit, definition, sizes, context, seen) : [];
  });
  const peak = backPeak(fit, has);
  const peakMeasure = peak ? [measureOne(fit, shiftBackPeak(peak), sizes, context, seen)] : [];
  const bearings = BEARINGS.flatMap((definition) => bearing(fit, definition, peak, has, context, seen));
  return [...poseMeasures, ...peakMeasure, ...bearings, ...timed(capture, context)];
}

/** What two named moments of a clip tell; a track tells it better. */
function timed(capture: Capture, context: BandContext): Measure[] {
  const timing = clipTiming(capture);
  return timing ? [judged('transition_lead_ms', 'top', timing.valueMs, timing.sdMs, context)] : [];
}

/** Feet that stay planted, segments that keep their length: what was not marked may still be known well enough. */
function predicted(
  fit: BodyFit,
  definition: MeasureDefinition,
  sizes: GolferSizes,
  context: BandContext,
  seen: SeenBy,
): Measure[] {
  const measure = measureOne(fit, definition, sizes, context, seen);
  return measure.sd <= measure.band.step * PREDICTED_SD_STEPS ? [measure] : [];
}

/** Sizes that measures divide by, taped or from the height. */
export function golferSizes(capture: Capture): GolferSizes {
  return {
    outerHipWidthIn: bodySizes(capture.golfer).outerHipWidthIn,
    outerHipWidthSdShare: capture.golfer.outerHipWidthIn === null ? SIZE_SD_SHARE : TAPED_WIDTH_SD_SHARE,
  };
}

/** Whose bands these are: body, club and school of a capture. */
export const bandContext = (capture: Capture): BandContext => ({
  heightIn: capture.golfer.heightIn,
  flexibility: capture.golfer.flexibility,
  armSwing: capture.golfer.armSwing,
  club: capture.club,
  school: capture.school,
});

/** A measure's value with its variance from the fit, the variance that no mark takes away, and its slopes. */
export function measureForm(fit: BodyFit, definition: MeasureDefinition, sizes: GolferSizes) {
  const value = definition.value((station, landmark) => fit.landmark(station, landmark), sizes);
  const form = slopesOf(fit, definition, sizes);
  const fixed = definition.dividesByHipWidth ? (value * sizes.outerHipWidthSdShare) ** 2 : 0;
  return { value, variance: fit.variance(form), fixed, form };
}

function measureOne(
  fit: BodyFit,
  definition: MeasureDefinition,
  sizes: GolferSizes,
  context: BandContext,
  seen: SeenBy,
): Measure {
  const { value, variance, fixed } = measureForm(fit, definition, sizes);
  const sd = Math.sqrt(variance + fixed + blindVariance(definition, seen));
  return judged(definition.id, definition.station, value, sd, context);
}

function judged(id: string, station: Station, value: number, sd: number, context: BandContext): Measure {
  const band = bandFor(id, context);
  const { verdict, severity } = judge(value, sd, band);
  return { id, station, value, sd, lo95: value - Z95 * sd, hi95: value + Z95 * sd, verdict, severity, band };
}

/** The measure's slope along every coordinate it reads, by central differences. */
function slopesOf(fit: BodyFit, definition: MeasureDefinition, sizes: GolferSizes): [number, number][] {
  const form: [number, number][] = [];
  for (const [station, landmarks] of definition.needs) {
    for (const landmark of landmarks) {
      const start = fit.layout.landmarkAt(station, landmark);
      for (let axis = 0; axis < 3; axis++) {
        const nudged =
          (by: number): PoseReader =>
          (s, l) => {
            const point = fit.landmark(s, l);
            if (s !== station || l !== landmark) return point;
            const moved: [number, number, number] = [...point];
            moved[axis] = (moved[axis] as number) + by;
            return moved;
          };
        const up = definition.value(nudged(DIFFERENCE_STEP_IN), sizes);
        const down = definition.value(nudged(-DIFFERENCE_STEP_IN), sizes);
        form.push([start + axis, (up - down) / (2 * DIFFERENCE_STEP_IN)]);
      }
    }
  }
  return form;
}

/** The station at which the pelvis centre stood furthest from the target; needs one before the top. */
function backPeak(fit: BodyFit, has: (needs: MeasureDefinition['needs']) => boolean): Station | null {
  const present = BACK_PEAK_STATIONS.filter((station) => has(shiftBackPeak(station).needs));
  if (!present.some((station) => station !== 'top')) return null;
  const x = (station: Station) =>
    fit.landmark(station, 'lead_hip')[0] + fit.landmark(station, 'trail_hip')[0];
  return present.reduce((a, b) => (x(b) < x(a) ? b : a));
}

/** A bearing, or nothing where the pelvis moved less than twice its own uncertainty. */
function bearing(
  fit: BodyFit,
  definition: BearingDefinition,
  peak: Station | null,
  has: (needs: MeasureDefinition['needs']) => boolean,
  context: BandContext,
  seen: SeenBy,
): Measure[] {
  const to = definition.to === 'back_peak' ? peak : definition.to;
  const hips = ['lead_hip', 'trail_hip'] as const;
  if (!to) return [];
  const needs = [
    [definition.from, hips],
    [to, hips],
  ] as const;
  if (!has(needs)) return [];
  const form = (axis: 0 | 1): [number, number][] =>
    hips.flatMap((hip) => [
      [fit.layout.landmarkAt(to, hip) + axis, 0.5] as [number, number],
      [fit.layout.landmarkAt(definition.from, hip) + axis, -0.5] as [number, number],
    ]);
  const along = (axis: 0 | 1) =>
    form(axis).reduce((sum, [at, k]) => sum + k * (fit.solution[at] as number), 0);
  const [dx, dy] = [along(0), along(1)];
  const length = Math.hypot(dx, dy);
  const across = (a: number, b: number): [number, number][] => [
    ...form(0).map(([at, k]) => [at, k * a] as [number, number]),
    ...form(1).map(([at, k]) => [at, k * b] as [number, number]),
  ];
  const lengthSd = Math.sqrt(fit.variance(across(dx / length, dy / length)));
  if (length < 2 * lengthSd) return [];
  const sideSd = Math.sqrt(fit.variance(across(-dy / length, dx / length)));
  const fitSd = (sideSd / length) * (12 / (2 * Math.PI));
  const hourSd = Math.hypot(fitSd, Math.sqrt(blindVariance({ id: definition.id, needs }, seen)));
  return [judged(definition.id, definition.station, clockHour(dx, dy), hourSd, context)];
}

/** From which sides each place was marked. */
function seenFrom({ marks, views }: Capture): SeenBy {
  const kinds = new Map(views.map((view) => [view.id, view.kind]));
  const seen = new Map<string, Set<ViewKind>>();
  for (const { view, station, landmark } of marks) {
    const key = keyOf(station, landmark);
    const kind = kinds.get(view);
    if (kind) seen.set(key, (seen.get(key) ?? new Set()).add(kind));
  }
  return seen;
}

function markedSet(capture: Capture): Set<string> {
  return new Set(capture.marks.map((mark) => `${mark.station}/${mark.landmark satisfies Landmark}`));
}

function fittedLandmarks(fit: BodyFit, marked: ReadonlySet<string>): FittedLandmark[] {
  const landmarks: FittedLandmark[] = [];
  for (const key of marked) {
    const [station, id] = key.split('/') as [Station, FitLandmark | 'ball'];
    if (id === 'ball') continue;
    landmarks.push({
      station,
      id,
      at: fit.landmark(station, id),
      covIn2: landmarkCovariance(fit, station, id),
      marked: true,
    });
  }
  return landmarks;
}
