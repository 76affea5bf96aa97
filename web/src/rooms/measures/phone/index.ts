/** What a student's phone checks its picture with, and nothing of the bench. */

export { PAIR_HEIGHT as PAIR_UNITS, type PairSide } from '../drawPair.ts';
/** Two clips on one picture, as the coach saw them. */
export { PairCanvas } from '../PairCanvas.tsx';
export { PictureCheck } from '../PictureCheck.tsx';
export { Strokes } from '../Strokes.tsx';
