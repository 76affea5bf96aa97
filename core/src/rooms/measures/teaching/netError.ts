import {
  backwardInPlace,
  choleskyInPlace,
  forwardInPlace,
  type IsoDay,
  invariant,
} from '../../../foundation/index.ts';
import type { Landmark, Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';
import { type CoachErrors, NO_STUDENTS } from './coachErrors.ts';
import { type Along, errorCovariance, type Placed } from './errorCovariance.ts';
import { mostTelling } from './mostTelling.ts';
import type { TaughtPlace } from './places.ts';
import { type Axis, ERROR_ROWS, HAND_SD } from './teachTable.ts';
import { usualError } from './usualErrors.ts';

/** What is to be taken off a place that the network sees in a new clip, and what is left open along each axis. */
export interface ExpectedError {
  readonly across: number;
  readonly down: number;
  /** Sd of what stays over the clip for this landmark and view, and of what is a station's own. */
  readonly sharedSd: number;
  readonly ownSd: number;
  readonly sharedSdDown: number;
  readonly ownSdDown: number;
  /** Of the own sds the part that is left of what hands were off: by landmark and frame, nothing goes along with it. */
  readonly handSd: number;
  /** Places it was learnt from. */
  readonly places: number;
}

/** Places whose errors are known at all. */
export const isTeachable = (view: ViewKind, landmark: Landmark): boolean =>
  ERROR_ROWS.some((row) => row.view === view && row.landmark === landmark);

/** A place that is asked about. */
interface Asked {
  readonly landmark: Landmark;
  readonly station: Station;
}

/**
 * What the network's error will be at places of a new clip, from those that were checked on this player (exact: a Gaussian process over
 * player, landmark, station, day and clip, fading with time, for each axis by itself; an ankle tells of its heel, a station of those beside it).
 * Without any it is what it is with everybody, as far as the coach's other students say so, give or take the rest.
 */
export function expectedErrors(
  taught: readonly TaughtPlace[],
  view: ViewKind,
  asked: readonly Asked[],
  today: IsoDay,
  coach: CoachErrors = NO_STUDENTS,
): ExpectedError[] {
  const known = mostTelling(taught.filter((place) => place.view === view));
  const along = (axis: Axis) => alongAxis(known, { view, axis, coach }, asked, today);
  const [across, down] = [along('across'), along('down')];
  return asked.map(({ landmark }, i) => {
    const [a, d] = [across[i] as AxisError, down[i] as AxisError];
    return {
      across: a.mean,
      down: d.mean,
      sharedSd: a.sharedSd,
      ownSd: a.ownSd,
      sharedSdDown: d.sharedSd,
      ownSdDown: d.ownSd,
      handSd: Math.max(a.handSd, d.handSd),
      places: known.filter((place) => place.landmark === landmark).length,
    };
  });
}

interface AxisError {
  readonly mean: number;
  readonly sharedSd: number;
  readonly ownSd: number;
  readonly handSd: number;
}

function alongAxis(
  known: readonly TaughtPlace[],
  of: Along,
  asked: readonly Asked[],
  today: IsoDay,
): AxisError[] {
  const { view, axis, coach } = of;
  const n = known.length;
  const { placed, between } = errorCovariance(of);
  const taught = known.map(placed);
  const factor = new Float64Array(n * n);
  taught.forEach((a, i) => {
    for (let j = 0; j <= i; j++) factor[i * n + j] = between(a, taught[j] as Placed);
    factor[i * n + i] = (factor[i * n + i] as number) + handSdOf(known[i] as TaughtPlace) ** 2;
  });
  invariant(choleskyInPlace(factor, n), 'netError: the tables of errors are no covariances');
  const usual = ({ landmark, station }: Asked) =>
    usualError(view, landmark, station)[axis] + coach(view, landmark, station, axis).mean;
  const target = forward(
    factor,
    known.map((place) => place[axis] - usual(place)),
  );
  const news = asked.map((one) => {
    const place = placed({ ...one, clip: '', on: today });
    const solved = forward(
      factor,
      taught.map((other) => between(place, other)),
    );
    return { ...one, place, solved };
  });
  type News = (typeof news)[number];
  const left = (a: News, b: News) => between(a.place, b.place) - dot(a.solved, b.solved);
  // Covariance of a landmark's errors at the stations asked for, the new clip's own share in all of them.
  const shared = new Map(
    [...new Set(asked.map(({ landmark }) => landmark))].map((landmark) => {
      const kin = news.filter((one) => one.landmark === landmark);
      return [landmark, sharedPart(kin.map((a) => kin.map((b) => left(a, b))))] as const;
    }),
  );
  const handSds = known.map(handSdOf);
  return news.map((one) => {
    const together = shared.get(one.landmark) as number;
    const weights = weightsOf(factor, one.solved);
    return {
      mean: usual(one) + dot(one.solved, target),
      sharedSd: Math.sqrt(together),
      ownSd: Math.sqrt(Math.max(0, left(one, one) - together)),
      handSd: Math.hypot(...weights.map((w, k) => w * (handSds[k] as number))),
    };
  });
}

/** No hand is taken to be surer than this: the same place said twice is said once. */
const LEAST_HAND_SD = 0.0005;
const handSdOf = ({ handSd = HAND_SD }: TaughtPlace): number => Math.max(handSd, LEAST_HAND_SD);

/** What all stations have in common: the mean of what two different ones share, as far as each of them has it. */
function sharedPart(left: readonly (readonly number[])[]): number {
  const n = left.length;
  if (n === 1) return 0;
  let sum = 0;
  for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) sum += left[i]?.[j] as number;
  const most = Math.min(...left.map((row, i) => row[i] as number));
  return Math.max(0, Math.min(most, sum / ((n * (n - 1)) / 2)));
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += (a[i] as number) * (b[i] as number);
  return sum;
}

/** y of L y = b. */
function forward(lower: Float64Array, b: readonly number[]): Float64Array {
  const y = Float64Array.from(b);
  forwardInPlace(lower, y.length, y);
  return y;
}

/** Of L L' w = b, once L y = b is solved, the weight of each. */
function weightsOf(lower: Float64Array, y: Float64Array): Float64Array {
  const w = Float64Array.from(y);
  backwardInPlace(lower, w.length, w);
  return w;
}
