import { distance, type Vec3 } from '../../foundation/index.ts';
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
  const place = (x: Float64Array, l: FitLandmark): Vec3 => {
    const at = 3 * landmarks.indexOf(l);
    return [x[at] as number, x[at + 1] as number, x[at + 2] as number];
  };
  const lengths = segmentPairs().filter(([a, b]) => own[a] && own[b]);
  const ownLengthIn = new Map(
    lengths.map(([a, b]) => [`${a}/${b}`, distance(own[a] as Vec3, own[b] as Vec3)]),
  );
  const residuals = (x: Float64Array): Float64Array => {
    const read: PoseReader = (s, l) => (s === station ? place(x, l) : (done.get(s)?.[l] as Vec3));
    const stays = landmarks.flatMap((l, k) => {
      const sd = FEET.includes(l) ? FOOT_SD_IN : OWN_SD_IN;
      return [0, 1, 2].map((axis) => ((x[3 * k + axis] as number) - (start[3 * k + axis] as number)) / sd);
    });
    const keeps = lengths.map(
      ([a, b]) =>
        (distance(place(x, a), place(x, b)) - (ownLengthIn.get(`${a}/${b}`) as number)) / LENGTH_SD_IN,
    );
    const bands = asked.map(
      ({ definition, inner }) =>
        excess(definition.value(read, sizes), inner) / (BAND_SD_STEPS * inner.band.step),
    );
    return Float64Array.from([...stays, ...keeps, ...bands]);
  };
  const { x } = descend(start, (at) => gathered(at, residuals));
  return Object.fromEntries(landmarks.map((l) => [l, place(x, l)]));
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

/**
 * What the residuals add up to at a place, their slopes taken by small steps: few unknowns, and bands
 * whose edges have no other slope.
 */
function gathered(x: Float64Array, residuals: (x: Float64Array) => Float64Array): NormalEquations {
  const here = residuals(x);
  const stepped = Array.from(x, (value, i) => {
    const moved = x.slice();
    moved[i] = value + SLOPE_STEP_IN;
    return residuals(moved);
  });
  const equations = new NormalEquations(x.length, 0, 0);
  here.forEach((residual, k) => {
    const slopes = stepped.map((there) => ((there[k] as number) - residual) / SLOPE_STEP_IN);
    const touched = [...slopes.keys()].filter((i) => slopes[i] !== 0);
    equations.add(
      touched,
      touched.map((i) => slopes[i] as number),
      residual,
    );
  });
  return equations;
}
