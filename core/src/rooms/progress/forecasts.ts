import { daysBetween, type IsoDay, plusDays } from '../../foundation/index.ts';
import type { Band } from '../intake/index.ts';
import { countedSets, type PracticeRecord } from '../practice/index.ts';
import type { Library } from '../prescription/index.ts';
import { beliefAt } from './season/belief.ts';
import type { Evidence } from './season/evidence.ts';
import { type Forecast, forecastOf } from './season/forecast.ts';
import { practicePerDay } from './season/judgeSeason.ts';
import { allOf, edgesOf, inBandOf } from './season/levelBelief.ts';
import type { Occasion } from './season/occasion.ts';
import { type JudgedForecast, judgeTold, type Sight, type ToldForecast } from './season/toldForecast.ts';
import { evidenceAlone, evidenceBeside, focusOf, latestBand } from './studentEvidence.ts';
import type { StudentRecord } from './studentRecord.ts';

interface Dates {
  readonly inBand: Forecast | null;
  readonly owned: Forecast | null;
}
export interface Forecasts {
  /** If practice goes on as it did of late. */
  readonly done: Dates;
  /** If it goes on as planned; null without a plan. */
  readonly planned: Dates | null;
}

/** How far back "of late" reaches, and how far ahead a plan is counted. */
const SPAN_DAYS = 28;

/** Dates that the present work leads to, from all that was filmed so far. */
export function forecastsOf(
  evidence: Evidence,
  band: Band,
  practice: PracticeRecord,
  today: IsoDay,
): Forecasts {
  const look = evidence.occasions.length - 1;
  const none = { inBand: null, owned: null };
  if (look < evidence.baseline) return { done: none, planned: null };
  const belief = beliefAt(evidence, look);
  const { date } = evidence.occasions[look] as Occasion;
  const at = (pace: number) => forecastOf(belief, edgesOf(band), date, pace * practicePerDay(evidence));
  const { late, planned, meanwhile } = paces(evidence, practice, today);
  return {
    done: at(meanwhile > 0 && late > 0 ? late / meanwhile : 1),
    planned: planned === null ? null : at(meanwhile > 0 ? planned / meanwhile : 1),
  };
}

/** Repetitions a day: of late, as planned, and on the whole while the level was watched. */
function paces({ occasions, baseline }: Evidence, { sets, plan }: PracticeRecord, today: IsoDay) {
  const counted = countedSets(sets);
  const reps = (from: IsoDay, to: IsoDay) =>
    counted.filter(({ date }) => date > from && date <= to).reduce((sum, { reps }) => sum + reps.length, 0);
  const first = (occasions[baseline - 1] as Occasion).date;
  const last = (occasions.at(-1) as Occasion).date;
  const ahead =
    plan?.plan.days.filter(({ date }) => date > today && date <= plusDays(today, SPAN_DAYS)) ?? [];
  const asked = ahead
    .flatMap(({ items }) => items)
    .reduce((sum, { rehearsals, balls }) => sum + rehearsals + balls, 0);
  return {
    late: reps(plusDays(today, -SPAN_DAYS), today) / SPAN_DAYS,
    meanwhile: reps(first, last) / Math.max(1, daysBetween(first, last)),
    planned:
      ahead.length === 0
        ? null
        : asked / Math.max(1, daysBetween(today, (ahead.at(-1) as { date: IsoDay }).date)),
  };
}

/**
 * What is to be kept of today's dates: those of the present work's measures, if practice goes on as it did of late. They stand
 * until a newer film comes.
 */
export function forecastsToKeep(record: StudentRecord, library: Library, today: IsoDay): ToldForecast[] {
  return focusOf(record, library).flatMap((measure): ToldForecast[] => {
    const found = evidenceBeside(record, library, measure);
    if (!found) return [];
    const { band, cell, evidence } = found;
    const { inBand, owned } = forecastsOf(evidence, band, record.practice, today).done;
    const about = {
      measure,
      askedOn: (evidence.occasions.at(-1) as Occasion).date,
      cell,
      lo: band.lo,
      hi: band.hi,
    };
    // "It may be there already" is no date.
    return [
      ...(inBand && inBand.hi80 > about.askedOn ? [{ ...about, kind: 'in_band' as const, ...inBand }] : []),
      ...(owned ? [{ ...about, kind: 'owned' as const, ...owned }] : []),
    ];
  });
}

/** Kept dates beside what came; a date about another band than today's can't be judged and is left out. */
export function judgedForecasts(record: StudentRecord, kept: readonly ToldForecast[]): JudgedForecast[] {
  const known = new Map<string, readonly Sight[]>();
  return kept.flatMap((told): JudgedForecast[] => {
    const band = latestBand(record.measures.readings, told.measure);
    if (!band || band.lo !== told.lo || band.hi !== told.hi) return [];
    const key = `${told.measure}|${told.cell}`;
    const sights = known.get(key) ?? sightsOf(record, told);
    known.set(key, sights);
    return [judgeTold(told, sights)];
  });
}

/** P(in band) as it was known after each day with films. */
function sightsOf(record: StudentRecord, { measure, cell }: ToldForecast): Sight[] {
  const found = evidenceAlone(record, measure, cell);
  if (!found) return [];
  const { evidence, band } = found;
  return evidence.occasions.map(({ date }, look) => ({
    date,
    inBand: inBandOf(allOf(beliefAt(evidence, look)), edgesOf(band)),
  }));
}
