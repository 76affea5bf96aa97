import { ToldError } from '../../platform/httpError.ts';
import type { PairLaid, PairMode } from './drawPair.ts';
import { PAIR_HEIGHT } from './drawPair.ts';
import type { ClipSide } from './exportPair.ts';
import type { Pen } from './usePen.ts';
import { PAIR_EXPORT_WORDS } from './words.ts';

/** One of two clips on the screen, and where it stands. */
export interface StageClip extends ClipSide {
  readonly clipId: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** The moment of the picture that is shown, in seconds. */
  readonly seconds: number;
}

/** Two clips as they stand on the screen, for whatever is made of them. */
export interface PairStage {
  readonly now: StageClip | null;
  readonly before: StageClip | null;
  readonly mode: PairMode;
  readonly laid: PairLaid | null;
  readonly pen: Pen;
  /** The station at which they stand, in words; empty where they stand at none. */
  readonly station: string;
}

const QUALITY = 0.88;

/** The pair as it stands on the screen, with the lines over it, as one JPEG. */
export async function pairPicture(): Promise<File> {
  const shown = document.querySelector<HTMLCanvasElement>('#pair');
  const canvas = document.createElement('canvas');
  const context = canvas.getContext('2d');
  if (!shown || !context) throw new ToldError(PAIR_EXPORT_WORDS.noDrawing);
  canvas.width = shown.width;
  canvas.height = shown.height;
  context.drawImage(shown, 0, 0);
  const over = shown.parentElement?.querySelector<SVGSVGElement>('svg[data-over="pair"]');
  if (over) context.drawImage(await pictureOf(over, shown.width), 0, 0, shown.width, PAIR_HEIGHT);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
  if (!blob) throw new ToldError(PAIR_EXPORT_WORDS.noDrawing);
  return new File([blob], 'picture.jpg', { type: 'image/jpeg' });
}

async function pictureOf(drawn: SVGSVGElement, width: number): Promise<HTMLImageElement> {
  const copy = drawn.cloneNode(true) as SVGSVGElement;
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(PAIR_HEIGHT));
  copy.setAttribute('font-family', 'sans-serif');
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(new XMLSerializer().serializeToString(copy))}`;
  await image.decode();
  return image;
}
