import type { Laid } from '@inchstep/core/measures';
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
const TITLE_PX = 60;

/** A part of the newer picture, in its own pixels: what both halves show where they are laid on the same body. */
export interface PairFrame {
  readonly u: number;
  readonly v: number;
  readonly widthPx: number;
  readonly heightPx: number;
}
/** How the two are laid together; null where nobody knows. */
export interface PairLaid extends Laid {
  /** Null = all of it. */
  readonly frame?: PairFrame | null;
}

const frameOf = (now: PairSide, laid: PairLaid | null): PairFrame =>
  laid?.frame ?? { u: 0, v: 0, ...sizeOf(now) };
const sizeOf = ({ widthPx, heightPx }: PairSide) => ({ widthPx, heightPx });
const wideOf = ({ widthPx, heightPx }: Pick<PairSide, 'widthPx' | 'heightPx'>): number =>
  Math.round((PAIR_HEIGHT * widthPx) / heightPx);

/** Width of the whole picture for two clips beside each other, or one laid over the other. */
export function pairWidth(
  then: PairSide | null,
  now: PairSide,
  mode: PairMode,
  laid: PairLaid | null = null,
): number {
  // Encoders want even sizes.
  const total = nowLeft(then, now, mode, laid) + wideOf(frameOf(now, laid));
  return total + (total % 2);
}

/** Where the newer picture begins: then is as wide as now where it is laid on the same body, else as wide as it came. */
const nowLeft = (then: PairSide | null, now: PairSide, mode: PairMode, laid: PairLaid | null): number =>
  mode === 'beside' && then ? wideOf(laid ? frameOf(now, laid) : then) : 0;

/** Where both halves stand, and which part of the newer picture they show: for what is drawn over them. */
export const pairPanes = (then: PairSide | null, now: PairSide, mode: PairMode, laid: PairLaid | null) => {
  const frame = frameOf(now, laid);
  const left = nowLeft(then, now, mode, laid);
  return { frame, width: wideOf(frame), lefts: laid && left > 0 ? [0, left] : [left] };
};

/** The place in the newer picture's pixels under a place of the whole picture; null beside both. */
export function pairPlace(
  panes: ReturnType<typeof pairPanes>,
  x: number,
  y: number,
): readonly [u: number, v: number] | null {
  const left = panes.lefts.find((from) => x >= from && x <= from + panes.width);
  if (left === undefined) return null;
  const k = panes.frame.heightPx / PAIR_HEIGHT;
  return [panes.frame.u + (x - left) * k, panes.frame.v + y * k];
}

type Context2D = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/**
 * Draws then and now into one picture: beside each other, on the same body and in one scale where `laid` says how, or
 * then half transparent over now.
 */
export function drawPair(
  context: Context2D,
  then: PairSide | null,
  now: PairSide,
  mode: PairMode,
  laid: PairLaid | null,
): void {
  const frame = frameOf(now, laid);
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.globalAlpha = 1;
  context.fillStyle = '#17242b';
  context.fillRect(0, 0, pairWidth(then, now, mode, laid), PAIR_HEIGHT);
  const left = nowLeft(then, now, mode, laid);
  if (mode === 'beside' && then) {
    if (laid) drawLaid(context, then, frame, laid, left);
    else context.drawImage(then.picture, 0, 0, left, PAIR_HEIGHT);
  }
  if (laid?.frame) {
    const { u, v, widthPx, heightPx } = frame;
    context.drawImage(now.picture, u, v, widthPx, heightPx, left, 0, wideOf(frame), PAIR_HEIGHT);
  } else context.drawImage(now.picture, left, 0, wideOf(now), PAIR_HEIGHT);
  if (mode === 'over' && then && laid) {
    context.globalAlpha = 0.5;
    drawLaid(context, then, frame, laid, wideOf(frame));
    context.globalAlpha = 1;
  }
  if (mode === 'beside' && then) title(context, then.title, 0);
  title(context, mode === 'over' && then ? DRAW_PAIR_WORDS.over(now.title, then.title) : now.title, left);
}

/** The older picture in the newer one's places, no wider than its own half. */
function drawLaid(
  context: Context2D,
  then: PairSide,
  frame: PairFrame,
  { onto, mirrored }: Laid,
  width: number,
): void {
  const k = PAIR_HEIGHT / frame.heightPx;
  context.save();
  context.beginPath();
  context.rect(0, 0, width, PAIR_HEIGHT);
  context.clip();
  context.setTransform(
    k * onto.a,
    k * onto.b,
    -k * onto.b,
    k * onto.a,
    k * (onto.du - frame.u),
    k * (onto.dv - frame.v),
  );
  if (mirrored) {
    context.translate(then.widthPx, 0);
    context.scale(-1, 1);
  }
  context.drawImage(then.picture, 0, 0, then.widthPx, then.heightPx);
  context.restore();
}

function title(context: Context2D, text: string, left: number): void {
  context.font = '600 34px "Atkinson Hyperlegible Next Variable", sans-serif';
  const width = context.measureText(text).width + 24;
  context.fillStyle = '#f2dc9b';
  context.fillRect(left, 0, width, TITLE_PX);
  context.fillStyle = '#17242b';
  context.fillText(text, left + 12, 42);
}
