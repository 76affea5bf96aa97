import { STAGES } from '@inchstep/core/practice';
import type { LessonMoment } from '@inchstep/core/progress';
import { z } from 'zod';
import { idSchema } from '../../shared.ts';
import { eventSchema, lessonSchema } from '../intake/index.ts';
import { decideGateSchema, lessonNoteSchema } from '../practice/index.ts';
import { newFilmRequestSchema } from './filmRequest.ts';

const momentSchema = z.discriminatedUnion('what', [
  eventSchema.omit({ lessonId: true }).extend({ what: z.literal('event') }),
  z.object({
    what: z.literal('set'),
    at: z.string(),
    id: idSchema,
    drill: z.string(),
    stage: z.enum(STAGES),
    reps: z.string(),
  }),
  lessonNoteSchema.extend({ what: z.literal('note') }),
]) satisfies z.ZodType<LessonMoment>;

/** A lesson with all that happened in it. */
export const lessonFileSchema = z.object({ lesson: lessonSchema, moments: z.array(momentSchema) });
export type LessonFile = z.infer<typeof lessonFileSchema>;

/** The summary as the coach sends it, with what was drafted. */
export const sendSummarySchema = z.strictObject({
  id: idSchema,
  text: z.string().trim().min(1).max(10_000),
  draft: z.string().max(10_000),
  /** What is asked for next, sent along; null = nothing. */
  request: newFilmRequestSchema.nullable().default(null),
  /** Gates that are decided in the same press. */
  gates: z.array(decideGateSchema).max(8).default([]),
});
export type SummarySend = z.infer<typeof sendSummarySchema>;
