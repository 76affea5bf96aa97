import { WEEKDAYS } from '@inchstep/core/foundation';
import { PLACES } from '@inchstep/core/intake';
import { type GateDecision, type Held, type MeasureGate, type Plan, STAGES } from '@inchstep/core/practice';
import { z } from 'zod';
import { daySchema, idSchema } from '../../shared.ts';
import { computed } from '../diagnosis/index.ts';

export const planAskSchema = z.strictObject({
  start: daySchema,
  nextLesson: daySchema.nullable(),
  days: z.array(z.enum(WEEKDAYS)).min(1),
  minutesPerDay: z.partialRecord(z.enum(WEEKDAYS), z.number().min(5).max(240)),
  placeByDay: z.partialRecord(z.enum(WEEKDAYS), z.enum(PLACES)),
});
export type PlanAsk = z.infer<typeof planAskSchema>;

export const newPlanSchema = planAskSchema.extend({ id: idSchema });

export const planSchema = z.object({
  id: idSchema,
  studentId: idSchema,
  at: z.string(),
  drills: z.array(z.string()),
  ask: planAskSchema,
  plan: computed<Plan>(),
});
export type PlanRecord = z.infer<typeof planSchema>;

export const setLogSchema = z.strictObject({
  id: idSchema,
  date: daySchema,
  drill: z.string(),
  stage: z.enum(STAGES),
  reps: z
    .string()
    .min(1)
    .max(400)
    .regex(/^[PF?]+$/, { error: 'write each repetition as P, F or ?' }),
  felt: z.int().min(0).max(10).nullable(),
  /** The moment by the sender's own clock, with its zone; without it only the day is known. */
  doneAt: z.iso.datetime({ offset: true }).nullable().default(null),
});
export type SetLog = z.infer<typeof setLogSchema>;
export const storedSetSchema = setLogSchema.extend({ from: z.enum(['coach', 'student']), at: z.string() });
export type StoredSet = z.infer<typeof storedSetSchema>;

export const gateStateSchema = z.object({
  drill: z.string(),
  stage: z.enum(STAGES),
  gate: computed<GateDecision>(),
  measure: computed<MeasureGate & { id: string | null }>(),
  held: computed<readonly Held[]>(),
});
export type GateState = z.infer<typeof gateStateSchema>;

export const decideGateSchema = z.strictObject({
  id: idSchema,
  drill: z.string(),
  stage: z.enum(STAGES),
  decision: z.enum(['advance', 'hold', 'back']),
  note: z.string().max(500),
});
