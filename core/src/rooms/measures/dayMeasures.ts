import type { Station } from '../capture/index.ts';
import type { Band } from '../intake/index.ts';
import { poolSwings } from './poolSwings.ts';
import { judge, type Verdict } from './verdict.ts';

/** A reading, as far as a day is made of it. */
export interface DayReading {
  readonly recordedOn: string;
  readonly club: string;
  readonly speed: string;
  readonly stale: boolean;
  readonly measures: readonly {
    readonly id: string;
    readonly value: number;
    readonly sd: number;
    readonly station: Station;
    readonly band: Pick<Band, 'lo' | 'hi' | 'step' | 'unit'>;
  }[];
}

interface DayMeasure {
  readonly id: string;
  readonly value: number;
  readonly sd: number;
  readonly verdict: Verdict;
  readonly station: Station;
  readonly band: Pick<Band, 'lo' | 'hi' | 'step' | 'unit'>;
  /** Swings it was measured on. */
  readonly swings: number;
}

interface DayPair {
  readonly swings: number;
  readonly now: readonly DayMeasure[];
  readonly before: readonly DayMeasure[];
  /** The day before that is compared with; null where there is none. */
  readonly beforeOn: string | null;
}

/**
 * A day's swings pooled, against the last day before it that was filmed alike. Only swings of one club at one speed are
 * one habit: those that were made like the day's newest. `readings` come newest first; marks that moved since are left out.
 */
export function dayPair(readings: readonly DayReading[], day: string): DayPair {
  const fresh = readings.filter(({ stale }) => !stale);
  const [newest] = fresh.filter(({ recordedOn }) => recordedOn === day);
  if (!newest) return { swings: 0, now: [], before: [], beforeOn: null };
  const alike = fresh.filter(({ club, speed }) => club === newest.club && speed === newest.speed);
  const today = alike.filter(({ recordedOn }) => recordedOn === day);
  const beforeOn =
    alike
      .map(({ recordedOn }) => recordedOn)
      .filter((on) => on < day)
      .sort()
      .at(-1) ?? null;
  const earlier = alike.filter(({ recordedOn }) => recordedOn === beforeOn);
  return { swings: today.length, now: pooledDay(today), before: pooledDay(earlier), beforeOn };
}

function pooledDay(readings: readonly DayReading[]): DayMeasure[] {
  const known = new Map(readings.flatMap(({ measures }) => measures.map((m) => [m.id, m] as const)));
  return poolSwings(readings.map(({ measures }) => measures)).flatMap((pooled) => {
    const one = known.get(pooled.id);
    if (!one) return [];
    const { band, station } = one;
    return [{ ...pooled, band, station, verdict: judge(pooled.value, pooled.sd, band).verdict }];
  });
}
