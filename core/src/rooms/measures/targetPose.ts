import { distance, norm, scale, sub, type Vec3 } from '../../foundation/index.ts';
import { STATIONS, type Station } from '../capture/index.ts';
import type { Band, BandContext } from '../intake/index.ts';
import { bandFor } from '../intake/index.ts';
import { FIT_LANDMARKS, type FitLandmark, SEGMENTS } from './bodyPriors.ts';
import { type GolferSizes, type MeasureDefinition, POSE_MEASURES, type PoseReader } from './definitions.ts';
import { descend } from './descend.ts';
import { NormalEquations } from './normalEquations.ts';

/** Landmarks of one station, inches in the ground frame. */
export type Pose = Readonly<Partial<Record<FitLandmark, Vec3>>>;

export interface TargetPose {
  readonly station: Station;
  readonly target: Pose;
  /** Measures that were out of band and that the target mends. */
  readonly mends: readonly string[];
}

/** How far a landmark leaves its own place as lightly as another keeps its length or a band its edge. */
const OWN_SD_IN = 3;
const FOOT_SD_IN = 0.4;
const LENGTH_SD_IN = 0.05;
const BAND_SD_STEPS = 0.05;
/** The target stands this share of a band's width inside its edge, or this many steps of a one-sided one. */
const INSIDE_SHARE = 0.15;
const INSIDE_STEPS = 0.2;
const SLOPE_STEP_IN = 1e-4;
const FEET: readonly FitLandmark[] = [
  'lead_ankle',
  'lead_heel',
  'lead_toe',
  'trail_ankle',
  'trail_heel',
  'trail_toe',
];

/**
 * For each station the pose nearest to the student's own in which every measure lies inside its band
 * and every segment keeps the student's own length: least squares, station after station in the order
 * of the swing, later stations measured from the earlier targets. What no band speaks of stays.
 */
export function targetPoses(
  poses: ReadonlyMap<Station, Pose>,
  sizes: GolferSizes,
  context: BandContext,
): TargetPose[] {
  const done = new Map<Station, Pose>();
  return STATIONS.flatMap((station) => {
    const own = poses.get(station);
    if (!own) return [];
    const asked = measuresAt(station, poses).map((definition) => ({
      definition,
      inner: innerBand(bandFor(definition.id, context)),
    }));
    const readOwn: PoseReader = (s, l) => poses.get(s)?.[l] as Vec3;
    const mends = asked
      .filter(({ definition, inner }) => excess(definition.value(readOwn, sizes), inner.band) !== 0)
      .map(({ definition }) => definition.id);
    const target = nearestPose(station, own, done, asked, sizes);
    done.set(station, target);
    return [{ station, target, mends }];
  });
}

/**
 * The pose nearest to `own` in which the measures of its station lie inside their bands, as far as `done`
 * holds the stations they are measured from; those that `leaveOut` names are not asked for.
 */
export function poseInBands(
  station: Station,
  own: Pose,
  done: ReadonlyMap<Station, Pose>,
  sizes: GolferSizes,
  context: BandContext,
  leaveOut: (measure: string) => boolean = () => false,
): Pose {
  const asked = measuresAt(station, new Map([...done, [station, own]]))
    .filter(({ id }) => !leaveOut(id))
    .map((definition) => ({ definition, inner: innerBand(bandFor(definition.id, context)) }));
  return nearestPose(station, own, done, asked, sizes);
}

interface Asked {
  readonly definition: MeasureDefinition;
  readonly inner: { readonly lo: number | null; readonly hi: number | null; readonly band: Band };
}

const measuresAt = (station: Station, poses: ReadonlyMap<Station, Pose>): MeasureDefinition[] =>
  POSE_MEASURES.filter(
    (d) => d.station === station && d.needs.every(([s, ls]) => ls.every((l) => poses.get(s)?.[l])),
  );

function innerBand(band: Band): Asked['inner'] {
  const { lo, hi, step } = band;
  const inside = lo !== null && hi !== null ? INSIDE_SHARE * (hi - lo) : INSIDE_STEPS * step;
  return { lo: lo === null ? null : lo + inside, hi: hi === null ? null : hi - inside, band };
}

/** How far a value lies outside, signed; 0 inside. */
const excess = (value: number, { lo, hi }: { lo: number | null; hi: number | null }): number =>
  lo !== null && value < lo ? value - lo : hi !== null && value > hi ? value - hi : 0;

function nearestPose(
  station: Station,
  own: Pose,
  done: ReadonlyMap<Station, Pose>,
  asked: readonly Asked[],
  sizes: GolferSizes,
): Pose {
  const landmarks = FIT_LANDMARKS.filter((l) => own[l]);
  const start = Float64Array.from(landmarks.flatMap((l) => own[l] as Vec3));
  const at = (l: FitLandmark): number => 3 * landmarks.indexOf(l);
  const lengths = segmentPairs()
    .filter(([a, b]) => own[a] && own[b])
    .map(([a, b]) => ({ a: at(a), b: at(b), lengthIn: distance(own[a] as Vec3, own[b] as Vec3) }));
  const bands = asked.map(({ definition, inner }): BandAsked => {
    const needed = definition.needs.find(([s]) => s === station)?.[1] ?? [];
    return {
      touches: needed.flatMap((l) => [at(l), at(l) + 1, at(l) + 2]),
      off: (x) => {
        const read: PoseReader = (s, l) => (s === station ? placeOf(x, at(l)) : (done.get(s)?.[l] as Vec3));
        return excess(definition.value(read, sizes), inner) / (BAND_SD_STEPS * inner.band.step);
      },
    };
  });
  const { x } = descend(start, (here) => {
    const equations = new NormalEquations(here.length, 0, 0);
    addStays(equations, here, start, landmarks);
    for (const length of lengths) addLength(equations, here, length);
    for (const band of bands) addBand(equations, here, band);
    return equations;
  });
  return Object.fromEntries(landmarks.map((l) => [l, placeOf(x, at(l))]));
}

/** A measure that is asked into its band: how far off it is in sds, and the unknowns it is read from. */
interface BandAsked {
  readonly touches: readonly number[];
  readonly off: (x: Float64Array) => number;
}

const placeOf = (x: Float64Array, at: number): Vec3 => [
  x[at] as number,
  x[at + 1] as number,
  x[at + 2] as number,
];

function addStays(
  equations: NormalEquations,
  here: Float64Array,
  start: Float64Array,
  landmarks: readonly FitLandmark[],
): void {
  landmarks.forEach((l, k) => {
    const sd = FEET.includes(l) ? FOOT_SD_IN : OWN_SD_IN;
    for (let i = 3 * k; i < 3 * k + 3; i++)
      equations.add([i], [1 / sd], ((here[i] as number) - (start[i] as number)) / sd);
  });
}

function addLength(
  equations: NormalEquations,
  here: Float64Array,
  { a, b, lengthIn }: { readonly a: number; readonly b: number; readonly lengthIn: number },
): void {
  const apart = sub(placeOf(here, a), placeOf(here, b));
  const far = norm(apart);
  const way = scale(apart, 1 / (Math.max(far, 1e-6) * LENGTH_SD_IN));
  equations.add(
    [a, a + 1, a + 2, b, b + 1, b + 2],
    [...way, ...scale(way, -1)],
    (far - lengthIn) / LENGTH_SD_IN,
  );
}

/** Slopes by small steps: a band's edge has no other. */
function addBand(equations: NormalEquations, here: Float64Array, { touches, off }: BandAsked): void {
  const residual = off(here);
  if (residual === 0) return;
  const slopes = touches.map((i) => {
    const kept = here[i] as number;
    here[i] = kept + SLOPE_STEP_IN;
    const moved = off(here);
    here[i] = kept;
    return (moved - residual) / SLOPE_STEP_IN;
  });
  equations.add(touches, slopes, residual);
}

/** Pairs of landmarks whose distance a body keeps; the pelvis stands for the two hips. */
export function segmentPairs(): [FitLandmark, FitLandmark][] {
  const fixed = SEGMENTS.flatMap(({ ends }) =>
    ends.flatMap(([a, b]): [FitLandmark, FitLandmark][] =>
      a === 'pelvis'
        ? [
            ['lead_hip', b],
            ['trail_hip', b],
          ]
        : [[a, b]],
    ),
  );
  return [
    ...fixed,
    ['lead_hip', 'seat'],
    ['trail_hip', 'seat'],
    ['neck', 'sternum'],
    ['neck', 'lead_shoulder'],
    ['neck', 'trail_shoulder'],
    ['lead_ankle', 'lead_toe'],
    ['trail_ankle', 'trail_toe'],
  ];
}
