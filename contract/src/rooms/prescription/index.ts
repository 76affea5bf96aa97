import type { Caution, FeelSizing, Prescription } from '@inchstep/core/prescription';
import { z } from 'zod';
import { ownDrillSchema } from '../../formats/index.ts';
import { idSchema } from '../../shared.ts';
import { computed } from '../diagnosis/index.ts';

export const cautionSchema = z.object({
  code: z.enum([
    'light_load',
    'overruled_load',
    'marked_load',
    'object_near_swing',
    'stick_cap',
    'clear_space',
    'child',
    'hazard',
  ]),
  about: z.string(),
}) satisfies z.ZodType<Caution>;

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

/** A drill of the coach's own, and whose plan it is in. */
export const libraryEntrySchema = ownDrillSchema.extend({
  at: z.string(),
  usedBy: z.array(z.object({ studentId: idSchema, name: z.string() })),
});
export type LibraryEntry = z.infer<typeof libraryEntrySchema>;
export const keepDrillSchema = ownDrillSchema.omit({ retired: true });
export const retireSchema = z.strictObject({ retired: z.boolean() });
export const importedSchema = z.object({ added: z.int(), changed: z.int() });

/** What a student felt a change to be, against what was measured, in the measure's own unit. */
export const feelSchema = z.strictObject({
  id: idSchema,
  measure: z.string().max(60),
  felt: z.number().positive({ error: 'give an amount above 0' }).max(200),
  measured: z.number().positive({ error: 'give an amount above 0' }).max(200),
});
export const storedFeelSchema = feelSchema.extend({ at: z.string() });
export type StoredFeel = z.infer<typeof storedFeelSchema>;
export const feelPageSchema = z.object({
  records: z.array(storedFeelSchema),
  sizing: z.object({
    factor: z.number().nullable(),
    ratio: z.number(),
    lo95: z.number(),
    hi95: z.number(),
    records: z.number(),
  }) satisfies z.ZodType<FeelSizing>,
});
export type FeelPage = z.infer<typeof feelPageSchema>;
