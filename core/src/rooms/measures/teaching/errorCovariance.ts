import { daysBetween, type IsoDay } from '../../../foundation/index.ts';
import { FOUND_STATIONS, type Landmark, MARKS_WANTED, type Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';
import type { CoachErrors } from './coachErrors.ts';
import type { TaughtPlace } from './places.ts';
import {
  type Axis,
  alike,
  DAY_SHARE,
  ERROR_ROWS,
  FADES_IN_DAYS,
  learntTimes,
  restTimes,
  WORLD_SHARE,
} from './teachTable.ts';
import { togetherOf } from './togetherTable.ts';

/** One axis of a view, with what the coach's other students say of it. */
export interface Along {
  readonly view: ViewKind;
  readonly axis: Axis;
  readonly coach: CoachErrors;
}

type Where = Pick<TaughtPlace, 'landmark' | 'station' | 'clip' | 'on' | 'times'>;

/** A place with all that its covariances hang on looked up: there are a hundred thousand of them. */
export interface Placed {
  readonly landmark: number;
  readonly station: number;
  readonly clip: string;
  readonly day: number;
  readonly learntSd: number;
  readonly restSd: number;
  /** What the other students have left open of the coach's part (its sd, beside all of it). */
  readonly leftSd: number;
}

interface ErrorCovariance {
  placed(where: Where): Placed;
  between(a: Placed, b: Placed): number;
}

const SOME_DAY: IsoDay = '2000-01-01';
const square = <T>(of: readonly T[], value: (a: T, b: T) => number): number[][] =>
  of.map((a) => of.map((b) => value(a, b)));

/**
 * What two places have in common: the player's part fades with time; most of what is not his stays while cameras, light and clothes do, over a
 * day; the rest of the clip's is the clip's alone. Shares of the body's height, squared.
 */
export function errorCovariance({ view, axis, coach }: Along): ErrorCovariance {
  const landmarks: readonly Landmark[] = MARKS_WANTED[view];
  const stations: readonly Station[] = FOUND_STATIONS;
  const together = square(landmarks, (a, b) => togetherOf(view, a, b, axis));
  const learntAlike = square(stations, (a, b) => alike('learnt', axis, a, b));
  const restAlike = square(stations, (a, b) => alike('rest', axis, a, b));
  const placed = ({ landmark, station, clip, on, times = 1 }: Where): Placed => {
    const spread = ERROR_ROWS.find((row) => row.view === view && row.landmark === landmark)?.[axis];
    const rest = (spread?.rest ?? 0) ** 2;
    const learnt = Math.max(0, (spread?.all ?? 0) ** 2 - rest);
    return {
      landmark: landmarks.indexOf(landmark),
      station: stations.indexOf(station),
      clip,
      day: daysBetween(SOME_DAY, on),
      learntSd: Math.sqrt(learnt * learntTimes(view, station, axis)),
      restSd: Math.sqrt(rest * restTimes(view, landmark, station, axis)) * times,
      leftSd: Math.sqrt(coach(view, landmark, station, axis).left),
    };
  };
  const between = (a: Placed, b: Placed): number => {
    const landmarksAlike = together[a.landmark]?.[b.landmark] ?? 0;
    const fades = Math.exp(-Math.abs(a.day - b.day) / FADES_IN_DAYS);
    // What the other students have told of the coach's part is doubted no more.
    const told = 1 - WORLD_SHARE + WORLD_SHARE * a.leftSd * b.leftSd;
    const learnt = a.learntSd * b.learntSd * (learntAlike[a.station]?.[b.station] ?? 0);
    const theirs = fades * told * learnt * landmarksAlike;
    if (a.day !== b.day) return theirs;
    const stays = a.clip === b.clip ? 1 : DAY_SHARE;
    const news = a.restSd * b.restSd * (restAlike[a.station]?.[b.station] ?? 0);
    return theirs + stays * news * landmarksAlike;
  };
  return { placed, between };
}
