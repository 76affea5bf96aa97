import { normalCdf, Z80 } from '../../foundation/index.ts';
import {
  CAMERA_SIZE,
  type Capture,
  cameraFrame,
  type Landmark,
  MARKS_WANTED,
  projectWithSlopes,
  type Station,
  sightSdPx,
} from '../capture/index.ts';
import type { Band } from '../intake/index.ts';
import { bandFor } from '../intake/index.ts';
import type { BodyFit } from './bodyFit.ts';
import type { FitLandmark } from './bodyPriors.ts';
import { POSE_MEASURES } from './definitions.ts';
import { isProposal } from './fitLayout.ts';
import { bandContext, golferSizes, measureForm } from './measureCapture.ts';
import { judge } from './verdict.ts';

/** A mark not placed yet, or only proposed, and what it would most likely settle. */
export interface NextMark {
  readonly view: string;
  readonly station: Station;
  readonly landmark: Landmark;
  /** Expected number of undecided measures, by how much they are wanted, that this mark alone would settle. */
  readonly settles: number;
  /** The measures it would tell most about, the most first; three at most. */
  readonly about: readonly string[];
}

/** Standard normal quantile of SURE: so many sds inside a region make a verdict. */
/** What a mark that settles nothing alone still counts for, by how much it narrows. */
const NARROWING = 0.02;
/** A mark that takes less than this share of a measure's variance earns so much less of its verdict. */
const TELLING_SHARE = 0.25;
const NAMED_AT_MOST = 3;
/** A share of what a mark settles below which a measure is not named beside it. */
const WORTH_NAMING = 0.15;
const HIPS: readonly Landmark[] = ['lead_hip', 'trail_hip'];

/** An undecided measure with H^-1 g of its slopes g, so that any mark's effect is a few products. */
interface Open {
  readonly id: string;
  readonly wanted: number;
  readonly value: number;
  readonly variance: number;
  /** Variance that no mark takes away (a hip width from the height table). */
  readonly fixed: number;
  readonly band: Band;
  readonly towards: Float64Array;
}

/** How much a measure's verdict is wanted: 1 for those a coach looks at first, little for the rest. */
type Wanted = (measure: string) => number;

/**
 * Marks still to place at `stations`, by what each would settle, the most useful first. Everything hangs
 * on the hips, so they come before all others, in the view that sees them best (from the front, where
 * there is one); without a fit they are all that is said. Then, for each other mark as if seen clearly:
 * how far would every undecided measure narrow (matrix inversion lemma, no refit), and how likely would
 * its verdict then be told (its value is expected to move within what it narrows by).
 */
export function nextMarks(
  raw: Capture,
  fit: BodyFit | null,
  stations: readonly Station[],
  wanted: Wanted = () => 1,
): NextMark[] {
  const places = unmarked(raw, stations);
  const first = (raw.views.find(({ kind }) => kind === 'face_on') ?? raw.views[0])?.id;
  const proposed = new Set(raw.marks.map((m) => `${m.view}/${m.station}/${m.landmark}`));
  const hips = places.filter(
    ({ view, station, landmark }) =>
      view === first && HIPS.includes(landmark) && !proposed.has(`${view}/${station}/${landmark}`),
  );
  if (hips.length > 0) return hips.map((place) => ({ ...place, settles: 0, about: [] }));
  if (!fit) return [];
  const there = new Set(fit.layout.stations);
  const open = openMeasures(fit, raw, wanted);
  return places
    .filter(({ station }) => there.has(station))
    .map((place) => weigh(fit, place, open))
    .sort((a, b) => b.score - a.score)
    .map(({ score: _, ...next }) => next);
}

type Place = Pick<NextMark, 'view' | 'station' | 'landmark'>;

/** Places without a mark that a hand has set or checked: what a network proposed may still be looked at. */
function unmarked({ marks, views }: Capture, stations: readonly Station[]): Place[] {
  const byHand = marks.filter((mark) => !isProposal(mark));
  const marked = new Set(byHand.map((m) => `${m.view}/${m.station}/${m.landmark}`));
  return stations.flatMap((station) =>
    views.flatMap((view) =>
      (MARKS_WANTED[view.kind] as readonly Landmark[])
        .filter((landmark) => !marked.has(`${view.id}/${station}/${landmark}`))
        .map((landmark) => ({ view: view.id, station, landmark })),
    ),
  );
}

function openMeasures(fit: BodyFit, raw: Capture, wanted: Wanted): Open[] {
  const [sizes, context] = [golferSizes(raw), bandContext(raw)];
  const there = new Set(fit.layout.stations);
  return POSE_MEASURES.filter(({ needs }) => needs.every(([station]) => there.has(station))).flatMap(
    (definition) => {
      const { value, variance, fixed, form } = measureForm(fit, definition, sizes);
      const band = bandFor(definition.id, context);
      if (judge(value, Math.sqrt(variance + fixed), band).verdict !== 'cant_tell') return [];
      const g = new Float64Array(fit.layout.size);
      for (const [at, slope] of form) g[at] = (g[at] as number) + slope;
      const { id } = definition;
      return [{ id, wanted: wanted(id), value, variance, fixed, band, towards: fit.factor.solve(g) }];
    },
  );
}

/** The sd of each undecided measure once this place is marked clearly, by measure. */
export function sdsAfter(fit: BodyFit, raw: Capture, place: Place): Map<string, number> {
  const spread = markSlopes(fit, place);
  return new Map(openMeasures(fit, raw, () => 1).map((m) => [m.id, Math.sqrt(after(m, spread).left)]));
}

/** What a mark takes of a measure's variance, and what it leaves. */
function after({ variance, fixed, towards }: Open, { u, v, spread }: MarkSlopes) {
  const [cu, cv] = [dot(u, towards), dot(v, towards)];
  const taken = (cu * cu * spread.vv - 2 * cu * cv * spread.uv + cv * cv * spread.uu) / spread.det;
  return { taken: Math.max(taken, 0), left: Math.max(variance - taken, 1e-9) + fixed };
}

function weigh(fit: BodyFit, place: Place, open: readonly Open[]): NextMark & { readonly score: number } {
  const mark = markSlopes(fit, place);
  const said = open.map((measure) => {
    const { taken, left } = after(measure, mark);
    const told = toldAfter(measure, left, Math.sqrt(taken));
    const narrowed = Math.log((measure.variance + measure.fixed) / left) / 2;
    // A verdict on the brink may fall either way with any mark: one that hardly narrows it is not asked for that.
    const earned = Math.min(1, taken / (taken + left) / TELLING_SHARE);
    return {
      id: measure.id,
      told: measure.wanted * told,
      part: measure.wanted * (earned * told + NARROWING * narrowed),
    };
  });
  const settles = said.reduce((sum, { told }) => sum + told, 0);
  const score = said.reduce((sum, { part }) => sum + part, 0);
  const about = said
    .filter(({ part }) => part > WORTH_NAMING * score)
    .sort((a, b) => b.part - a.part)
    .slice(0, NAMED_AT_MOST)
    .map(({ id }) => id);
  return { ...place, settles, about, score };
}

/** Chance that a measure has a verdict once its variance is `left` and its value moved by about `moves`. */
function toldAfter({ value, band }: Open, left: number, moves: number): number {
  if (moves < 1e-6) return 0;
  const margin = Z80 * Math.sqrt(left);
  const below = (edge: number) => normalCdf((edge - value) / moves);
  const low = band.lo === null ? 0 : below(band.lo - margin);
  const high = band.hi === null ? 0 : 1 - below(band.hi + margin);
  const from = band.lo === null ? 0 : below(band.lo + margin);
  const to = band.hi === null ? 1 : below(band.hi - margin);
  return low + high + Math.max(0, to - from);
}

type Slopes = readonly (readonly [at: number, slope: number])[];

const dot = (slopes: Slopes, x: Float64Array): number =>
  slopes.reduce((sum, [at, slope]) => sum + slope * (x[at] as number), 0);

type MarkSlopes = ReturnType<typeof markSlopes>;

/** A clear mark's slopes in its own sds, and the spread of where it would be found (2 x 2, with its own). */
function markSlopes(fit: BodyFit, { view, station, landmark }: Place) {
  const { capture, layout } = fit;
  const i = capture.views.findIndex(({ id }) => id === view);
  const seen = capture.views[i] as Capture['views'][number];
  const camera = fit.camera(i);
  const part = landmark as FitLandmark;
  const p = projectWithSlopes(fit.landmark(station, part), camera, cameraFrame(seen.kind, camera), seen);
  const sdPx = sightSdPx('clear', seen.widthPx);
  const along = (cameraSlopes: readonly number[], pointSlopes: readonly number[]): Slopes => [
    ...cameraSlopes.slice(0, CAMERA_SIZE).map((s, k) => [layout.cameraAt(i) + k, s / sdPx] as const),
    ...pointSlopes.map((s, k) => [layout.landmarkAt(station, part) + k, s / sdPx] as const),
  ];
  const [u, v] = [along(p.duCamera, p.duPoint), along(p.dvCamera, p.dvPoint)];
  const [huu, hvv, hsum] = [fit.variance(u), fit.variance(v), fit.variance([...u, ...v])];
  const [uu, vv, uv] = [1 + huu, 1 + hvv, (hsum - huu - hvv) / 2];
  return { u, v, spread: { uu, vv, uv, det: uu * vv - uv * uv } };
}
