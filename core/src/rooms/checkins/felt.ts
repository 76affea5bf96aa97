import { BAND_ROWS } from '../intake/index.ts';
import type { Drill } from '../prescription/index.ts';

/** What a student felt before seeing what was measured: how much of a measure, in its unit; 0 is "it stayed still". */
export interface FeltAnswer {
  readonly measure: string;
  readonly felt: number;
}
/** The answer beside what its clips say; null while they are not measured, or can't tell. */
export interface FeltAgainst extends FeltAnswer {
  readonly unit: string;
  readonly measured: { readonly value: number; readonly sd: number } | null;
}

/** A felt amount that a body could mean: more is a slip of the finger. */
export const MOST_FELT = 400;

/** What is asked with new clips: the first thing that the drills in use move, but for the ball. */
export function feltAsked(
  drills: readonly Drill[],
): { readonly measure: string; readonly unit: string } | null {
  for (const measure of drills.flatMap(({ moves }) => moves)) {
    const row = BAND_ROWS.find(({ id }) => id === measure);
    if (row) return { measure, unit: row.unit };
  }
  return null;
}

interface Read {
  readonly swingId: string;
  readonly measures: readonly { readonly id: string; readonly value: number; readonly sd: number }[];
}

/** An answer beside the first of its own swings in which the measure is known. */
export function feltAgainst(
  answer: FeltAnswer,
  swingIds: readonly string[],
  readings: readonly Read[],
): FeltAgainst {
  const unit = BAND_ROWS.find(({ id }) => id === answer.measure)?.unit ?? 'in';
  for (const swingId of swingIds) {
    const found = readings
      .find((reading) => reading.swingId === swingId)
      ?.measures.find(({ id }) => id === answer.measure);
    if (found) return { ...answer, unit, measured: { value: found.value, sd: found.sd } };
  }
  return { ...answer, unit, measured: null };
}
