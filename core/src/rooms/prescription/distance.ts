import { type BodySizes, bodySizes, lengthScale, type MeasuredSizes } from '../intake/index.ts';

/** Lengths of the body that a distance may be counted in. */
export const BODY_LENGTHS = [
  'heightIn',
  'outerHipWidthIn',
  'shoulderWidthIn',
  'thighIn',
  'shankIn',
] as const satisfies readonly ('heightIn' | keyof BodySizes)[];
export type BodyLength = (typeof BODY_LENGTHS)[number];

/** A distance on the set-up card; scaled with height unless it belongs to an object. */
export interface SetupDistance {
  readonly id: string;
  readonly valueIn: number;
  readonly scales: boolean;
  /** A share of a length of the body on top. */
  readonly plus?: { readonly share: number; readonly of: BodyLength };
}

/**
 * A distance for this body, inches: the fixed part (times height / 70 in where it scales) plus a
 * share of one length of the body. A bad formula may come out negative; `checkDrill` refuses it.
 */
export function distanceFor({ valueIn, scales, plus }: SetupDistance, body: MeasuredSizes): number {
  const own = scales ? valueIn * lengthScale(body.heightIn) : valueIn;
  if (!plus) return own;
  const length = plus.of === 'heightIn' ? body.heightIn : bodySizes(body)[plus.of];
  return own + plus.share * length;
}
