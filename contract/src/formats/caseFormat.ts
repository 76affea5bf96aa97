import type { CaseFile } from '@inchstep/core/diagnosis';
import { WEEKDAYS } from '@inchstep/core/foundation';
import {
  AIDS,
  ARM_SWINGS,
  CLUBS,
  CUE_KINDS,
  CUE_SIDES,
  FLEXIBILITIES,
  HANDS,
  LIMITS,
  PLACES,
  resolveSchool,
  VIEW_KINDS,
} from '@inchstep/core/intake';
import { type PlanRequest, STAGES } from '@inchstep/core/practice';
import { z } from 'zod';
import { daySchema } from '../shared.ts';
import { plain, schoolSchema } from './captureFormat.ts';

export const studentFactsSchema = z.strictObject({
  handedness: z.enum(HANDS).default('right'),
  heightIn: z.number().positive().max(1000),
  ageYears: z.number().min(3).max(110).default(40),
  flexibility: z.enum(FLEXIBILITIES).default('usual'),
  armSwing: z.enum(ARM_SWINGS).default('usual'),
  beginner: z.boolean().default(false),
  limits: z.array(z.enum(LIMITS)).default([]),
  aids: z.array(z.enum(AIDS)).default([]),
  places: z.array(z.enum(PLACES)).default(['home', 'range']),
  cueLiking: z
    .strictObject({ kind: z.enum(CUE_KINDS).default('any'), side: z.enum(CUE_SIDES).default('any') })
    .default({ kind: 'any', side: 'any' }),
  films: z.array(z.enum(VIEW_KINDS)).default(['face_on']),
  minutesPerWeek: z.number().min(0).max(3000).default(120),
  ballsPerVisit: z.number().min(0).max(1000).default(60),
});

/** Values far outside any body or swing, inside which the sums stay sums. */
const value = z.number().min(-100_000).max(100_000);
const spread = z.number().min(0).max(100_000);
const measureSchema = z.strictObject({ id: z.string(), value, sd: spread });
export const findingSchema = z.strictObject({ id: z.string(), seen: z.enum(['present', 'absent']) });
const historySchema = z.strictObject({
  drill: z.string(),
  outcome: z.enum(['worked', 'stalled', 'disliked']),
});

export const caseSchema = z.strictObject({
  format: z.literal('inchstep.case/1'),
  student: studentFactsSchema,
  school: schoolSchema.default({}),
  club: z.enum(CLUBS).default('mid_iron'),
  measures: z.array(measureSchema).max(500).default([]),
  findings: z.array(findingSchema).max(500).default([]),
  active: z.array(z.string()).default([]),
  history: z.array(historySchema).default([]),
  workOn: z.array(z.string()).optional(),
});
export type CaseDocument = z.infer<typeof caseSchema>;

export const toCase = (document: CaseDocument): CaseFile => ({
  student: document.student,
  school: resolveSchool(plain(document.school)),
  club: document.club,
  measures: document.measures,
  findings: document.findings,
  active: document.active,
  history: document.history,
});

const perDay = <T extends z.ZodType>(schema: T) => z.partialRecord(z.enum(WEEKDAYS), schema);

export const planningSchema = z.strictObject({
  start: daySchema,
  nextLesson: daySchema.nullable().default(null),
  days: z.array(z.enum(WEEKDAYS)),
  minutesPerDay: perDay(z.number().min(0).max(600)).default({}),
  placeByDay: perDay(z.enum(PLACES)).default({}),
  done: z
    .array(
      z.strictObject({
        date: daySchema,
        drill: z.string(),
        stage: z.enum(STAGES),
        reps: z.int().min(0).max(100_000),
        passes: z.int().min(0).max(100_000),
      }),
    )
    .default([]),
  missed: z.array(daySchema).default([]),
});

export const planCaseSchema = caseSchema.extend({ drills: z.array(z.string()), planning: planningSchema });
export type PlanDocument = z.infer<typeof planCaseSchema>;

export const toPlanRequest = (document: PlanDocument): PlanRequest => ({
  file: toCase(document),
  drills: document.drills,
  ...document.planning,
  reached: {},
});

export const gateSchema = z.strictObject({ reps: z.string().max(5000), stage: z.enum(STAGES) });
export const changeSchema = z.strictObject({
  measure: z.string(),
  sessions: z
    .array(z.strictObject({ date: daySchema, values: z.array(value).max(1000), sd: spread }))
    .max(5000),
  family: z.int().min(1).max(200).default(1),
});

export const simulateSchema = z.strictObject({
  golfer: z
    .strictObject({
      handedness: z.enum(HANDS).default('right'),
      heightIn: z.number().min(36).max(90).default(70),
      flexibility: z.enum(FLEXIBILITIES).optional(),
      armSwing: z.enum(ARM_SWINGS).optional(),
      club: z.enum(CLUBS).optional(),
    })
    .default({ handedness: 'right', heightIn: 70 }),
  faults: z.record(z.string(), z.number().min(0).max(5)).default({}),
  seed: z
    .int()
    .min(-(2 ** 31))
    .max(2 ** 32)
    .default(1),
  views: z
    .array(
      z.strictObject({
        kind: z.enum(VIEW_KINDS),
        errors: z.number().min(0).max(20).optional(),
        sticks: z.boolean().optional(),
        distanceIn: z.number().min(60).max(1200).optional(),
        focalPx: z.number().min(200).max(20_000).optional(),
      }),
    )
    .min(1)
    .max(4)
    .optional(),
  swings: z.int().min(1).max(500).default(1),
  /** What comes beside each capture; the command line's --track, --shots and --pressure set them. */
  track: z.boolean().default(false),
  shots: z.int().min(0).max(500).default(0),
  pressure: z.boolean().default(false),
});
