import type { Similarity } from '@inchstep/core/measures';
import { DRAW_PAIR_WORDS } from './words.ts';

export type PairMode = 'beside' | 'over';

export interface PairSide {
  readonly picture: CanvasImageSource;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly title: string;
}

/** Height of every exported picture; wide enough for two phones held upright. */
export const PAIR_HEIGHT = 960;
const TITLE_PX = 44;

/** Width of the whole picture for two clips beside each other, or one laid over the other. */
export function pairWidth(then: PairSide | null, now: PairSide, mode: PairMode): number {
  const wide = (side: PairSide) => Math.round((PAIR_HEIGHT * side.widthPx) / side.heightPx);
  // Encoders want even sizes.
  const total = mode === 'beside' && then ? wide(then) + wide(now) : wide(now);
  return total + (total % 2);
}

/**
 * Draws then and now into one picture: beside each other, or then half transparent over now, laid on the
 * same body by `onto` (from then's pixels to now's).
 */
export function drawPair(
  context: CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D,
  then: PairSide | null,
  now: PairSide,
  mode: PairMode,
  onto: Similarity | null,
): void {
  const wide = (side: PairSide) => (PAIR_HEIGHT * side.widthPx) / side.heightPx;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.globalAlpha = 1;
  context.fillStyle = '#17242b';
  context.fillRect(0, 0, pairWidth(then, now, mode), PAIR_HEIGHT);
  const left = mode === 'beside' && then ? wide(then) : 0;
  if (mode === 'beside' && then) context.drawImage(then.picture, 0, 0, left, PAIR_HEIGHT);
  context.drawImage(now.picture, left, 0, wide(now), PAIR_HEIGHT);
  if (mode === 'over' && then && onto) {
    const k = PAIR_HEIGHT / now.heightPx;
    context.globalAlpha = 0.5;
    context.setTransform(k * onto.a, k * onto.b, -k * onto.b, k * onto.a, k * onto.du, k * onto.dv);
    context.drawImage(then.picture, 0, 0, then.widthPx, then.heightPx);
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.globalAlpha = 1;
  }
  if (mode === 'beside' && then) title(context, then.title, 0);
  title(context, mode === 'over' && then ? DRAW_PAIR_WORDS.over(now.title, then.title) : now.title, left);
}

function title(
  context: CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D,
  text: string,
  left: number,
): void {
  context.font = '600 22px "Atkinson Hyperlegible Next Variable", sans-serif';
  const width = context.measureText(text).width + 24;
  context.fillStyle = '#f2dc9b';
  context.fillRect(left, 0, width, TITLE_PX);
  context.fillStyle = '#17242b';
  context.fillText(text, left + 12, 30);
}
