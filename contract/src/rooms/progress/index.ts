import { AID_STATES, CUE_STATES, SHOT_FIELD_IDS } from '@inchstep/core/capture';
import { LIMITS } from '@inchstep/core/intake';
import { STAGES } from '@inchstep/core/practice';
import {
  type BallBeside,
  type Progress as CoreProgress,
  type MeasureStory as CoreStory,
  FORECAST_KINDS,
  type ForecastScore,
  type JudgedForecast,
  REPORT_FOR,
  STANDINGS,
} from '@inchstep/core/progress';
import { z } from 'zod';
import { daySchema, idSchema, versioned } from '../../shared.ts';
import type { ReportPage } from '../../words/index.ts';
import { lessonSchema } from '../intake/index.ts';
import { bandSchema } from '../measures/index.ts';
import { paperSchema } from '../practice/index.ts';

const VERDICTS = ['real', 'maybe', 'none', 'cant_tell'] as const;
const DIRECTIONS = ['better', 'worse', 'level'] as const;

export const sessionSchema = z.object({
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

/** What is said after a day of the change since the work began; nothing to compare with is null. */
export const lookSchema = z.object({
  date: daySchema,
  verdict: z.enum(VERDICTS),
  /** Of what is said: of a change in that direction; of less than a step for "none". */
  probability: z.number(),
  /** P(a change in the direction of `delta`), whatever is said. */
  changed: z.number(),
  delta: z.number().nullable(),
  lo95: z.number().nullable(),
  hi95: z.number().nullable(),
});
export type Look = z.infer<typeof lookSchema>;

export const seriesSchema = z.object({
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
  direction: z.enum(DIRECTIONS),
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

const forecastSchema = z.object({ likely: daySchema, lo80: daySchema, hi80: daySchema }).nullable();
const forecastsSchema = z.object({ inBand: forecastSchema, owned: forecastSchema });
const cellName = {
  speed: z.string(),
  aid: z.enum(AID_STATES),
  club: z.string(),
  place: z.string(),
};

/** How good told dates were, over all students. */
const scoreSchema = z.object({
  judged: z.int(),
  waiting: z.int(),
  held: z.int(),
  sooner: z.int(),
  later: z.int(),
  fifths: z.array(z.int()).readonly(),
  brier: z.object({ told: z.number(), base: z.number(), films: z.int() }).nullable(),
}) satisfies z.ZodType<ForecastScore>;

export type { ForecastScore };

/** A date as it was told, beside what came. */
const judgedForecastSchema = z.object({
  measure: z.string(),
  kind: z.enum(FORECAST_KINDS),
  askedOn: daySchema,
  cell: z.string(),
  lo: z.number().nullable(),
  hi: z.number().nullable(),
  likely: daySchema,
  lo80: daySchema,
  hi80: daySchema,
  came: daySchema.nullable(),
  notBy: daySchema,
  pit: z.number().nullable(),
  next: z.object({ p: z.number(), was: z.boolean() }).nullable(),
}) satisfies z.ZodType<JudgedForecast>;

/** What a student felt beside what was measured, an answer each; null before anybody was asked. */
const feltSchema = z
  .object({
    answers: z.array(z.object({ at: z.string(), felt: z.number(), measured: z.number() })).readonly(),
    per: z.number(),
    lo95: z.number(),
    hi95: z.number(),
    nothingFelt: z.int(),
  })
  .nullable();

const ballSchema = z.object({
  field: z.enum(SHOT_FIELD_IDS),
  unit: z.string(),
  shots: z.int(),
  days: z.array(z.object({ date: daySchema, body: z.number(), ball: z.number(), shots: z.int() })).readonly(),
  went: z.enum(['together', 'apart', 'cant_tell']),
}) satisfies z.ZodType<BallBeside>;

/** One measure with everything that is known of it: the line of its level, what was to be said when, where it holds and lasts. */
export const measureStorySchema = z.object({
  measure: z.string(),
  band: bandSchema,
  told: z.object(cellName),
  baseline: z.int(),
  occasions: z
    .array(
      z.object({
        date: daySchema,
        values: z.array(z.number()).readonly(),
        sd: z.number(),
        cue: z.enum(CUE_STATES).nullish(),
        speed: z.string().nullish(),
        aid: z.enum(AID_STATES).nullish(),
        club: z.string().nullish(),
        place: z.string().nullish(),
      }),
    )
    .readonly(),
  looks: z.array(lookSchema).readonly(),
  line: z
    .array(z.object({ date: daySchema, level: z.number(), lo80: z.number(), hi80: z.number() }))
    .readonly(),
  inBand: z.number(),
  forecast: z.object({ done: forecastsSchema, planned: forecastsSchema.nullable() }),
  kept: z
    .array(z.object({ upToDays: z.int().nullable(), share: z.number(), sd: z.number(), gaps: z.int() }))
    .readonly(),
  transfer: z.object({
    cells: z
      .array(z.object({ ...cellName, swings: z.int(), inBand: z.number(), mean: z.number(), sd: z.number() }))
      .readonly(),
    next: z.object({ ...cellName, bits: z.number() }).nullable(),
  }),
  /** Dates told of this measure before, and how good told dates were over all students. */
  dates: z.object({ told: z.array(judgedForecastSchema).readonly(), score: scoreSchema }),
  felt: feltSchema,
  ball: z.array(ballSchema).readonly(),
}) satisfies z.ZodType<CoreStory>;
export type MeasureStory = z.infer<typeof measureStorySchema>;

export const movedSchema = z.object({
  id: z.string(),
  unit: z.string(),
  before: z.number(),
  after: z.number(),
  verdict: z.enum(VERDICTS),
  direction: z.enum(DIRECTIONS),
  /** P(it changed that way). */
  changed: z.number(),
});
export type Moved = z.infer<typeof movedSchema>;

/** What a list says of a student: made with every write, read without the file. */
export const briefCardSchema = z.object({
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
  repsPlanned: z.number(),
  passRate: z.number().nullable(),
  /** Days of the plan that went by without a set. */
  missed: z.array(daySchema).readonly(),
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
export const lessonCardSchema = briefCardSchema.extend({ lesson: lessonSchema, running: z.boolean() });
export type LessonCard = z.infer<typeof lessonCardSchema>;
export const lessonsSchema = versioned({ students: z.int(), lessons: z.array(lessonCardSchema) });
export type Lessons = z.infer<typeof lessonsSchema>;

export const rosterRowSchema = briefCardSchema.extend({
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

/** Who a report is for, and on which paper and in which units. */
export const reportQuery = paperSchema.extend({ for: z.enum(REPORT_FOR).default('student') });

/** A report as it is read; the same on the screen and on paper. */
export const reportPageSchema = z.object({
  title: z.string(),
  lead: z.string(),
  sections: z
    .array(
      z.object({
        heading: z.string(),
        lines: z.array(z.string()).readonly(),
        tapes: z
          .array(
            z.object({
              name: z.string(),
              band: z.object({
                lo: z.number().nullable(),
                hi: z.number().nullable(),
                step: z.number(),
                unit: z.string(),
              }),
              value: z.number(),
              half95: z.number(),
              before: z.number().nullable(),
            }),
          )
          .readonly(),
      }),
    )
    .readonly(),
}) satisfies z.ZodType<ReportPage>;
export type { ReportPage };
