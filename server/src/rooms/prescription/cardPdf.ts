import {
  AMOUNT_WORDS,
  amountRange,
  CARD_WORDS,
  CLUB_WORDS,
  cautionText,
  type DrillWords,
  exaggerateText,
  type LibraryWords,
} from '@inchstep/contract/words';
import { inToCm } from '@inchstep/core/foundation';
import type { Caution, ClubAmount, SetupValue } from '@inchstep/core/prescription';
import { DRAWING_TALL, type DrawnMove, drawMove, INK, MARGIN, type Pdf, TAPE } from './cardDrawing.ts';

export interface CardAsk extends DrawnMove {
  readonly drill: string;
  readonly library: LibraryWords;
  /** How much more than real the student must feel; null = as it is. */
  readonly exaggerate: number | null;
  readonly student: string;
  readonly cautions: readonly Caution[];
  /** Ankles apart, club by club. */
  readonly stances: readonly SetupValue[];
  readonly amounts: readonly ClubAmount[];
  /** What the coach wants done outside the drills; empty = nothing. */
  readonly ownTask: string;
  readonly units: 'in' | 'cm';
}

/** The set-up card on a sheet of its own. */
export async function cardPdf(ask: CardAsk, paper: 'A4' | 'LETTER'): Promise<Buffer> {
  // A fifth of the program's start, for what is printed now and then.
  const { default: Document } = await import('pdfkit');
  const pdf = new Document({
    size: paper,
    margin: MARGIN,
    info: { Title: CARD_WORDS.title(ask.library.nameOf(ask.drill)), Author: 'Inch Step' },
  });
  const chunks: Buffer[] = [];
  pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<Buffer>((resolve) => pdf.on('end', () => resolve(Buffer.concat(chunks))));
  drawCard(pdf, ask);
  pdf.end();
  return done;
}

/** The card on one page: drawings to scale, distances, steps, cue, what counts, cautions. */
export function drawCard(pdf: Pdf, ask: CardAsk): void {
  const words = ask.library.wordsOf(ask.drill);
  if (!words) throw new Error(`drawCard: no words for ${ask.drill}`);
  const wide = pdf.page.width - 2 * MARGIN;
  const length = (inches: number) =>
    ask.units === 'cm' ? `${inToCm(inches).toFixed(1)} cm` : `${inches.toFixed(1)} in`;
  pdf.fillColor(INK).font('Helvetica-Bold').fontSize(24).text(words.name, MARGIN, MARGIN);
  pdf.font('Helvetica').fontSize(11).text(CARD_WORDS.for(ask.student)).moveDown(0.4);
  pdf.text(words.purpose, { width: wide });
  const top = pdf.y + 10;
  drawMove(pdf, ask, top, wide, length);
  pdf.x = MARGIN;
  pdf.y = top + DRAWING_TALL + 30;
  for (const { id, valueIn } of ask.setup)
    row(pdf, ask.library.distanceName(ask.drill, id), length(valueIn), wide);
  const stances = ask.stances.map(({ id, valueIn }) => `${CLUB_WORDS[id]?.toLowerCase()} ${length(valueIn)}`);
  pdf.font('Helvetica').fontSize(9.5).text(CARD_WORDS.stances(stances), { width: wide });
  for (const amount of ask.amounts) pdf.text(amountText(amount, length), { width: wide });
  pdf.moveDown(0.6).font('Helvetica').fontSize(12);
  words.steps.forEach((step, i) => {
    pdf.text(`${i + 1}.  ${step}`, MARGIN, pdf.y, { width: wide }).moveDown(0.2);
  });
  cue(pdf, words.cue, wide);
  if (ask.exaggerate !== null)
    pdf.fontSize(12).text(exaggerateText(ask.exaggerate), { width: wide }).moveDown(0.3);
  layers(pdf, words.layers, wide);
  facts(pdf, words, wide);
  if (ask.ownTask !== '') pdf.text(CARD_WORDS.besides(ask.ownTask), { width: wide }).moveDown(0.3);
  takeCare(pdf, ask.cautions, wide);
}

function amountText({ id, byClub }: ClubAmount, length: (inches: number) => string): string {
  const each = byClub.map(
    ({ club, loIn, hiIn }) => `${CLUB_WORDS[club]?.toLowerCase()} ${amountRange(loIn, hiIn, length)}`,
  );
  return CARD_WORDS.amountByClub(AMOUNT_WORDS[id], each);
}

function row(pdf: Pdf, name: string, value: string, wide: number): void {
  const y = pdf.y;
  pdf
    .font('Helvetica')
    .fontSize(11)
    .text(name, MARGIN, y, { width: wide * 0.6 });
  pdf.font('Helvetica-Bold').text(value, MARGIN + wide * 0.6, y, { width: wide * 0.4, align: 'right' });
  pdf.x = MARGIN;
}

/** The checkpoints in order, a line each. */
function layers(pdf: Pdf, texts: readonly string[], wide: number): void {
  if (texts.length === 0) return;
  pdf.font('Helvetica-Bold').fontSize(11).text(`${CARD_WORDS.layers}:`, MARGIN, pdf.y, { width: wide });
  pdf.font('Helvetica');
  for (const [i, text] of texts.entries()) pdf.text(`${i + 1}.  ${text}`, { width: wide });
  pdf.moveDown(0.3);
}

/** How to know that it counted, and that it did not. */
function facts(pdf: Pdf, words: DrillWords, wide: number): void {
  for (const [title, text] of [
    [CARD_WORDS.counts, words.counts],
    [CARD_WORDS.fake, words.fake],
    [CARD_WORDS.tooMuch, words.tooMuch],
  ] as const) {
    pdf
      .font('Helvetica-Bold')
      .fontSize(11)
      .text(`${title}: `, MARGIN, pdf.y, { continued: true, width: wide });
    pdf.font('Helvetica').text(text).moveDown(0.2);
  }
}

function takeCare(pdf: Pdf, cautions: readonly Caution[], wide: number): void {
  if (cautions.length === 0) return;
  pdf.moveDown(0.4).font('Helvetica-Bold').text(CARD_WORDS.care, MARGIN, pdf.y);
  pdf.font('Helvetica');
  for (const caution of cautions) pdf.text(`-  ${cautionText(caution)}`, { width: wide });
}

/** The one thought, on a piece of tape. */
function cue(pdf: Pdf, text: string, wide: number): void {
  const y = pdf.y + 8;
  pdf.font('Helvetica-Bold').fontSize(14);
  const tall = 17 + pdf.heightOfString(text, { width: wide - 20 });
  pdf.rect(MARGIN, y, wide, tall).fill(TAPE);
  for (let x = 0; x < wide; x += 9) pdf.rect(MARGIN + x, y, 0.8, x % 36 === 0 ? 7 : 4).fill(INK);
  pdf.fillColor(INK).text(text, MARGIN + 10, y + 13, { width: wide - 20 });
  pdf.x = MARGIN;
  pdf.y = y + tall + 10;
}
