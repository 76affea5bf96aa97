import { z } from 'zod';
import { findingSchema } from '../../formats/index.ts';
import { idSchema } from '../../shared.ts';
import { answerSchema } from './answer.ts';

export { asSent, broughtUp } from './answer.ts';

export const newDiagnosisSchema = z.strictObject({
  id: idSchema,
  swingId: idSchema.nullable(),
  /** All swings of that day with the same club and speed, taken together. */
  wholeDay: z.boolean().default(false),
  findings: z.array(findingSchema).max(120),
  /** Measures and findings that the coach holds to be wrong; they count for nothing. */
  setAside: z.array(z.string().max(60)).max(60).default([]),
});

const choiceSchema = z.object({
  workOn: z.array(z.string()),
  note: z.string(),
  at: z.string(),
  /** Taken over from an earlier diagnosis, so that no new measure takes it away unsaid. */
  carried: z.boolean(),
});

export const diagnosisSchema = z.object({
  id: idSchema,
  studentId: idSchema,
  swingId: idSchema.nullable(),
  wholeDay: z.boolean(),
  at: z.string(),
  findings: z.array(findingSchema),
  setAside: z.array(z.string()),
  result: answerSchema,
  /** What the coach chose to work on, and why if it differs from the program. */
  chosen: choiceSchema
    /** What stood before it; taking the choice back brings this again. */
    .extend({ before: choiceSchema.nullable().optional() })
    .nullable(),
});
export type DiagnosisRecord = z.infer<typeof diagnosisSchema>;

/** What the newest measured swing would make of a diagnosis. */
export const nowSchema = z.object({
  swingId: idSchema,
  recordedOn: z.string(),
  workOn: z.array(z.string()),
  changed: z.boolean(),
});
export type DiagnosisNow = z.infer<typeof nowSchema>;

export const chooseWorkSchema = z.strictObject({
  workOn: z.array(z.string()).min(1).max(2),
  note: z.string().max(500),
});
