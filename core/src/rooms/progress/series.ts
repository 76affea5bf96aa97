import { type IsoDay, mean } from '../../foundation/index.ts';
import type { Band } from '../intake/index.ts';
import type { Judged } from '../measures/index.ts';
import type { Library } from '../prescription/index.ts';
import { movedToward } from './direction.ts';
import { type BriefLook, briefLookAt } from './season/judgeSeason.ts';
import type { Occasion } from './season/occasion.ts';
import { judgePoint, type Session, type SessionPoint, sessionPoints } from './sessionPoints.ts';
import { evidenceBeside, focusOf } from './studentEvidence.ts';
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

/** Series of the measures asked for (else of all), those of the present work first. */
export function seriesOf(file: SeriesFile, library: Library, only?: readonly string[]): Series[] {
  const { readings } = file.measures;
  const focus = focusOf(file, library);
  const seen = new Set(readings.flatMap(({ measures }) => measures.map(({ id }) => id)));
  const ids = only ? only.filter((id) => seen.has(id)) : [...seen];
  const rank = (id: string) => (focus.includes(id) ? focus.indexOf(id) : focus.length);
  return ids
    .flatMap((id) => oneSeries(file, library, id, familyAmong(id, focus, seen.size)) ?? [])
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

function oneSeries(file: SeriesFile, library: Library, measure: string, family: number): Series | null {
  const found = evidenceBeside(file, library, measure);
  if (!found) return null;
  const { band, evidence } = found;
  const { occasions } = evidence;
  const days = daysOf(occasions);
  const change = briefLookAt(evidence, occasions.length - 1, band.step, family);
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
