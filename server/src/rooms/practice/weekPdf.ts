import {
  carryText,
  clubOrderText,
  type LibraryWords,
  PAIN_ON_PAPER,
  PLACE_WORDS,
  RANGE_WORDS,
  sessionText,
  WEEK_WORDS,
  warmUpText,
} from '@inchstep/contract/words';
import type { PlanDay } from '@inchstep/core/practice';
import { format, parseISO } from 'date-fns';
import { type CardAsk, drawCard, INK, MARGIN, type Pdf, TAPE } from '../prescription/index.ts';

export interface WeekAsk {
  readonly student: string;
  readonly days: readonly PlanDay[];
  readonly library: LibraryWords;
  /** A card for each drill of the week, a page each. */
  readonly cards: readonly CardAsk[];
  readonly paper: 'A4' | 'LETTER';
}

const BOX = 11;
const MOST_BOXES = 30;

/** A week of practice on paper: each day with a box a set, then each drill's set-up card. */
export async function weekPdf({ student, days, library, cards, paper }: WeekAsk): Promise<Buffer> {
  // A fifth of the program's start, for what is printed now and then.
  const { default: Document } = await import('pdfkit');
  const info = { Title: WEEK_WORDS.title(student), Author: 'Inch Step' };
  const pdf = new Document({ size: paper, margin: MARGIN, info });
  const chunks: Buffer[] = [];
  pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<Buffer>((resolve) => pdf.on('end', () => resolve(Buffer.concat(chunks))));
  const wide = pdf.page.width - 2 * MARGIN;
  pdf.fillColor(INK).font('Helvetica-Bold').fontSize(22).text(WEEK_WORDS.title(student), MARGIN, MARGIN);
  pdf.font('Helvetica').fontSize(11).moveDown(0.4);
  if (days.length === 0) pdf.text(WEEK_WORDS.none, { width: wide });
  for (const day of days) dayOf(pdf, day, library, wide);
  pdf.moveDown(0.5).font('Helvetica-Bold').text(WEEK_WORDS.stop, MARGIN, pdf.y, { width: wide });
  pdf.font('Helvetica').text(PAIN_ON_PAPER, { width: wide });
  if (days.some(({ place }) => place === 'range')) pdf.text(RANGE_WORDS, { width: wide });
  for (const card of cards) drawCard(pdf.addPage(), card);
  pdf.end();
  return done;
}

function dayOf(pdf: Pdf, day: PlanDay, library: LibraryWords, wide: number): void {
  if (pdf.y > pdf.page.height - 150) pdf.addPage();
  const y = pdf.y + 6;
  pdf.rect(MARGIN, y, wide, 20).fill(TAPE);
  for (let x = 0; x < wide; x += 9) pdf.rect(MARGIN + x, y, 0.8, x % 36 === 0 ? 7 : 4).fill(INK);
  const title = `${format(parseISO(day.date), 'EEEE d MMMM')}, ${PLACE_WORDS[day.place] ?? day.place}`;
  pdf
    .fillColor(INK)
    .font('Helvetica-Bold')
    .fontSize(11)
    .text(title, MARGIN + 8, y + 7);
  const minutes = WEEK_WORDS.minutes(Math.round(day.minutes));
  pdf.text(minutes, MARGIN, y + 7, { width: wide - 8, align: 'right' });
  pdf.x = MARGIN;
  pdf.y = y + 25;
  pdf.font('Helvetica').fontSize(10.5);
  const warm = warmUpText(day, library.nameOf);
  if (warm !== '') pdf.text(warm, MARGIN, pdf.y, { width: wide });
  for (const item of day.items) {
    pdf.text(sessionText(item, library.nameOf), MARGIN, pdf.y + 2, { width: wide });
    const order = clubOrderText(item);
    if (order !== null) pdf.fontSize(9).text(order, { width: wide }).fontSize(10.5);
    const carry = carryText(item, library.wordsOf(item.drill)?.cue ?? '');
    if (carry !== null) pdf.fontSize(9).text(carry, { width: wide }).fontSize(10.5);
    boxes(pdf, Math.min(MOST_BOXES, item.sets));
  }
}

/** A box to tick for each set. */
function boxes(pdf: Pdf, count: number): void {
  const y = pdf.y + 2;
  for (let i = 0; i < count; i++)
    pdf
      .rect(MARGIN + i * (BOX + 4), y, BOX, BOX)
      .lineWidth(1)
      .strokeColor(INK)
      .stroke();
  pdf.x = MARGIN;
  pdf.y = y + BOX + 5;
}
