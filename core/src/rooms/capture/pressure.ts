import { bad, good, problem, type Result } from '../../foundation/index.ts';
import type { Station } from './stations.ts';

/** Share of the pressure under the lead foot over time. */
export interface PressureTrace {
  /** Seconds on the mat's own clock, rising. */
  readonly times: readonly number[];
  /** 0 to 100. */
  readonly leadPct: readonly number[];
}

type PressureProblem = 'pressure_no_columns' | 'pressure_too_short' | 'pressure_bad_row';

const FEWEST_ROWS = 10;

/** A table of time and lead share; percent or 0 to 1; a trail share alone is turned round. */
export function readPressure(rows: readonly (readonly string[])[]): Result<PressureTrace, PressureProblem> {
  const [header = [], ...all] = rows;
  const names = header.map((cell) => cell.trim().toLowerCase());
  const timeAt = names.findIndex((name) => /^(t|time)\b|^(t|time)_/.test(name));
  const leadAt = names.findIndex((name) => name.includes('lead'));
  const trailAt = names.findIndex((name) => name.includes('trail'));
  const at = leadAt >= 0 ? leadAt : trailAt;
  if (timeAt < 0 || at < 0) return bad([problem('pressure_no_columns', 'header')]);
  const lines = all.filter((row) => row.some((cell) => cell.trim() !== ''));
  if (lines.length < FEWEST_ROWS)
    return bad([problem('pressure_too_short', 'rows', { rows: lines.length, fewest: FEWEST_ROWS })]);
  const number = (cell: string | undefined) =>
    cell === undefined || cell.trim() === ''
      ? Number.NaN
      : Number(cell.trim().replace(',', '.').replace('%', ''));
  const perSecond = /ms\b|_ms/.test(names[timeAt] as string) ? 1000 : 1;
  const times = lines.map((row) => number(row[timeAt]) / perSecond);
  const shares = lines.map((row) => number(row[at]));
  const scale = Math.max(...shares.filter(Number.isFinite)) <= 1.0001 ? 100 : 1;
  const leadPct = shares.map((share) => (leadAt >= 0 ? scale * share : 100 - scale * share));
  const wrong = lines.findIndex((_, i) => {
    const [time, pct] = [times[i] as number, leadPct[i] as number];
    const rises = i === 0 || time > (times[i - 1] as number);
    return !Number.isFinite(time) || !rises || !(pct >= 0 && pct <= 100);
  });
  if (wrong >= 0) return bad([problem('pressure_bad_row', `rows[${wrong + 1}]`, { row: wrong + 2 })]);
  return good({ times, leadPct });
}

/** Lead share at each named station; `offsetSeconds` is added to the mat's clock to give the clip's. */
export function pressureAtStations(
  trace: PressureTrace,
  stationTimes: Readonly<Partial<Record<Station, number>>>,
  offsetSeconds: number,
): Partial<Record<Station, number>> {
  return Object.fromEntries(
    Object.entries(stationTimes).flatMap(([station, seconds]) => {
      const share = shareAt(trace, seconds - offsetSeconds);
      return share === null ? [] : [[station, share]];
    }),
  );
}

/** Straight between two rows; null before the first and after the last. */
function shareAt({ times, leadPct }: PressureTrace, time: number): number | null {
  const after = times.findIndex((t) => t >= time);
  if (after < 0 || time < (times[0] as number)) return null;
  if (after === 0) return leadPct[0] as number;
  const [t0, t1] = [times[after - 1] as number, times[after] as number];
  const [p0, p1] = [leadPct[after - 1] as number, leadPct[after] as number];
  return p0 + ((time - t0) / (t1 - t0)) * (p1 - p0);
}

/**
 * Offset that lays the mat's hardest push toward the lead foot on the top, where pressure changes
 * sides: a first guess, for the coach to move.
 */
export function guessOffset(
  trace: PressureTrace,
  stationTimes: Readonly<Partial<Record<Station, number>>>,
): number {
  const { top } = stationTimes;
  if (top === undefined) return 0;
  const rise = (time: number) =>
    (shareAt(trace, time + CLIMB_SECONDS / 2) ?? 0) - (shareAt(trace, time - CLIMB_SECONDS / 2) ?? 100);
  const steepest = trace.times.reduce((best, time) => (rise(time) > rise(best) ? time : best));
  return top - steepest;
}

/** Long enough to pass over a mat's noise, seconds. */
const CLIMB_SECONDS = 0.12;
