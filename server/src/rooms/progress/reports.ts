import type { ReportPage } from '@inchstep/contract/progress';
import { type Lengths, reportPage } from '@inchstep/contract/words';
import { type ReportFor, reportOf } from '@inchstep/core/progress';
import { type Context, today } from '../../platform/context.ts';
import { feelPage, libraryOf, libraryWords } from '../prescription/index.ts';

/** Where a student stands, in words for whoever is to read it. */
export function reportFor(ctx: Context, studentId: string, reader: ReportFor, units: Lengths): ReportPage {
  const feels = feelPage(ctx, studentId).records;
  const report = reportOf(ctx.records.of(studentId), libraryOf(ctx), feels, reader, today(ctx));
  return reportPage(report, libraryWords(ctx), units);
}
