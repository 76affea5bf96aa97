import type { Diagnosis } from '@inchstep/core/diagnosis';
import { z } from 'zod';
import { findingSchema } from '../../formats/index.ts';
import { idSchema } from '../../shared.ts';

/** A computed answer of the core, whose shape the core's types and docs/formats.md describe. */
export const computed = <T>() => z.any() as unknown as z.ZodType<T>;

export const newDiagnosisSchema = z.strictObject({
  id: idSchema,
  swingId: idSchema.nullable(),
  findings: z.array(findingSchema).max(120),
});

export const diagnosisSchema = z.object({
  id: idSchema,
  studentId: idSchema,
  swingId: idSchema.nullable(),
  at: z.string(),
  findings: z.array(findingSchema),
  result: computed<Diagnosis>(),
  /** What the coach chose to work on, and why if it differs from the program. */
  chosen: z.object({ workOn: z.array(z.string()), note: z.string(), at: z.string() }).nullable(),
});
export type DiagnosisRecord = z.infer<typeof diagnosisSchema>;

export const chooseWorkSchema = z.strictObject({
  workOn: z.array(z.string()).min(1).max(2),
  note: z.string().max(500),
});
