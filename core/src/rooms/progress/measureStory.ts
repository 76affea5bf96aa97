import type { IsoDay } from '../../foundation/index.ts';
import type { Band } from '../intake/index.ts';
import type { Library } from '../prescription/index.ts';
import { type Forecasts, forecastsOf } from './forecasts.ts';
import { beliefAt } from './season/belief.ts';
import { type Look, lookAt, scaleOf } from './season/judgeSeason.ts';
import { allOf, edgesOf, inBandOf, levelOf } from './season/levelBelief.ts';
import { type LevelPoint, levelLine } from './season/levelLine.ts';
import type { Occasion } from './season/occasion.ts';
import { type Kept, retentionOf } from './season/retention.ts';
import { type CellName, nameOf, type Transfer, transferOf } from './season/transfer.ts';
import { familyOf } from './series.ts';
import { evidenceBeside } from './studentEvidence.ts';
import type { StudentRecord } from './studentRecord.ts';

/** Everything that is known of one measure of a student, in the cell that progress is told of, and where else it holds. */
export interface MeasureStory {
  readonly measure: string;
  readonly band: Band;
  /** Speed, aid and club of what the line and the verdicts are about. */
  readonly told: CellName;
  /** Occasions before any cue, which everything is compared with. */
  readonly baseline: number;
  readonly occasions: readonly Occasion[];
  /** What was to be said after each of them. */
  readonly looks: readonly Look[];
  readonly line: readonly LevelPoint[];
  /** P(the level is in band) now. */
  readonly inBand: number;
  readonly forecast: Forecasts;
  readonly kept: readonly Kept[];
  readonly transfer: Transfer;
}

/** The story of one measure; null where it was never measured. */
export function measureStory(
  record: StudentRecord,
  library: Library,
  measure: string,
  today: IsoDay,
): MeasureStory | null {
  const found = evidenceBeside(record, library, measure);
  if (!found) return null;
  const { band, all, evidence } = found;
  const scale = scaleOf(measure, band.step);
  const { occasions, baseline } = evidence;
  const family = familyOf(record, library, measure);
  const told = nameOf(occasions.at(-1) as Occasion);
  const believed = allOf(beliefAt(evidence, occasions.length - 1));
  return {
    measure,
    band,
    told,
    baseline,
    occasions,
    looks: occasions.map((_, look) => lookAt(evidence, look, scale.step, family)),
    line: levelLine(evidence, scale.step),
    inBand: inBandOf(believed, edgesOf(band)),
    forecast: forecastsOf(evidence, band, record.practice, today),
    kept: retentionOf(occasions, baseline, scale.step, scale.shared),
    transfer: transferOf(all, wantedCells(measure, all), edgesOf(band), scale.step, scale.shared, {
      ...told,
      ...levelOf(believed),
    }),
  };
}

/** Measures whose band goes with the club: what they should be with a club that was never filmed is not known here. */
const BY_CLUB: readonly string[] = Object.freeze(['base_ratio', 'shift_back_peak']);

/**
 * What a change must hold in: full swings without the drill, with each club that was filmed and the longest one, where it was
 * filmed and on the course. What was filmed with the drill or slower stands beside it.
 */
function wantedCells(measure: string, occasions: readonly Occasion[]): CellName[] {
  const names = occasions.map(nameOf);
  const clubs = new Set([...names.map(({ club }) => club), ...(BY_CLUB.includes(measure) ? [] : ['driver'])]);
  const places = new Set([...names.map(({ place }) => place), 'course']);
  return [...clubs].flatMap((club) =>
    [...places].map((place): CellName => ({ speed: 'full', aid: 'off', club, place })),
  );
}
