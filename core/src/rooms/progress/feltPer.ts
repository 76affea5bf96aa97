import { Z95 } from '../../foundation/index.ts';
import type { FeelRecord } from '../prescription/index.ts';

/** How much a student feels of each measured inch or degree; 1 is "as much as it is". */
export interface FeltPer {
  readonly per: number;
  readonly lo95: number;
  readonly hi95: number;
  /** Answers of this measure, those with nothing felt among them. */
  readonly records: number;
  readonly nothingFelt: number;
}

/** Before anybody was asked: as much as it is, give or take this. */
const GUESS_SD = 0.6;
/** One answer against the next, as a share of what was measured. */
const ANSWER_SD = 0.5;

/**
 * Felt per measured, a normal mean about 1. Each answer counts as its share of what was measured, so that one in which nothing was
 * felt counts like any other (a ratio's logarithm would have to leave it out). Null before anybody was asked.
 */
export function feltPer(records: readonly Pick<FeelRecord, 'felt' | 'measured'>[]): FeltPer | null {
  const shares = records.flatMap(({ felt, measured }) => (measured > 0 ? [felt / measured] : []));
  if (shares.length === 0) return null;
  const precision = 1 / GUESS_SD ** 2 + shares.length / ANSWER_SD ** 2;
  const per = (1 / GUESS_SD ** 2 + shares.reduce((a, b) => a + b, 0) / ANSWER_SD ** 2) / precision;
  const half = Z95 / Math.sqrt(precision);
  return {
    per,
    lo95: Math.max(0, per - half),
    hi95: per + half,
    records: shares.length,
    nothingFelt: shares.filter((share) => share === 0).length,
  };
}
