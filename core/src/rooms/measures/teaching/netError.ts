import { daysBetween, type IsoDay } from '../../../foundation/index.ts';
import type { Landmark, Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';
import { type CoachErrors, NO_STUDENTS } from './coachErrors.ts';
import type { TaughtPlace } from './places.ts';
import {
  type Axis,
  CLIP_SHARE,
  ERROR_ROWS,
  FADES_IN_DAYS,
  HAND_SD,
  PLAYER_SHARE,
  restTimes,
  WORLD_SHARE,
} from './teachTable.ts';
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
  /** Places it was learnt from. */
  readonly places: number;
}

/** Places whose errors are known at all. */
export const isTeachable = (view: ViewKind, landmark: Landmark): boolean =>
  ERROR_ROWS.some((row) => row.view === view && row.landmark === landmark);

/**
 * What the network's error will be at `stations` of a new clip, from places that were checked on this player (exact: a Gaussian
 * process over player, station and clip, fading with time, for each axis by itself). Without any it is what it is with everybody,
 * as far as the coach's other students say so, give or take the rest.
 */
export function expectedErrors(
  taught: readonly TaughtPlace[],
  view: ViewKind,
  landmark: Landmark,
  stations: readonly Station[],
  today: IsoDay,
  coach: CoachErrors = NO_STUDENTS,
): ReadonlyMap<Station, ExpectedError> {
  const own = taught.filter((place) => place.view === view && place.landmark === landmark);
  const along = (axis: Axis) => alongAxis(own, { view, landmark, axis, coach }, stations, today);
  const [across, down] = [along('across'), along('down')];
  return new Map(
    stations.map((station, i) => {
      const [a, d] = [across[i] as AxisError, down[i] as AxisError];
      return [
        station,
        {
          across: a.mean,
          down: d.mean,
          sharedSd: a.sharedSd,
          ownSd: a.ownSd,
          sharedSdDown: d.sharedSd,
          ownSdDown: d.ownSd,
          places: own.length,
        },
      ];
    }),
  );
}

interface AxisError {
  readonly mean: number;
  readonly sharedSd: number;
  readonly ownSd: number;
}

/** One landmark of a view along one axis, with what the coach's other students say of it. */
interface Of {
  readonly view: ViewKind;
  readonly landmark: Landmark;
  readonly axis: Axis;
  readonly coach: CoachErrors;
}

function alongAxis(
  own: readonly TaughtPlace[],
  of: Of,
  stations: readonly Station[],
  today: IsoDay,
): AxisError[] {
  const together = covarianceOf(of);
  const restOf = (station: Station): number =>
    together.rest * (1 - CLIP_SHARE) * restTimes(of.view, of.landmark, station, of.axis);
  const known = own.map((a) =>
    own.map(
      (b) => together.of(a, b) + (a === b ? restOf(a.station) * (a.times ?? 1) ** 2 + HAND_SD ** 2 : 0),
    ),
  );
  const factor = cholesky(known);
  const asked = stations.map((station) => ({ station, clip: '', on: today }));
  const solved = asked.map((one) =>
    forward(
      factor,
      own.map((place) => together.of(one, place)),
    ),
  );
  const usual = (station: Station) =>
    usualError(of.view, of.landmark, station)[of.axis] +
    of.coach(of.view, of.landmark, station, of.axis).mean;
  const target = forward(
    factor,
    own.map((place) => place[of.axis] - usual(place.station)),
  );
  // Covariance of the errors at the stations asked for, the new clip's own share in all of them.
  const left = asked.map((a, i) =>
    asked.map((b, j) => together.of(a, b) - dot(solved[i] as number[], solved[j] as number[])),
  );
  const shared = sharedPart(left);
  return stations.map((station, i) => ({
    mean: usual(station) + dot(solved[i] as number[], target),
    sharedSd: Math.sqrt(shared),
    ownSd: Math.sqrt(Math.max(0, (left[i]?.[i] as number) - shared) + restOf(station)),
  }));
}

type Where = Pick<TaughtPlace, 'station' | 'clip' | 'on'>;

/** What two places have in common: the player's part fades with time, the clip's is the clip's alone. */
function covarianceOf({ view, landmark, axis, coach }: Of) {
  const spread = ERROR_ROWS.find((row) => row.view === view && row.landmark === landmark)?.[axis];
  const rest = (spread?.rest ?? 0) ** 2;
  const learnt = Math.max(0, (spread?.all ?? 0) ** 2 - rest);
  const player = PLAYER_SHARE[axis];
  const left = (station: Station) => coach(view, landmark, station, axis).left;
  const of = (a: Where, b: Where): number => {
    const fades = Math.exp(-Math.abs(daysBetween(a.on, b.on)) / FADES_IN_DAYS);
    const same = player + (a.station === b.station ? 1 - player : 0);
    // What the other students have told of the coach's part is doubted no more.
    const told = 1 - WORLD_SHARE + WORLD_SHARE * Math.sqrt(left(a.station) * left(b.station));
    return fades * learnt * told * same + (a.clip === b.clip ? CLIP_SHARE * rest : 0);
  };
  return { rest, of };
}

/** What all stations have in common: the mean of what two different ones share, as far as each of them has it. */
function sharedPart(left: readonly (readonly number[])[]): number {
  const n = left.length;
  if (n === 1) return 0;
  let sum = 0;
  for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) sum += left[i]?.[j] as number;
  const most = Math.min(...left.map((row, i) => row[i] as number));
  return Math.max(0, Math.min(most, sum / ((n * (n - 1)) / 2)));
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, x, i) => sum + x * (b[i] as number), 0);

/** Lower triangle L with L L' = the matrix. */
function cholesky(matrix: readonly (readonly number[])[]): number[][] {
  const lower: number[][] = [];
  matrix.forEach((row, i) => {
    const own: number[] = [];
    for (let j = 0; j <= i; j++) {
      let sum = row[j] as number;
      const other = j === i ? own : (lower[j] as number[]);
      for (let k = 0; k < j; k++) sum -= (own[k] as number) * (other[k] as number);
      own.push(j === i ? Math.sqrt(Math.max(sum, 1e-18)) : sum / (other[j] as number));
    }
    lower.push(own);
  });
  return lower;
}

/** Solves L y = b. */
function forward(lower: readonly (readonly number[])[], b: readonly number[]): number[] {
  const y: number[] = [];
  b.forEach((value, i) => {
    const row = lower[i] as readonly number[];
    let sum = value;
    for (let k = 0; k < i; k++) sum -= (row[k] as number) * (y[k] as number);
    y.push(sum / (row[i] as number));
  });
  return y;
}
