import type { ReplyFacts } from '@inchstep/core/checkins';
import { STAGES, STRIKES } from '@inchstep/core/practice';
import { z } from 'zod';
import { daySchema } from '../../shared.ts';
import { filmAskSchema, filmRequestSchema } from './filmRequest.ts';

/** A measure of the present work, before and after. */
export const movedSchema = z.object({
  id: z.string(),
  unit: z.string(),
  before: z.number(),
  after: z.number(),
  verdict: z.enum(['real', 'maybe', 'none', 'cant_tell']),
  direction: z.enum(['better', 'worse', 'level']),
  /** P(it changed that way). */
  changed: z.number(),
});

const replyFactsSchema = z.object({
  pain: z.boolean(),
  better: z.array(movedSchema).readonly(),
  worse: z.array(movedSchema).readonly(),
  atEdge: z.array(z.string()).readonly(),
  film: z.enum(['none', 'waits', 'measured', 'unseen']),
  felt: z
    .object({
      measure: z.string(),
      felt: z.number(),
      unit: z.string(),
      measured: z.object({ value: z.number(), sd: z.number() }).nullable(),
    })
    .nullable(),
  practised: z.object({
    repsDone: z.number(),
    byCoach: z.number(),
    repsPlanned: z.number(),
    passRate: z.number().nullable(),
    since: daySchema.nullable(),
  }),
  key: z
    .object({
      drill: z.string(),
      stage: z.enum(STAGES),
      speedPct: z.number(),
      layer: z.number(),
      layers: z.number(),
      day: z.object({ sets: z.number(), reps: z.number(), balls: z.number() }).nullable(),
    })
    .nullable(),
  gate: z.enum(['advance', 'hold', 'continue', 'back']).nullable(),
  leave: z.array(z.string()).readonly(),
  sendNext: filmAskSchema.extend({ kinds: filmAskSchema.shape.kinds.readonly() }).nullable(),
}) satisfies z.ZodType<ReplyFacts>;

/** The facts of a review. Once it is answered they stay as they were shown. */
export const reviewShownSchema = z.object({
  facts: replyFactsSchema,
  /** Of the sets since the coach's last word: how they felt in the middle (0 to 10, null where nobody said), and how balls were met. */
  felt: z.number().nullable(),
  strikes: z.array(z.object({ strike: z.enum(STRIKES), count: z.int() })),
  /** The request that this check-in answers, or that stands open. */
  asked: filmRequestSchema.nullable(),
});
export type ReviewShown = z.infer<typeof reviewShownSchema>;

/** What a review of a check-in opens with: the facts, the draft made of them, and the coach's own phrases. */
export const reviewSchema = reviewShownSchema.extend({ draft: z.string(), phrases: z.array(z.string()) });
export type Review = z.infer<typeof reviewSchema>;
