import type { Reading } from '@inchstep/contract/measures';
import { mean } from '@inchstep/core/foundation';

export interface MeasuredSession {
  readonly date: string;
  readonly values: number[];
  /** Measurement sd of one swing. */
  readonly sd: number;
}

/** One measure day by day, oldest first; of a day with full swings only those count. */
export function sessionsOf(readings: readonly Reading[], measure: string): MeasuredSession[] {
  const days = new Map<string, { value: number; sd: number; full: boolean }[]>();
  for (const reading of readings) {
    const found = reading.measures.find((m) => m.id === measure);
    if (!found) continue;
    const entry = { value: found.value, sd: found.sd, full: reading.speed === 'full' };
    days.set(reading.recordedOn, [...(days.get(reading.recordedOn) ?? []), entry]);
  }
  return [...days]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([date, all]) => {
      const full = all.filter((entry) => entry.full);
      const found = full.length > 0 ? full : all;
      return { date, values: found.map((m) => m.value), sd: mean(found.map((m) => m.sd)) };
    });
}

/**
 * What the last day is compared with: the days up to the start of the work, or the first day
 * where there is none. The days between show the way but are no baseline.
 */
export function baselineAndLast<S extends { readonly date: string }>(
  sessions: readonly S[],
  began: string,
): S[] {
  const last = sessions.at(-1);
  if (!last || sessions.length < 2) return [...sessions];
  const before = sessions.filter((s) => s !== last && s.date <= began);
  return [...(before.length > 0 ? before : sessions.slice(0, 1)), last];
}

/** The band a measure was judged by when it was last read. */
export const latestBand = (readings: readonly Reading[], measure: string) =>
  readings.flatMap((r) => r.measures).findLast((m) => m.id === measure)?.band ?? null;
