import { CLUBS, PLACES } from '@inchstep/core/intake';
import {
  AID_USES,
  BINDING_RULES,
  CHANGE_KINDS,
  EMPTY_REASONS,
  INTENTS,
  ORDERS,
  type Plan,
  STAGE_STATES,
  STAGES,
  UNFINISHED_REASONS,
  WAYS_OUT,
} from '@inchstep/core/practice';
import { z } from 'zod';
import { daySchema } from '../../shared.ts';

const count = z.number().min(0).max(100_000);
const drill = z.string().max(60);
const stage = z.enum(STAGES);

const planItemSchema = z.object({
  id: z.string().max(200),
  drill,
  intent: z.enum(INTENTS),
  as: z.enum(['drill', 'feel']),
  stage,
  layer: z.number(),
  sets: count,
  rehearsals: count,
  balls: count,
  looks: count,
  lookEvery: z.number().nullable(),
  speedPct: z.number(),
  club: z.enum(CLUBS).nullable(),
  clubs: z.array(z.enum(CLUBS)).max(1000).readonly(),
  aid: z.enum(AID_USES),
  order: z.enum(ORDERS),
  stop: z.boolean(),
  minutes: z.number(),
});

export const planDaySchema = z.object({
  date: daySchema,
  place: z.enum(PLACES),
  minutes: z.number(),
  warmUpMinutes: z.number(),
  warmUp: z.array(z.string().max(60)).max(40).readonly(),
  items: z.array(planItemSchema).max(100).readonly(),
});

export const gateDateSchema = z.object({
  drill,
  stage,
  likely: daySchema.nullable(),
  late: daySchema.nullable(),
});

const planStage = z.object({
  drill,
  stage,
  state: z.enum(STAGE_STATES),
  from: daySchema.nullable(),
  gateBy: daySchema.nullable(),
  reps: z.number(),
});

const gives = z.object({
  what: z.enum(WAYS_OUT),
  by: z.number(),
  about: z.string(),
  gainDays: z.number().nullable(),
});

const planDiffSchema = z.object({
  changes: z
    .array(
      z.object({
        kind: z.enum(CHANGE_KINDS),
        drill,
        date: daySchema,
        to: daySchema.nullable(),
        by: z.number(),
      }),
    )
    .readonly(),
  gates: z
    .array(
      z.object({
        drill,
        stage,
        from: daySchema.nullable(),
        to: daySchema.nullable(),
        days: z.number().nullable(),
      }),
    )
    .readonly(),
});

export const laidPlanSchema: z.ZodType<Plan> = z.object({
  stages: z.array(planStage).readonly(),
  days: z.array(planDaySchema).readonly(),
  empty: z.array(z.object({ date: daySchema, why: z.enum(EMPTY_REASONS) })).readonly(),
  gateDates: z.array(gateDateSchema).readonly(),
  binding: z.array(z.object({ rule: z.enum(BINDING_RULES), about: z.string(), days: z.number() })).readonly(),
  gives: z.array(gives).readonly(),
  unfinished: z.array(z.object({ drill, stage, why: z.enum(UNFINISHED_REASONS) })).readonly(),
  reviewDates: z.array(daySchema).readonly(),
  diff: planDiffSchema.nullable(),
  proof: z.object({
    rules: z.number(),
    broken: z.array(z.object({ rule: z.string(), date: daySchema, about: z.string() })).readonly(),
  }),
});
