import { REPORT_FOR } from '@inchstep/core/progress';
import { z } from 'zod';
import type { ReportPage } from '../../words/index.ts';
import { paperSchema } from '../practice/index.ts';

export type { ReportPage };

/** Who a report is for, and on which paper and in which units. */
export const reportQuery = paperSchema.extend({ for: z.enum(REPORT_FOR).default('student') });

/** A report as it is read; the same on the screen and on paper. */
export const reportPageSchema = z.object({
  title: z.string(),
  lead: z.string(),
  sections: z
    .array(
      z.object({
        heading: z.string(),
        lines: z.array(z.string()).readonly(),
        tapes: z
          .array(
            z.object({
              name: z.string(),
              band: z.object({
                lo: z.number().nullable(),
                hi: z.number().nullable(),
                step: z.number(),
                unit: z.string(),
              }),
              value: z.number(),
              half95: z.number(),
              before: z.number().nullable(),
            }),
          )
          .readonly(),
      }),
    )
    .readonly(),
}) satisfies z.ZodType<ReportPage>;
