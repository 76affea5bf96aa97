import { clamp } from '../../foundation/index.ts';

/** Segment lengths in inches. */
export interface BodySizes {
  readonly outerHipWidthIn: number;
  readonly hipJointsApartIn: number;
  readonly thighIn: number;
  readonly shankIn: number;
  readonly ankleHeightIn: number;
  readonly shoulderWidthIn: number;
}

/** Shares of standing height, from published segment tables; between people they vary by about 5 %. */
export const SHARE_OF_HEIGHT = {
  outerHipWidthIn: 0.19,
  hipJointsApartIn: 0.1,
  thighIn: 0.245,
  shankIn: 0.246,
  ankleHeightIn: 0.04,
  shoulderWidthIn: 0.26,
} as const;

export const SIZE_SD_SHARE = 0.05;
export const REFERENCE_HEIGHT_IN = 70;
/** Outside this range a height is a slip of the pen (7 for 70, or centimetres for inches). */
export const HEIGHT_RANGE_IN = { low: 36, high: 90 } as const;

export interface MeasuredSizes {
  readonly heightIn: number;
  readonly outerHipWidthIn?: number | null;
  readonly hipJointsApartIn?: number | null;
}

/** Sizes taken by tape where there are any, else from height. */
export function bodySizes(taken: MeasuredSizes): BodySizes {
  const fromHeight = (share: number) => share * taken.heightIn;
  return {
    outerHipWidthIn: taken.outerHipWidthIn ?? fromHeight(SHARE_OF_HEIGHT.outerHipWidthIn),
    hipJointsApartIn: taken.hipJointsApartIn ?? fromHeight(SHARE_OF_HEIGHT.hipJointsApartIn),
    thighIn: fromHeight(SHARE_OF_HEIGHT.thighIn),
    shankIn: fromHeight(SHARE_OF_HEIGHT.shankIn),
    ankleHeightIn: fromHeight(SHARE_OF_HEIGHT.ankleHeightIn),
    shoulderWidthIn: fromHeight(SHARE_OF_HEIGHT.shoulderWidthIn),
  };
}

/** Length bands are stated for 70 in and grow with the player. */
export const lengthScale = (heightIn: number): number =>
  clamp(heightIn, HEIGHT_RANGE_IN.low, HEIGHT_RANGE_IN.high) / REFERENCE_HEIGHT_IN;
