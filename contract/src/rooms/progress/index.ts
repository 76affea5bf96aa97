import type { Change } from '@inchstep/core/progress';
import { z } from 'zod';
import { daySchema } from '../../shared.ts';
import { computed } from '../diagnosis/index.ts';
import { bandSchema } from '../measures/index.ts';

export const sessionSchema = z.object({
  date: daySchema,
  values: z.array(z.number()),
  sd: z.number(),
  mean: z.number(),
  half95: z.number(),
});

export const seriesSchema = z.object({
  measure: z.string(),
  band: bandSchema,
  sessions: z.array(sessionSchema),
  change: computed<Change>(),
  direction: z.enum(['better', 'worse', 'level']),
  /** Measures looked at together, over which false alarms are shared. */
  family: z.int(),
});
export type Series = z.infer<typeof seriesSchema>;

export const progressSchema = z.object({
  series: z.array(seriesSchema),
  focus: z.array(z.string()),
  lessons: z.array(daySchema),
  checkins: z.array(daySchema),
  stages: z.array(z.object({ drill: z.string(), stage: z.string(), from: daySchema })),
});
export type Progress = z.infer<typeof progressSchema>;

export const briefSchema = z.object({
  studentId: z.string(),
  name: z.string(),
  nextLesson: daySchema.nullable(),
  focus: z.array(z.string()),
  drills: z.array(z.string()),
  stage: z.string().nullable(),
  repsDone: z.number(),
  repsPlanned: z.number(),
  moved: z.array(
    z.object({
      measure: z.string(),
      verdict: z.string(),
      direction: z.string(),
      before: z.number(),
      after: z.number(),
      unit: z.string(),
    }),
  ),
  limits: z.array(z.string()),
  hold: z.boolean(),
  lastWords: z.string(),
  state: z.enum(['new', 'working', 'gate_waiting', 'stalled', 'silent', 'owned', 'pain']),
});
export type Brief = z.infer<typeof briefSchema>;
