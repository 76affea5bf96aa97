import { LESSON_MAIL } from '@inchstep/contract/words';
import { format, parseISO } from 'date-fns';
import { INK, MARGIN, TAPE } from '../prescription/index.ts';

export interface SummaryAsk {
  readonly student: string;
  readonly coach: string;
  readonly day: string;
  readonly text: string;
  readonly paper: 'A4' | 'LETTER';
}

/** A lesson's summary on paper, as it was sent. */
export async function summaryPdf({ student, coach, day, text, paper }: SummaryAsk): Promise<Buffer> {
  // A fifth of the program's start, for what is printed now and then.
  const { default: Document } = await import('pdfkit');
  const date = format(parseISO(day), 'EEEE d MMMM yyyy');
  const info = { Title: `${LESSON_MAIL.subject}, ${date}`, Author: 'Inch Step' };
  const pdf = new Document({ size: paper, margin: MARGIN, info });
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
    .text(date, MARGIN + 10, MARGIN + 13);
  pdf
    .font('Helvetica')
    .fontSize(11)
    .text(`${student}, ${coach}`, MARGIN, MARGIN + 44)
    .moveDown(0.8);
  pdf.fontSize(12).text(text, { width: wide, lineGap: 3, paragraphGap: 6 });
  pdf.end();
  return done;
}
