import { AID_STATES, CUE_STATES } from '@inchstep/core/capture';
import type { CaseFile } from '@inchstep/core/diagnosis';
import { type Problem, problem, WEEKDAYS } from '@inchstep/core/foundation';
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
import {
  EXCEPTION_KINDS,
  NOTHING_KNOWN,
  PACES,
  PLAN_WEEKS,
  type PlanRequest,
  STAGES,
  USUAL_ASK,
} from '@inchstep/core/practice';
import { z } from 'zod';
import { gateDateSchema, planDaySchema } from '../rooms/practice/planShapes.ts';
import { daySchema } from '../shared.ts';
import { plain, schoolSchema } from './captureFormat.ts';

const studentFactsSchema = z.strictObject({
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
type CaseDocument = z.infer<typeof caseSchema>;

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

const letters = z.string().max(1000);
const place = z.enum(PLACES).nullable().default(null);

const planningSchema = z.strictObject({
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
    .max(20_000)
    .default([]),
  missed: z.array(daySchema).max(5000).default([]),
  exceptions: z
    .array(
      z.strictObject({
        from: daySchema,
        to: daySchema,
        kind: z.enum(EXCEPTION_KINDS),
        minutes: z.number().min(0).max(600).nullable().default(null),
        place,
      }),
    )
    .max(500)
    .default([]),
  wishRepsPerWeek: z.number().min(0).max(1_000_000).default(USUAL_ASK.wishRepsPerWeek),
  pace: z.enum(PACES).default('ladder'),
  weeks: z.int().min(1).max(10_000).default(PLAN_WEEKS),
  secondsPer: z
    .strictObject({
      rehearsal: z.number().min(1).max(600).default(USUAL_ASK.secondsPer.rehearsal),
      ball: z.number().min(1).max(600).default(USUAL_ASK.secondsPer.ball),
      look: z.number().min(0).max(600).default(USUAL_ASK.secondsPer.look),
    })
    .default(USUAL_ASK.secondsPer),
  bucketBalls: z.int().min(1).max(1000).nullable().default(null),
  moves: z
    .array(z.strictObject({ from: daySchema, to: daySchema }))
    .max(500)
    .default([]),
  order: z.enum(['phase', 'own']).default('phase'),
  opened: z.array(z.string()).max(50).default([]),
  gates: z
    .array(
      z.strictObject({
        date: daySchema,
        drill: z.string(),
        stage: z.enum(STAGES),
        decision: z.enum(['advance', 'hold', 'back']),
      }),
    )
    .max(5000)
    .default([]),
  logs: z
    .array(
      z.strictObject({
        date: daySchema,
        drill: z.string(),
        stage: z.enum(STAGES),
        letters,
        layer: z.int().min(1).max(3).default(1),
        before: z.literal('cue').nullable().default(null),
      }),
    )
    .max(20_000)
    .default([]),
  missRate: z.number().min(0).max(1).nullable().default(null),
  /** The plan before, as the program gave it. */
  previous: z
    .looseObject({ days: z.array(planDaySchema), gateDates: z.array(gateDateSchema) })
    .nullable()
    .default(null),
});

export const planCaseSchema = caseSchema.extend({ drills: z.array(z.string()), planning: planningSchema });
type PlanDocument = z.infer<typeof planCaseSchema>;

/** Counts without an order, as letters: fails spread evenly among passes. */
function lettersOf(reps: number, passes: number): string {
  const most = Math.min(reps, MOST_LETTERS);
  const share = reps === 0 ? 0 : passes / reps;
  let said = 0;
  let text = '';
  for (let i = 1; i <= most; i++) {
    const due = Math.floor(share * i + 1e-9);
    text += due > said ? 'P' : 'F';
    said = due;
  }
  return text;
}
/** More in one line than anybody repeats in a day. */
const MOST_LETTERS = 2000;

export function toPlanRequest(document: PlanDocument): PlanRequest {
  const { done, logs, ...planning } = document.planning;
  return {
    ...NOTHING_KNOWN,
    ...planning,
    file: toCase(document),
    drills: document.drills,
    logs: [
      ...done.map(({ reps, passes, ...set }) => ({
        ...set,
        letters: lettersOf(reps, passes),
        layer: 1,
        before: null,
      })),
      ...logs,
    ],
  };
}

/** What was done can't have passed more often than it was repeated. */
export const passesOverReps = ({ planning }: PlanDocument): Problem<'passes_over_reps'>[] =>
  planning.done.flatMap(({ reps, passes }, i) =>
    passes > reps ? [problem('passes_over_reps', `planning.done[${i}].passes`, { passes, reps })] : [],
  );

export const gateSchema = z.strictObject({ reps: z.string().max(5000), stage: z.enum(STAGES) });
export const changeSchema = z.strictObject({
  measure: z.string(),
  /** `season`: a verdict after each session, as it would have been given that day, and a forecast. */
  question: z.enum(['last', 'season']).default('last'),
  sessions: z
    .array(
      z.strictObject({
        date: daySchema,
        values: z.array(value).max(1000),
        sd: spread,
        cue: z.enum(CUE_STATES).optional(),
        speed: z
          .union([z.string().max(40), z.number()])
          .transform(String)
          .optional(),
        aid: z.enum(AID_STATES).optional(),
        club: z.string().max(40).optional(),
        place: z.string().max(40).optional(),
        reps: z.number().min(0).max(1e6).optional(),
      }),
    )
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
