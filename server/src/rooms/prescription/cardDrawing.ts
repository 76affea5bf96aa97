import { CARD_WORDS } from '@inchstep/contract/words';
import {
  type Drawing,
  drawSetup,
  type MoveFigure,
  type Point,
  type SetupValue,
  type Shape,
  type ViewId,
} from '@inchstep/core/prescription';
import type PDFDocument from 'pdfkit';

export type Pdf = InstanceType<typeof PDFDocument>;
export const MARGIN = 42;
export const DRAWING_TALL = 250;
export const INK = '#17242b';
export const TAPE = '#f2dc9b';
/** One flat tone, so that the parts of the body don't darken where they meet. */
const BODY = '#c6cacb';
const LOOK_RADIUS = 6;
/** Where the first, second and third number stand beside their rings: places close together stay readable. */
const LOOK_TEXT = [
  [1, -0.8],
  [1, 0.9],
  [-1, 0],
] as const;
const GAP = 8;

export interface DrawnMove {
  readonly setup: readonly SetupValue[];
  readonly figure: MoveFigure;
  readonly left: boolean;
}

/** On paper the move is its two ends side by side, and where everything stands from the front and from above. */
export function drawMove(
  pdf: Pdf,
  { setup, figure, left }: DrawnMove,
  top: number,
  wide: number,
  length: Place['length'],
): void {
  const layers = figure.looks.map((_, i) => i + 1);
  const views: readonly (readonly [ViewId, number, string])[] = [
    [figure.tells, 0, CARD_WORDS.begins(CARD_WORDS[figure.tells])],
    [figure.tells, 1, CARD_WORDS.ends(CARD_WORDS[figure.tells])],
    ...(figure.tells === 'side' ? [['front', 1, CARD_WORDS.front] as const] : []),
    ['above', 1, CARD_WORDS.above],
  ];
  const each = (wide - (views.length - 1) * GAP) / views.length;
  views.forEach(([view, share, name], i) => {
    const right = view === 'above' ? left : !left;
    drawView(pdf, drawSetup({ setup, figure, view, share, layers: share === 1 ? layers : [] }), {
      x: MARGIN + i * (each + GAP),
      y: top,
      wide: each,
      name,
      side: right ? 1 : -1,
      toward: view === 'side' ? CARD_WORDS.ball : CARD_WORDS.target,
      length,
    });
  });
}

interface Place {
  readonly x: number;
  readonly y: number;
  readonly wide: number;
  readonly name: string;
  /** 1 = across runs to the right, -1 = to the left. */
  readonly side: number;
  /** What lies to that side. */
  readonly toward: string;
  readonly length: (inches: number) => string;
}

/** One drawing in its box; the frame is scaled to fit, so all inches in it are alike. */
function drawView(pdf: Pdf, drawing: Drawing, place: Place): void {
  const { lowIn, highIn } = drawing;
  const scale = Math.min(
    (place.wide - 8) / (highIn[0] - lowIn[0]),
    (DRAWING_TALL - 26) / (highIn[1] - lowIn[1]),
  );
  const spare = DRAWING_TALL - 26 - (highIn[1] - lowIn[1]) * scale;
  const middle = place.x + place.wide / 2;
  const centre = (lowIn[0] + highIn[0]) / 2;
  const at = ([across, up]: Point): [number, number] => [
    middle + place.side * (across - centre) * scale,
    place.y + 22 + spare / 2 + (highIn[1] - up) * scale,
  ];
  pdf.roundedRect(place.x, place.y, place.wide, DRAWING_TALL, 4).lineWidth(0.8).stroke(INK);
  pdf.font('Helvetica').fontSize(9).fillColor(INK);
  pdf.text(place.side > 0 ? `${place.toward} >` : `< ${place.toward}`, place.x + 6, place.y + 6, {
    width: place.wide - 12,
    align: place.side > 0 ? 'right' : 'left',
  });
  pdf.text(place.name, place.x, place.y + DRAWING_TALL + 4, { width: place.wide, align: 'center' });
  for (const shape of drawing.shapes) drawShape(pdf, shape, at, scale, place.length);
}

function drawShape(
  pdf: Pdf,
  shape: Shape,
  at: (point: Point) => [number, number],
  scale: number,
  length: (inches: number) => string,
): void {
  pdf.save();
  switch (shape.kind) {
    case 'limb':
      pdf.lineCap('round').lineWidth(Math.max(0.6, shape.widthIn * scale));
      pdf
        .moveTo(...at(shape.from))
        .lineTo(...at(shape.to))
        .stroke(shape.tone === 'body' ? BODY : INK);
      if (shape.tone === 'solid')
        pdf
          .lineWidth(Math.max(0.3, shape.widthIn * scale - 1.6))
          .moveTo(...at(shape.from))
          .lineTo(...at(shape.to))
          .stroke(TAPE);
      break;
    case 'disc':
      pdf.lineWidth(0.8);
      pdf.circle(...at(shape.at), Math.max(1.5, shape.radiusIn * scale));
      if (shape.tone === 'body') pdf.fill(BODY);
      else pdf.fillAndStroke(shape.tone === 'object' ? TAPE : '#ffffff', INK);
      break;
    case 'box': {
      const [x, y] = at(shape.at);
      const [wide, tall] = [shape.wideIn * scale, shape.tallIn * scale];
      pdf
        .lineWidth(0.8)
        .rect(x - wide / 2, y - tall / 2, wide, tall)
        .fillAndStroke(TAPE, INK);
      break;
    }
    case 'dimension': {
      const [from, to] = [at(shape.from), at(shape.to)];
      pdf
        .lineWidth(1)
        .moveTo(...from)
        .lineTo(...to)
        .stroke(INK);
      const [x, y] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
      const text = length(shape.valueIn);
      const top = y + (shape.id === 'stance' ? 4 : -14);
      pdf.font('Helvetica-Bold').fontSize(9);
      // On its own paper, so that no wall or leg runs through the number.
      const half = pdf.widthOfString(text) / 2 + 2;
      pdf.rect(x - half, top - 1, 2 * half, 11).fill('#ffffff');
      pdf.fillColor(INK).text(text, x - 30, top, { width: 60, align: 'center' });
      break;
    }
    case 'look':
      drawLook(pdf, shape.layers, at(shape.at));
      break;
  }
  pdf.restore();
}

/** A ring around what a checkpoint looks at, and its number. */
function drawLook(pdf: Pdf, layers: readonly number[], [x, y]: readonly [number, number]): void {
  const text = layers.join(', ');
  const [dx, dy] = LOOK_TEXT[((layers[0] ?? 1) - 1) % LOOK_TEXT.length] as readonly [number, number];
  pdf.lineWidth(1.4).circle(x, y, LOOK_RADIUS).stroke(INK);
  pdf.font('Helvetica-Bold').fontSize(9);
  const left = dx > 0 ? x + LOOK_RADIUS + 2 : x - LOOK_RADIUS - 2 - pdf.widthOfString(text);
  pdf.fillColor(INK).text(text, left, y - 4 + dy * LOOK_RADIUS, { lineBreak: false });
}
