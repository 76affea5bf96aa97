import type { Prescription } from '@inchstep/core/prescription';
import { z } from 'zod';
import { idSchema } from '../../shared.ts';
import { computed } from '../diagnosis/index.ts';

export const prescriptionSchema = z.object({
  diagnosisId: idSchema,
  workOn: z.array(z.string()),
  result: computed<Prescription>(),
});
export type PrescriptionRecord = z.infer<typeof prescriptionSchema>;

export const chooseDrillsSchema = z.strictObject({
  id: idSchema,
  diagnosisId: idSchema,
  drills: z.array(z.string()).min(1).max(2),
  note: z.string().max(500),
});

export const choiceSchema = z.object({
  id: idSchema,
  diagnosisId: idSchema,
  drills: z.array(z.string()),
  forFault: z.string(),
  note: z.string(),
  at: z.string(),
  endedAt: z.string().nullable(),
});
export type DrillChoice = z.infer<typeof choiceSchema>;
