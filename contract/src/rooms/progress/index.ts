import { LIMITS } from '@inchstep/core/intake';
import { STAGES } from '@inchstep/core/practice';
import { type Progress as CoreProgress, STANDINGS } from '@inchstep/core/progress';
import { z } from 'zod';
import { daySchema, idSchema, versioned } from '../../shared.ts';
import { movedSchema } from '../checkins/index.ts';
import { lessonSchema } from '../intake/index.ts';
import { bandSchema } from '../measures/index.ts';
import { lookSchema, scoreSchema } from './story.ts';

export { type ReportPage, reportPageSchema, reportQuery } from './report.ts';
export { type ForecastScore, type Look, type MeasureStory, measureStorySchema } from './story.ts';

const sessionSchema = z.object({
  date: daySchema,
  values: z.array(z.number()).readonly(),
  /** Of one swing's measurement. */
  sd: z.number(),
  mean: z.number(),
  /** Of the day's mean, on `dof` degrees of freedom. */
  meanSd: z.number(),
  dof: z.number(),
  half95: z.number(),
});

const seriesSchema = z.object({
  measure: z.string(),
  band: bandSchema,
  sessions: z.array(sessionSchema).readonly(),
  /** Where the last day's mean stands. */
  standing: z.object({
    verdict: z.enum(['in', 'low', 'high', 'cant_tell']),
    severity: z.number(),
    inBand: z.number(),
  }),
  change: lookSchema.omit({ lo95: true, hi95: true }),
  direction: movedSchema.shape.direction,
  /** Measures looked at together, over which false alarms are shared. */
  family: z.int(),
});
export type Series = z.infer<typeof seriesSchema>;

export const progressSchema = z.object({
  series: z.array(seriesSchema).readonly(),
  focus: z.array(z.string()).readonly(),
  lessons: z.array(daySchema).readonly(),
  checkins: z.array(daySchema).readonly(),
  stages: z.array(z.object({ drill: z.string(), stage: z.enum(STAGES), from: daySchema })).readonly(),
}) satisfies z.ZodType<CoreProgress>;
export type Progress = z.infer<typeof progressSchema>;

export type Moved = z.infer<typeof movedSchema>;

/** What a list says of a student: made with every write, read without the file. */
const briefCardSchema = z.object({
  studentId: idSchema,
  name: z.string(),
  nextLesson: daySchema.nullable(),
  focus: z.array(z.string()).readonly(),
  drills: z.array(z.string()).readonly(),
  stage: z.enum(STAGES).nullable(),
  /** The surest change of the present work. */
  moved: movedSchema.nullable(),
  limits: z.array(z.enum(LIMITS)).readonly(),
  state: z.enum(STANDINGS),
});
export type BriefCard = z.infer<typeof briefCardSchema>;

export const briefSchema = briefCardSchema.omit({ moved: true }).extend({
  repsDone: z.number(),
  byCoach: z.number(),
  repsPlanned: z.number(),
  passRate: z.number().nullable(),
  /** Days of the plan that went by without a set. */
  missed: z.array(daySchema).readonly(),
  /** Days under the present plan on which well more was done than a day may hold. */
  overdone: z.array(daySchema).readonly(),
  moved: z.array(movedSchema).readonly(),
  owned: z.object({
    owned: z.boolean(),
    occasions: z.array(z.object({ date: daySchema, says: z.enum(['in', 'out', 'cant_tell']) })).readonly(),
  }),
  hold: z.boolean(),
  lastWords: z.string(),
});
export type Brief = z.infer<typeof briefSchema>;

/** A lesson that comes or goes on, with what is to be known before it. */
const lessonCardSchema = briefCardSchema.extend({ lesson: lessonSchema, running: z.boolean() });
export type LessonCard = z.infer<typeof lessonCardSchema>;
export const lessonsSchema = versioned({ students: z.int(), lessons: z.array(lessonCardSchema) });

const rosterRowSchema = briefCardSchema.extend({
  handedness: z.enum(['left', 'right']),
  ageYears: z.int(),
  archived: z.boolean(),
});
export type RosterRow = z.infer<typeof rosterRowSchema>;
export const rosterSchema = versioned({ rows: z.array(rosterRowSchema) });

/** All of a coach's students together: where they stand, which drill works for what, and how long a rung takes. */
export const everybodySchema = z.object({
  students: z.int(),
  standings: z
    .array(z.object({ state: z.enum(STANDINGS), names: z.array(z.string()).readonly() }))
    .readonly(),
  works: z
    .array(
      z.object({
        fault: z.string(),
        drill: z.string(),
        /** Of the gain per 100 repetitions, steps; drawn towards the other groups. */
        mean: z.number(),
        sd: z.number(),
        alone: z.number(),
        courses: z.int(),
        reps: z.int(),
      }),
    )
    .readonly(),
  gates: z
    .array(
      z.object({
        stage: z.enum(STAGES),
        passed: z.int(),
        notYet: z.int(),
        byWeek: z.array(z.number()).readonly(),
        medianWeeks: z.int().nullable(),
      }),
    )
    .readonly(),
  /** How good told dates were. */
  dates: scoreSchema,
});
export type Everybody = z.infer<typeof everybodySchema>;
