import type { ReplyFacts } from '@inchstep/core/checkins';
import { STRIKES } from '@inchstep/core/practice';
import { z } from 'zod';
import { filmRequestSchema } from './filmRequest.ts';

/** What a review of a check-in opens with: the facts, the draft made of them, and the coach's own phrases. */
export const reviewSchema = z.object({
  facts: z.custom<ReplyFacts>(),
  draft: z.string(),
  phrases: z.array(z.string()),
  /** Of the sets since the coach's last word: how they felt in the middle (0 to 10, null where nobody said), and how balls were met. */
  felt: z.number().nullable(),
  strikes: z.array(z.object({ strike: z.enum(STRIKES), count: z.int() })),
  /** The request that this check-in answers, or that stands open. */
  asked: filmRequestSchema.nullable(),
});
export type Review = z.infer<typeof reviewSchema>;
