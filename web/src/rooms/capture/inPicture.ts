import type { Landmark, Station } from '@inchstep/core/capture';
import type { BodyLineId, LineId } from '@inchstep/core/measures';

/** Where the fit expects a landmark in a picture. */
export interface Guess {
  readonly view: string;
  readonly station: Station;
  readonly landmark: Landmark;
  readonly u: number;
  readonly v: number;
  /** How far off it may be, in pixels of the picture. */
  readonly sdPx: number;
}

export interface PictureLine {
  readonly view: string;
  readonly id: LineId | BodyLineId;
  readonly station: Station | null;
  readonly from: readonly [u: number, v: number];
  readonly to: readonly [u: number, v: number];
}
