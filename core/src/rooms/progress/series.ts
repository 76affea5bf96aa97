import { type IsoDay, mean } from '../../foundation/index.ts';
import type { Band } from '../intake/index.ts';
import type { Judged, ReadingRecord } from '../measures/index.ts';
import { inUse, type Library, tellingMeasures } from '../prescription/index.ts';
import { judgePoint, type Session, type SessionPoint, sessionPoints } from './change.ts';
import { movedToward } from './direction.ts';
import { practisedOccasions } from './practisedOccasions.ts';
import { toldCell } from './season/fromReadings.ts';
import { type BriefLook, briefLookAt, cellEvidence, scaleOf } from './season/judgeSeason.ts';
import { cellOf, type Occasion } from './season/occasion.ts';
import type { SeriesFile } from './studentRecord.ts';

/**
 * One measure day by day in the cell that progress is told of, with what is known of each day and whether the last one
 * differs.
 */
export interface Series {
  readonly measure: string;
  readonly band: Band;
  readonly sessions: readonly (Session & SessionPoint)[];
  /** Where the last day's mean stands. */
  readonly standing: Judged;
  /** The last day against the days before the work began. */
  readonly change: BriefLook;
  readonly direction: 'better' | 'worse' | 'level';
  /** Measures looked at together, over which false alarms are shared. */
  readonly family: number;
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
  const rank = (id: string) => (focus.includes(id) ? focus.indexOf(id) : focus.length);
  return ids
    .flatMap((id) => oneSeries(file, id, familyAmong(id, focus, seen.size), began) ?? [])
    .sort((a, b) => rank(a.measure) - rank(b.measure));
}

/** False alarms are shared among the measures a coach is asked to look at together. */
const familyAmong = (id: string, focus: readonly string[], seen: number): number =>
  focus.includes(id) ? Math.max(1, focus.length) : seen;

/** How many measures one is looked at together with. */
export function familyOf(file: SeriesFile, library: Library, measure: string): number {
  const seen = new Set(file.measures.readings.flatMap(({ measures }) => measures.map(({ id }) => id)));
  return familyAmong(measure, focusOf(file, library), seen.size);
}

function oneSeries(file: SeriesFile, measure: string, family: number, began: IsoDay): Series | null {
  const { readings, spreads } = file.measures;
  const occasions = practisedOccasions(file, measure);
  const cell = toldCell(occasions);
  const band = latestBand(readings, measure);
  if (!band || cell === null) return null;
  const own = occasions.filter((one) => cellOf(one) === cell);
  const days = daysOf(own);
  const evidence = cellEvidence(scaleOf(measure, band.step, spreads), own, cell, began);
  const change = briefLookAt(evidence, own.length - 1, band.step, family);
  const after = mean((days.at(-1) as Session).values);
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
    direction: movedToward(after - (change.delta ?? 0), after, band),
    family,
  };
}

/** What was filmed before and after a cue, here and there, as days; for the eye, not for the verdict. */
function daysOf(occasions: readonly Occasion[]): Session[] {
  const days = new Map<IsoDay, { values: number[]; sds: number[] }>();
  for (const { date, values, sd } of occasions) {
    const known = days.get(date) ?? { values: [], sds: [] };
    known.values.push(...values);
    known.sds.push(...values.map(() => sd));
    days.set(date, known);
  }
  return [...days].map(([date, { values, sds }]) => ({ date, values, sd: mean(sds) }));
}

/** The band a measure was judged by when it was last read. */
export const latestBand = (readings: readonly ReadingRecord[], measure: string): Band | null => {
  for (let i = readings.length - 1; i >= 0; i--) {
    const found = readings[i]?.measures.find(({ id }) => id === measure);
    if (found) return found.band;
  }
  return null;
};
