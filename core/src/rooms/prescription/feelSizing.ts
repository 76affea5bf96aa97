import { Z95 } from '../../foundation/index.ts';
import { faultById } from '../diagnosis/index.ts';

/** Which way a measure was moved: up its tape, or down. */
export const FEEL_SIDES = ['more', 'less'] as const;
export type FeelSide = (typeof FEEL_SIDES)[number];

/** What a change felt like, against what it was, in one unit; felt 0 is "it stayed still". */
export interface FeelRecord {
  readonly measure: string;
  /** Null where nobody said: of an older program. */
  readonly side: FeelSide | null;
  readonly felt: number;
  readonly measured: number;
}

/**
 * How much a student must feel for each measured inch or degree.
 * `factor` is null while the records can't tell it from 1.
 */
export interface FeelSizing {
  readonly factor: number | null;
  readonly ratio: number;
  readonly lo95: number;
  readonly hi95: number;
  readonly records: number;
}

/**
 * A felt answer beside what was measured, as it sizes the exaggeration; null where the measured amount may as well be
 * nothing: that sizes nothing.
 */
export function feelRecordOf(
  { measure, felt }: { readonly measure: string; readonly felt: number },
  { value, sd }: { readonly value: number; readonly sd: number },
  forFault: string | null,
): FeelRecord | null {
  if (Math.abs(value) <= Z95 * sd) return null;
  return { measure, felt, measured: Math.abs(value), side: wantedSide(measure, forFault) ?? 'more' };
}

/** Before anything is known: feel equals real, give or take a factor of 1.6 (one sd of its logarithm). */
const PRIOR_SD = Math.log(1.6);
/** One record against the next by the same student, sd of the logarithm. */
const RECORD_SD = 0.35;
/** Amounts a student can hold in mind. */
const STEPS = [1.5, 2, 2.5, 3, 4] as const;
/** Below this the exaggeration is not worth a word. */
const WORTH_SAYING = 1.25;

/**
 * Normal-normal shrinkage on log(felt / measured). A factor is given only when the interval stands
 * clear above 1: telling somebody to overdo what needs no overdoing makes the opposite fault.
 */
export function feelSizing(records: readonly FeelRecord[]): FeelSizing {
  const logs = records
    .filter(({ felt, measured }) => felt > 0 && measured > 0)
    .map(({ felt, measured }) => Math.log(felt / measured));
  const precision = 1 / PRIOR_SD ** 2 + logs.length / RECORD_SD ** 2;
  const mean = logs.reduce((sum, x) => sum + x, 0) / RECORD_SD ** 2 / precision;
  const sd = Math.sqrt(1 / precision);
  const [ratio, lo95, hi95] = [mean, mean - Z95 * sd, mean + Z95 * sd].map(Math.exp) as [
    number,
    number,
    number,
  ];
  const telling = lo95 > 1 && ratio >= WORTH_SAYING;
  return { factor: telling ? nearestStep(ratio) : null, ratio, lo95, hi95, records: logs.length };
}

/**
 * What was learnt of the measures that a drill moves, toward the side to which the fault is mended: a feel of the
 * knees says nothing of the head, and who overfeels a slide forward may not feel one back at all.
 */
export const feelSizingFor = (
  records: readonly FeelRecord[],
  moves: readonly string[],
  forFault: string | null,
): FeelSizing =>
  feelSizing(
    records.filter(({ measure, side }) => {
      if (!moves.includes(measure)) return false;
      const wanted = wantedSide(measure, forFault);
      return wanted === null || side === null || side === wanted;
    }),
  );

/** The way a measure must go to mend a fault; null where the fault shows on both sides or not in it. */
export function wantedSide(measure: string, fault: string | null): FeelSide | null {
  const shown =
    (fault === null ? undefined : faultById(fault))?.evidence.map(({ finding }): string => finding) ?? [];
  const [high, low] = [shown.includes(`${measure}.high`), shown.includes(`${measure}.low`)];
  if (high === low) return null;
  return high ? 'less' : 'more';
}

/** Nearest by share, so that 2.4 lies between 2 and 3 as the ear hears it. */
function nearestStep(ratio: number): number {
  const distance = (step: number) => Math.abs(Math.log(step / ratio));
  return STEPS.reduce((best, step) => (distance(step) < distance(best) ? step : best));
}
