import type { ReportPage } from '@inchstep/contract/progress';
import { type Lengths, type ReportTape, valueIn } from '@inchstep/contract/words';
import { INK, MARGIN, type Pdf, TAPE } from '../prescription/index.ts';

const TAPE_TALL = 16;
/** Room that a tape with its name takes. */
const TAPE_ROOM = 44;
const FOOT = 60;

/** A report on paper: the same lines and tapes as on the screen. */
export async function reportPdf(page: ReportPage, units: Lengths, paper: 'A4' | 'LETTER'): Promise<Buffer> {
  // A fifth of the program's start, for what is printed now and then.
  const { default: Document } = await import('pdfkit');
  const pdf = new Document({
    size: paper,
    margin: MARGIN,
    info: { Title: page.title, Author: 'Inch Step' },
  });
  const chunks: Buffer[] = [];
  pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<Buffer>((resolve) => pdf.on('end', () => resolve(Buffer.concat(chunks))));
  const wide = pdf.page.width - 2 * MARGIN;
  pdf.rect(MARGIN, MARGIN, wide, 34).fill(TAPE);
  for (let x = 0; x < wide; x += 9) pdf.rect(MARGIN + x, MARGIN, 0.8, x % 36 === 0 ? 9 : 5).fill(INK);
  pdf
    .fillColor(INK)
    .font('Helvetica-Bold')
    .fontSize(18)
    .text(page.title, MARGIN + 10, MARGIN + 13);
  pdf.font('Helvetica').fontSize(11);
  pdf.text(page.lead, MARGIN, MARGIN + 44, { width: wide });
  for (const { heading, lines, tapes } of page.sections) {
    if (pdf.y > pdf.page.height - MARGIN - FOOT) pdf.addPage();
    pdf.moveDown(0.8).font('Helvetica-Bold').fontSize(13).text(heading, MARGIN, pdf.y, { width: wide });
    pdf.font('Helvetica').fontSize(11);
    for (const line of lines) pdf.text(line, MARGIN, pdf.y, { width: wide, lineGap: 2, paragraphGap: 3 });
    for (const tape of tapes) drawTape(pdf, tape, units, wide);
  }
  pdf.end();
  return done;
}

/** The band as a rule, now as a notch with its bracket, before hollow: as on the screen. */
function drawTape(pdf: Pdf, tape: ReportTape, units: Lengths, wide: number): void {
  if (pdf.y > pdf.page.height - MARGIN - TAPE_ROOM) pdf.addPage();
  const { band, value, half95, before, name } = tape;
  const show = valueIn(units);
  const [lo, hi] = spanOf(tape);
  const y = pdf.y + 18;
  const x = (at: number) => MARGIN + ((Math.min(hi, Math.max(lo, at)) - lo) / (hi - lo)) * wide;
  pdf
    .fillColor(INK)
    .fontSize(9)
    .text(`${name}: ${show(value, band.unit)}`, MARGIN, y - 13, { width: wide, lineBreak: false });
  pdf.rect(MARGIN, y, wide, TAPE_TALL).fill(TAPE);
  for (let k = 0; k <= TICKS; k++)
    pdf.rect(MARGIN + (k * (wide - 0.8)) / TICKS, y + TAPE_TALL - 4, 0.8, 4).fill(INK);
  const from = x(band.lo ?? lo);
  pdf.rect(from, y + 6, Math.max(1, x(band.hi ?? hi) - from), 3).fill(INK);
  const [a, b] = [x(value - half95), x(value + half95)];
  pdf
    .moveTo(a, y - 1)
    .lineTo(a, y - 4)
    .lineTo(b, y - 4)
    .lineTo(b, y - 1)
    .lineWidth(1.2)
    .stroke(INK);
  if (before !== null) notch(pdf, x(before), y).lineWidth(1).fillAndStroke('#ffffff', INK);
  notch(pdf, x(value), y).fill(INK);
  pdf.x = MARGIN;
  pdf.y = y + TAPE_TALL + 4;
  pdf.fillColor(INK).fontSize(11);
}

const TICKS = 24;

const notch = (pdf: Pdf, x: number, y: number): Pdf =>
  pdf
    .moveTo(x - 4, y)
    .lineTo(x + 4, y)
    .lineTo(x, y + 7)
    .closePath();

/** The band with room beside it, and everything that is drawn. */
function spanOf({ band, value, half95, before }: ReportTape): [number, number] {
  const lo = band.lo ?? (band.hi ?? 0) - 4 * band.step;
  const hi = band.hi ?? (band.lo ?? 0) + 4 * band.step;
  const points = [lo - 1.5 * band.step, hi + 1.5 * band.step, value - half95, value + half95];
  if (before !== null) points.push(before - 0.3 * band.step, before + 0.3 * band.step);
  return [Math.min(...points), Math.max(...points)];
}
