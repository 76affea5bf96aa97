import { daysBetween, type IsoDay } from '../../../foundation/index.ts';
import type { Forecast } from './forecast.ts';

export const FORECAST_KINDS = ['in_band', 'owned'] as const;
type ForecastKind = (typeof FORECAST_KINDS)[number];

/** A date as it was told, with what it was told about; kept, so that it can be held against what came. */
export interface ToldForecast extends Forecast {
  readonly measure: string;
  readonly kind: ForecastKind;
  /** The day of the last film it stands on. */
  readonly askedOn: IsoDay;
  /** Club, speed and aid it speaks of, and the band, in the measure's unit: of another band it says nothing. */
  readonly cell: string;
  readonly lo: number | null;
  readonly hi: number | null;
}

/** What was believed on a day with films: P(the level is in band). */
export interface Sight {
  readonly date: IsoDay;
  readonly inBand: number;
}

/** A told date beside what came. */
export interface JudgedForecast extends ToldForecast {
  /** The first day with films on which it was there; null where it is not yet. */
  readonly came: IsoDay | null;
  /** The last one before on which it was not, or the day of asking. */
  readonly notBy: IsoDay;
  /** Where in the told spread it came, 0 the earliest to 1; null while nobody can say. */
  readonly pit: number | null;
  /** P(there by the next day with films) as told, and whether it was; null without such a day. */
  readonly next: { readonly p: number; readonly was: boolean } | null;
}

const THERE = 0.8;
const SAYS_OTHERWISE = 0.5;
const DAYS_APART = 7;
/** What the told ends leave outside on each side. */
const OUTSIDE = 0.1;

/**
 * P(it has come by `day`) as it was told: a tenth by the first end, half by the likely day, nine tenths by the last end; straight in
 * between, and after the last end the rest comes at the pace of the half before it.
 */
export function toldBy({ askedOn, likely, lo80, hi80 }: ToldForecast, day: IsoDay): number {
  const at = daysBetween(askedOn, day);
  const [lo, mid, hi] = [lo80, likely, hi80].map((date) => daysBetween(askedOn, date)) as [
    number,
    number,
    number,
  ];
  if (at < 0) return 0;
  if (at >= hi) {
    const pace = Math.max(1, hi - mid) / Math.log(0.5 / OUTSIDE);
    return 1 - OUTSIDE * Math.exp(-(at - hi) / pace);
  }
  if (at >= mid) return 0.5 + (0.4 * (at - mid)) / (hi - mid);
  if (at >= lo) return OUTSIDE + (0.4 * (at - lo)) / (mid - lo);
  return (OUTSIDE * at) / lo;
}

/** Holds a told date against the days with films since. What is not seen day by day came somewhere between two of them. */
export function judgeTold(told: ToldForecast, sights: readonly Sight[]): JudgedForecast {
  const there = told.kind === 'in_band' ? isThere : ownedAt;
  const since = sights.filter(({ date }) => date > told.askedOn);
  const first = since.find(({ date }) => there(sights, date));
  const came = first?.date ?? null;
  const before = since.filter(({ date }) => came === null || date < came);
  const notBy = before.at(-1)?.date ?? told.askedOn;
  const [next] = since;
  return {
    ...told,
    came,
    notBy,
    pit: pitOf(told, came, notBy),
    next: next ? { p: toldBy(told, next.date), was: there(sights, next.date) } : null,
  };
}

function pitOf(told: ToldForecast, came: IsoDay | null, notBy: IsoDay): number | null {
  if (came !== null) return (toldBy(told, notBy) + toldBy(told, came)) / 2;
  // Not there after the last day that was told: it will be in the tail, whenever it comes.
  const past = toldBy(told, notBy);
  return past > 1 - OUTSIDE ? (past + 1) / 2 : null;
}

const isThere = (sights: readonly Sight[], day: IsoDay): boolean =>
  (sights.findLast(({ date }) => date === day)?.inBand ?? 0) >= THERE;

/** There on two days a week apart, the second being this one, and no day between that says otherwise. */
function ownedAt(sights: readonly Sight[], day: IsoDay): boolean {
  if (!isThere(sights, day)) return false;
  const until = sights.filter(({ date }) => date <= day);
  const clear = until.slice(until.findLastIndex(({ inBand }) => inBand < SAYS_OTHERWISE) + 1);
  return clear.some(({ date, inBand }) => inBand >= THERE && daysBetween(date, day) >= DAYS_APART);
}

/** How good told dates were. */
export interface ForecastScore {
  /** Told dates that can be judged, and those of which nobody can say yet. */
  readonly judged: number;
  readonly waiting: number;
  /** Inside what 8 of 10 were said to lie between; sooner; later. */
  readonly held: number;
  readonly sooner: number;
  readonly later: number;
  /** How many came in each fifth of what was told, the earliest first; even where dates are told well. */
  readonly fifths: readonly number[];
  /** Mean squared error of "there by the next film", and of whoever knows only how often it was; null without any. */
  readonly brier: { readonly told: number; readonly base: number; readonly films: number } | null;
}

const FIFTHS = 5;

export function scoreOfForecasts(all: readonly Pick<JudgedForecast, 'pit' | 'next'>[]): ForecastScore {
  const pits = all.flatMap(({ pit }) => (pit === null ? [] : [pit]));
  const next = all.flatMap((one) => (one.next === null ? [] : [one.next]));
  const sooner = pits.filter((pit) => pit < OUTSIDE).length;
  const later = pits.filter((pit) => pit > 1 - OUTSIDE).length;
  const often = next.filter(({ was }) => was).length / Math.max(1, next.length);
  const error = (p: (one: (typeof next)[number]) => number) =>
    next.reduce((sum, one) => sum + (p(one) - Number(one.was)) ** 2, 0) / next.length;
  return {
    judged: pits.length,
    waiting: all.length - pits.length,
    held: pits.length - sooner - later,
    sooner,
    later,
    fifths: Array.from(
      { length: FIFTHS },
      (_, k) => pits.filter((pit) => Math.min(FIFTHS - 1, Math.floor(pit * FIFTHS)) === k).length,
    ),
    brier:
      next.length === 0 ? null : { told: error(({ p }) => p), base: error(() => often), films: next.length },
  };
}
