import { SHOT_FIELD_IDS, SHOT_UNITS } from '@inchstep/core/capture';
import { z } from 'zod';
import { daySchema, idSchema } from '../../shared.ts';

/** A CSV as text; the server reads it again itself. */
const csv = z.string().min(1).max(3_000_000);
const fileName = z.string().min(1).max(200);

const columnMatchSchema = z.strictObject({
  field: z.enum(SHOT_FIELD_IDS),
  column: z.string().min(1).max(200),
  unit: z.enum(SHOT_UNITS),
  flipped: z.boolean(),
});
export type ColumnMatchForm = z.infer<typeof columnMatchSchema>;

export const shotSchema = z.partialRecord(z.enum(SHOT_FIELD_IDS), z.number());

/** Shots of one day, in the program's units and signs. */
export const shotSetSchema = z.object({
  id: idSchema,
  studentId: idSchema,
  recordedOn: daySchema,
  /** The swing these shots belong to, where the coach tied them. */
  swingId: idSchema.nullable(),
  fileName: z.string(),
  shots: z.array(shotSchema),
  discardedAt: z.string().nullable(),
  createdAt: z.string(),
});
export type ShotSet = z.infer<typeof shotSetSchema>;

/** A set as lists show it: how many shots, not which. */
export const shotSetLineSchema = shotSetSchema.omit({ shots: true }).extend({ count: z.int() });
export type ShotSetLine = z.infer<typeof shotSetLineSchema>;

export const newShotSetSchema = z.strictObject({
  id: idSchema,
  recordedOn: daySchema,
  swingId: idSchema.nullable(),
  fileName,
  csv,
  matches: z.array(columnMatchSchema).max(SHOT_FIELD_IDS.length),
});
export const editShotSetSchema = z.strictObject({ swingId: idSchema.nullable() });

/** How the columns of a file with these headings were matched last. */
export const rememberedMatchSchema = z.object({
  headings: z.array(z.string()),
  matches: z.array(columnMatchSchema),
});
export type RememberedMatch = z.infer<typeof rememberedMatchSchema>;

/** Pressure under the feet during one swing; the offset is added to the mat's clock to give the clip's. */
export const pressureSchema = z.object({
  fileName: z.string(),
  offsetSeconds: z.number(),
  times: z.array(z.number()),
  leadPct: z.array(z.number()),
});
export type Pressure = z.infer<typeof pressureSchema>;

export const newPressureSchema = z.union([
  z.strictObject({ fileName, csv, offsetSeconds: z.number().min(-60).max(60).nullable() }),
  z.strictObject({ offsetSeconds: z.number().min(-60).max(60) }),
]);
