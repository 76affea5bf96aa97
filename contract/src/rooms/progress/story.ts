import { AID_STATES, CUE_STATES, SHOT_FIELD_IDS } from '@inchstep/core/capture';
import {
  type BallBeside,
  type MeasureStory as CoreStory,
  FORECAST_KINDS,
  type ForecastScore,
  type JudgedForecast,
} from '@inchstep/core/progress';
import { z } from 'zod';
import { daySchema } from '../../shared.ts';
import { bandSchema } from '../measures/index.ts';

export type { ForecastScore };

const VERDICTS = ['real', 'maybe', 'none', 'cant_tell'] as const;

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

const forecastSchema = z.object({ likely: daySchema, lo80: daySchema, hi80: daySchema }).nullable();
const forecastsSchema = z.object({ inBand: forecastSchema, owned: forecastSchema });
const cellName = {
  speed: z.string(),
  aid: z.enum(AID_STATES),
  club: z.string(),
  place: z.string(),
};

/** How good told dates were, over all students. */
export const scoreSchema = z.object({
  judged: z.int(),
  waiting: z.int(),
  held: z.int(),
  sooner: z.int(),
  later: z.int(),
  fifths: z.array(z.int()).readonly(),
  brier: z.object({ told: z.number(), base: z.number(), films: z.int() }).nullable(),
}) satisfies z.ZodType<ForecastScore>;

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
