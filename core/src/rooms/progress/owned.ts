import { daysBetween, type IsoDay } from '../../foundation/index.ts';
import type { ReadingRecord } from '../measures/index.ts';
import { inUse, type Library } from '../prescription/index.ts';
import { onceFor } from './onceFor.ts';
import { practisedOccasions } from './practisedOccasions.ts';
import { beliefAt } from './season/belief.ts';
import { toldCell } from './season/fromReadings.ts';
import { cellEvidence, scaleOf } from './season/judgeSeason.ts';
import { allOf, edgesOf, inBandOf } from './season/levelBelief.ts';
import { judgePoint, type SessionPoint, sessionPoints } from './sessionPoints.ts';
import { focusOf, latestBand } from './studentEvidence.ts';
import type { SeriesFile } from './studentRecord.ts';

/** What one day's swings say of the fault: gone, still there, or neither. */
interface OwnedOccasion {
  readonly date: IsoDay;
  readonly says: 'in' | 'out' | 'cant_tell';
}

export interface Owned {
  readonly owned: boolean;
  /** Days with swings that can tell: at full speed, without the drill, before a cue; oldest first. */
  readonly occasions: readonly OwnedOccasion[];
}

const IN_BAND_NEEDED = 0.8;
/** More probably out than in says otherwise; in between nothing is said. */
const SAYS_OTHERWISE = 0.5;
const DAYS_APART = 7;

/**
 * A change is owned when every telling measure of the work was probably in band on two occasions at least a
 * week apart, the last one among them, and no occasion between says otherwise. Only what was filmed at full
 * speed, without the drill and before any cue is an occasion; no button makes one.
 */
export const ownedOf = onceFor((file: SeriesFile, library: Library): Owned => {
  const since = inUse(file.prescription);
  const telling = measuredAmong(focusOf(file, library), file.measures.readings);
  const counting = file.measures.readings.filter(
    ({ speed, aid, cue }) => speed === 'full' && aid === 'off' && cue === 'before',
  );
  if (!since || telling.length === 0 || counting.length === 0) return { owned: false, occasions: [] };
  const days = [...new Set(counting.map(({ recordedOn }) => recordedOn))].sort();
  const cold = { ...file, measures: { ...file.measures, readings: counting } };
  const inBand = telling.map((id) => inBandByDay(cold, id));
  const occasions = days.map(
    (date): OwnedOccasion => ({ date, says: saysOf(inBand.map((by) => by.get(date))) }),
  );
  return { owned: isOwned(occasions), occasions };
});

/** A measure that this student's films never show can't be asked for. */
const measuredAmong = (ids: readonly string[], readings: readonly ReadingRecord[]): string[] =>
  ids.filter((id) => readings.some(({ measures }) => measures.some((m) => m.id === id)));

/**
 * How probably the measure is in band on each day: both the level, as it was known after that day's swings, and that day's own
 * mean. The level alone would pass over a day that says otherwise, the day alone would take a good day for a level. Of the club
 * that was filmed last: another club has its own way.
 */
function inBandByDay(file: SeriesFile, measure: string): Map<IsoDay, number> {
  const { readings, spreads } = file.measures;
  const band = latestBand(readings, measure);
  const ordered = practisedOccasions(file, measure);
  const cell = toldCell(ordered);
  if (!band || cell === null) return new Map();
  const evidence = cellEvidence(scaleOf(measure, band.step, spreads), ordered, cell);
  const edges = edgesOf(band);
  const points = sessionPoints(measure, evidence.occasions);
  return new Map(
    evidence.occasions.map(({ date }, look) => [
      date,
      Math.min(
        inBandOf(allOf(beliefAt(evidence, look)), edges),
        judgePoint(points[look] as SessionPoint, band).inBand,
      ),
    ]),
  );
}

function saysOf(inBand: readonly (number | undefined)[]): OwnedOccasion['says'] {
  if (inBand.some((p) => p !== undefined && p < SAYS_OTHERWISE)) return 'out';
  return inBand.every((p) => p !== undefined && p >= IN_BAND_NEEDED) ? 'in' : 'cant_tell';
}

function isOwned(occasions: readonly OwnedOccasion[]): boolean {
  const last = occasions.at(-1);
  if (last?.says !== 'in') return false;
  const afterTheLastOut = occasions.slice(occasions.findLastIndex(({ says }) => says === 'out') + 1);
  const first = afterTheLastOut.find(({ says }) => says === 'in');
  return first !== undefined && daysBetween(first.date, last.date) >= DAYS_APART;
}
