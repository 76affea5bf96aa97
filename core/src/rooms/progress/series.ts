import { type IsoDay, mean } from '../../foundation/index.ts';
import type { Band } from '../intake/index.ts';
import type { Judged, MeasuresRecord, ReadingRecord } from '../measures/index.ts';
import { inUse, type Library, type PrescriptionRecord, tellingMeasures } from '../prescription/index.ts';
import {
  type Change,
  judgeChange,
  judgePoint,
  type Session,
  type SessionPoint,
  sessionPoints,
} from './change.ts';
import { movedToward } from './direction.ts';

/** One measure day by day, with what is known of each day and whether the last one differs. */
export interface Series {
  readonly measure: string;
  readonly band: Band;
  readonly sessions: readonly (Session & SessionPoint)[];
  /** Where the last day's mean stands. */
  readonly standing: Judged;
  readonly change: Change;
  readonly direction: 'better' | 'worse' | 'level';
  /** Measures looked at together, over which false alarms are shared. */
  readonly family: number;
}

export interface SeriesFile {
  readonly measures: MeasuresRecord;
  readonly prescription: PrescriptionRecord;
}

/** Measures that tell whether the present work helps, the most telling first. */
export function focusOf({ prescription }: Pick<SeriesFile, 'prescription'>, library: Library): string[] {
  const now = inUse(prescription);
  return now ? tellingMeasures(now.drills, now.forFault, library) : [];
}

/** Series of the measures asked for (else of all), those of the present work first. */
export function seriesOf(file: SeriesFile, library: Library, only?: readonly string[]): Series[] {
  const { readings } = file.measures;
  const focus = focusOf(file, library);
  const began = inUse(file.prescription)?.day ?? '';
  const seen = new Set(readings.flatMap(({ measures }) => measures.map(({ id }) => id)));
  const ids = only ? only.filter((id) => seen.has(id)) : [...seen];
  // False alarms are shared among the measures a coach is asked to look at together.
  const familyOf = (id: string) => (focus.includes(id) ? Math.max(1, focus.length) : seen.size);
  const rank = (id: string) => (focus.includes(id) ? focus.indexOf(id) : focus.length);
  return ids
    .flatMap((id) => oneSeries(readings, id, familyOf(id), began) ?? [])
    .sort((a, b) => rank(a.measure) - rank(b.measure));
}

function oneSeries(
  readings: readonly ReadingRecord[],
  measure: string,
  family: number,
  began: IsoDay,
): Series | null {
  const days = sessionsOf(readings, measure);
  const band = latestBand(readings, measure);
  const last = days.at(-1);
  if (!band || !last) return null;
  const change = judgeChange(measure, baselineAndLast(days, began), family);
  const after = mean(last.values);
  const sessions = sessionPoints(measure, days).map(({ mean, meanSd, dof, half95 }, i) => {
    const { date, values, sd } = days[i] as Session;
    // Named one by one: spreading two objects into a third took as long as all the statistics.
    return { date, values, sd, mean, meanSd, dof, half95 };
  });
  return {
    measure,
    band,
    sessions,
    standing: judgePoint(sessions.at(-1) as SessionPoint, band),
    change,
    direction: movedToward(after - change.delta, after, band),
    family,
  };
}

/** One measure day by day, oldest first; of a day with full swings only those count. */
export function sessionsOf(readings: readonly ReadingRecord[], measure: string): Session[] {
  const days = new Map<IsoDay, { value: number; sd: number; full: boolean }[]>();
  for (const reading of readings) {
    const found = reading.measures.find(({ id }) => id === measure);
    if (!found) continue;
    const entry = { value: found.value, sd: found.sd, full: reading.speed === 'full' };
    const known = days.get(reading.recordedOn);
    if (known) known.push(entry);
    else days.set(reading.recordedOn, [entry]);
  }
  return [...days]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([date, all]) => {
      const full = all.filter((entry) => entry.full);
      const found = full.length > 0 ? full : all;
      return { date, values: found.map(({ value }) => value), sd: mean(found.map(({ sd }) => sd)) };
    });
}

/**
 * What the last day is compared with: the days up to the start of the work, or the first day
 * where there is none. The days between show the way but are no baseline.
 */
function baselineAndLast(sessions: readonly Session[], began: IsoDay): Session[] {
  const last = sessions.at(-1);
  if (!last || sessions.length < 2) return [...sessions];
  const before = sessions.filter((s) => s !== last && s.date <= began);
  return [...(before.length > 0 ? before : sessions.slice(0, 1)), last];
}

/** The band a measure was judged by when it was last read. */
export const latestBand = (readings: readonly ReadingRecord[], measure: string): Band | null => {
  for (let i = readings.length - 1; i >= 0; i--) {
    const found = readings[i]?.measures.find(({ id }) => id === measure);
    if (found) return found.band;
  }
  return null;
};
