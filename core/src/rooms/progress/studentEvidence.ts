import type { Band } from '../intake/index.ts';
import type { ReadingRecord } from '../measures/index.ts';
import { inUse, type Library, tellingMeasures } from '../prescription/index.ts';
import { onceFor } from './onceFor.ts';
import { practisedOccasions } from './practisedOccasions.ts';
import type { Evidence } from './season/evidence.ts';
import { toldCell } from './season/fromReadings.ts';
import { cellEvidence, scaleOf } from './season/judgeSeason.ts';
import type { Occasion } from './season/occasion.ts';
import { besideOthers, type SaidByDay, saidByDay } from './season/together.ts';
import type { SeriesFile } from './studentRecord.ts';

/** What a student's films tell of one measure. */
interface MeasureEvidence {
  readonly measure: string;
  readonly band: Band;
  /** Every occasion of it, in whatever cell; the evidence is of one. */
  readonly all: readonly Occasion[];
  readonly cell: string;
  readonly evidence: Evidence;
}

/** Measures that tell whether the present work helps, the most telling first. */
export function focusOf({ prescription }: Pick<SeriesFile, 'prescription'>, library: Library): string[] {
  const now = inUse(prescription);
  return now ? tellingMeasures(now.drills, now.forFault, library) : [];
}

/** The band a measure was judged by when it was last read. */
export const latestBand = (readings: readonly ReadingRecord[], measure: string): Band | null => {
  for (let i = readings.length - 1; i >= 0; i--) {
    const found = readings[i]?.measures.find(({ id }) => id === measure);
    if (found) return found.band;
  }
  return null;
};

/** One measure by itself, in a cell or in the one that progress is told of; null where it was never measured. */
export function evidenceAlone(file: SeriesFile, measure: string, cell?: string): MeasureEvidence | null {
  const { readings, spreads } = file.measures;
  const band = latestBand(readings, measure);
  const all = practisedOccasions(file, measure);
  const told = cell ?? toldCell(all);
  if (!band || told === null) return null;
  const began = inUse(file.prescription)?.day ?? '';
  const evidence = cellEvidence(scaleOf(measure, band.step, spreads), all, told, began);
  return { measure, band, all, cell: told, evidence };
}

/** So many measures are asked how a player's days stray; more would say the same again. */
const MOST_ASKED = 4;

type Said = readonly { readonly measure: string; readonly said: SaidByDay }[];

/** What the measures that a student works on say of how his days stray. */
const focusSays = onceFor(
  (file, library): Said =>
    focusOf(file, library)
      .slice(0, MOST_ASKED + 1)
      .flatMap((measure) => {
        const found = evidenceAlone(file, measure);
        return found ? [{ measure, said: saidByDay(found.evidence) }] : [];
      }),
);

/** One measure beside the others that the student works on: what every verdict is told from. */
export function evidenceBeside(
  file: SeriesFile,
  library: Library,
  measure: string,
  cell?: string,
): MeasureEvidence | null {
  const alone = evidenceAlone(file, measure, cell);
  if (!alone) return null;
  const others = focusSays(file, library).flatMap((one) => (one.measure === measure ? [] : [one.said]));
  return { ...alone, evidence: besideOthers(alone.evidence, others.slice(0, MOST_ASKED)) };
}
