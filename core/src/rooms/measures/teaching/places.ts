import type { IsoDay } from '../../../foundation/index.ts';
import type { Landmark, Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';

/** One place as the network saw it less where a coach's hand has it; shares of the body's height, right and down of a right-hander's picture. */
export interface TaughtPlace {
  readonly view: ViewKind;
  readonly station: Station;
  readonly landmark: Landmark;
  /** What names the clip; places of one clip share its error. */
  readonly clip: string;
  readonly on: IsoDay;
  readonly across: number;
  readonly down: number;
  /** What the hand left open that marked it, a share of the body's height; `HAND_SD` where nothing says so. */
  readonly handSd?: number;
  /** Sd of what was its own there, beside the usual: its looks agreed, or they did not. */
  readonly times?: number;
}
