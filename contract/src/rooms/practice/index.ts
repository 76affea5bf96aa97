import { WEEKDAYS } from '@inchstep/core/foundation';
import { CLUBS, PLACES } from '@inchstep/core/intake';
import { type GateStanding, type Plan, STAGES } from '@inchstep/core/practice';
import { z } from 'zod';
import { daySchema, idSchema } from '../../shared.ts';
import { SWING_SPEEDS, swingMade } from '../capture/index.ts';

export const planAskSchema = z.strictObject({
  start: daySchema,
  nextLesson: daySchema.nullable(),
  days: z.array(z.enum(WEEKDAYS)).min(1),
  minutesPerDay: z.partialRecord(z.enum(WEEKDAYS), z.number().min(5).max(240)),
  placeByDay: z.partialRecord(z.enum(WEEKDAYS), z.enum(PLACES)),
});
export type PlanAsk = z.infer<typeof planAskSchema>;

export const newPlanSchema = planAskSchema.extend({ id: idSchema });

const planItemSchema = z.object({
  drill: z.string(),
  stage: z.enum(STAGES),
  sets: z.number(),
  rehearsals: z.number(),
  balls: z.number(),
  looks: z.number(),
  speedPct: z.number(),
  club: z.enum(CLUBS).nullable(),
  minutes: z.number(),
});
export const planDaySchema = z.object({
  date: daySchema,
  place: z.enum(PLACES),
  minutes: z.number(),
  warmUpMinutes: z.number(),
  items: z.array(planItemSchema).readonly(),
});
export const laidPlanSchema: z.ZodType<Plan> = z.object({
  stages: z
    .array(
      z.object({
        drill: z.string(),
        stage: z.enum(STAGES),
        state: z.enum(['done', 'now', 'ahead', 'skipped', 'no_place']),
        from: daySchema.nullable(),
        gateBy: daySchema.nullable(),
        reps: z.number(),
      }),
    )
    .readonly(),
  days: z.array(planDaySchema).readonly(),
  gives: z
    .array(
      z.object({
        what: z.enum(['weekly_reps', 'balls', 'ball_place', 'gate_later', 'course']),
        by: z.number(),
        about: z.string(),
      }),
    )
    .readonly(),
  reviewDates: z.array(daySchema).readonly(),
});

export const planSchema = z.object({
  id: idSchema,
  studentId: idSchema,
  at: z.string(),
  drills: z.array(z.string()),
  ask: planAskSchema,
  plan: laidPlanSchema,
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
  /** Names the browser it was tapped in, so that the same set on two of them counts once. */
  device: idSchema.nullable().default(null),
});
export type SetLog = z.infer<typeof setLogSchema>;
export const storedSetSchema = setLogSchema.extend({ from: z.enum(['coach', 'student']), at: z.string() });
export type StoredSet = z.infer<typeof storedSetSchema>;
/** A set as the rules read it: without what was felt. */
export const loggedSetSchema = storedSetSchema.omit({ felt: true });
export type SetSeen = z.infer<typeof loggedSetSchema>;

/** How a swing is most likely made, as the day's card asks. */
export const howMadeSchema = z.object({
  club: z.enum(CLUBS),
  speed: z.enum(SWING_SPEEDS),
  ...swingMade,
});

const heldSchema = z.discriminatedUnion('code', [
  z.object({ code: z.literal('reps'), tape: z.number() }),
  z.object({ code: z.literal('reps_not_yet') }),
  z.object({ code: z.literal('swings'), have: z.number(), need: z.number() }),
  z.object({ code: z.literal('measure'), inBand: z.number() }),
  z.object({ code: z.literal('watch'), measure: z.string() }),
  z.object({ code: z.literal('pain') }),
]);

export const gateStateSchema = z.object({
  drill: z.string(),
  stage: z.enum(STAGES),
  gate: z.object({
    decision: z.enum(['advance', 'hold', 'continue']),
    repsUsed: z.number(),
    tape: z.number(),
  }),
  measure: z.object({
    id: z.string().nullable(),
    swings: z.number(),
    inBand: z.number().nullable(),
    open: z.boolean(),
  }),
  held: z.array(heldSchema).readonly(),
}) satisfies z.ZodType<GateStanding>;
export type GateState = z.infer<typeof gateStateSchema>;

export const decideGateSchema = z.strictObject({
  id: idSchema,
  drill: z.string(),
  stage: z.enum(STAGES),
  decision: z.enum(['advance', 'hold', 'back']),
  note: z.string().max(500),
});
