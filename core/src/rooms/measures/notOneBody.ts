import type { BodyFit } from './bodyFit.ts';

/**
 * Half chi-square a mark, beyond which no body of this size and hand could have been seen so. It is 1 in the middle where
 * stated doubts are right; on the stand-ins 0.1 to 0.9, under a height that is a foot and a half wrong up to 2.5, of the
 * other hand or with the views changed about 7 and more.
 */
const NOT_ONE_BODY = 5;
/** Fewer marks than these say nothing as a whole: one slip may be most of the misfit. */
const MARKS_TO_DOUBT = 24;

export type Doubt = 'not_one_body';

/** Why the marks of a fit can't all be of one body of its size and hand; null where they can. */
export const doubtOf = ({ cost, capture: { marks } }: BodyFit): Doubt | null =>
  marks.length >= MARKS_TO_DOUBT && cost > NOT_ONE_BODY * marks.length ? 'not_one_body' : null;
