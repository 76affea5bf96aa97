import { FAULTS, PHASES } from '@inchstep/core/diagnosis';
import { AIDS, PLACES, SCHOOL_OPTIONS, type SchoolChoice } from '@inchstep/core/intake';
import { BODY_LENGTHS, isOwnDrillId, USUAL_HABITS } from '@inchstep/core/prescription';
import { z } from 'zod';

const faultIds = FAULTS.map((fault) => fault.id) as [string, ...string[]];
const choices = Object.entries(SCHOOL_OPTIONS).flatMap(([question, options]) =>
  options.map((option) => `${question}.${option}` as SchoolChoice),
) as [SchoolChoice, ...SchoolChoice[]];
const grade = z.union([z.literal(1), z.literal(2)], { error: 'must be 1 (a little) or 2 (much)' });
const text = (longest: number) => z.string().trim().min(1, { error: 'is needed' }).max(longest);
const idList = z.array(z.string().max(60)).max(20).default([]);

const ownId = z.string().refine(isOwnDrillId, { error: 'must look like own_my_drill' });

const setupDistanceSchema = z.strictObject({
  id: z.string().regex(/^[a-z][a-z0-9_]{1,40}$/, { error: 'use small letters, figures and _' }),
  valueIn: z.number(),
  scales: z.boolean(),
  plus: z.strictObject({ share: z.number().min(-3).max(3), of: z.enum(BODY_LENGTHS) }).optional(),
});

/** A drill as the match reads it; core's `checkDrill` says the rest. */
const drillSchema = z.strictObject({
  id: ownId,
  phase: z.enum(PHASES),
  fixes: z
    .array(
      z.strictObject({
        fault: z.enum(faultIds, { error: 'is no fault of the list' }),
        strength: z.union([z.literal(1), z.literal(2), z.literal(3)]),
      }),
    )
    .min(1, { error: 'name at least one fault that it mends' })
    .max(8),
  aids: z.array(z.array(z.enum(AIDS)).min(1)).max(6),
  places: z.array(z.enum(PLACES)).min(1, { error: 'choose at least one place' }),
  ball: z.enum(['no', 'either', 'no_then_yes', 'yes']),
  loads: z.strictObject({
    B: grade.optional(),
    H: grade.optional(),
    K: grade.optional(),
    A: grade.optional(),
    T: grade.optional(),
  }),
  cue: z.strictObject({
    kind: z.enum(['external', 'inner', 'both']),
    side: z.enum(['lead', 'trail', 'both']),
  }),
  overdo: z.enum(faultIds).nullable(),
  moves: idList,
  schools: z.array(z.enum(choices)).max(20).default([]),
  clashes: z.array(z.enum(choices)).max(20).default([]),
  needsFaceAndArms: z.boolean().default(false),
  notWith: idList,
  guard: z.string().max(60).nullable().default(null),
  thoughts: z.array(z.enum(choices)).max(20).default([]),
  setup: z.array(setupDistanceSchema).max(6).default([]),
  layers: z
    .array(z.strictObject({ tells: z.enum(['student', 'film']), measures: idList }))
    .max(3)
    .default([]),
  after: z.string().max(60).nullable().default(null),
  habits: z
    .strictObject({
      topOn: z.enum(['half', 'three_quarter']).nullable(),
      stops: z.boolean(),
      warmsUp: z.boolean(),
      courseForm: z.boolean(),
    })
    .default(USUAL_HABITS),
});

export const drillWordsSchema = z.strictObject({
  name: text(60),
  purpose: text(300),
  steps: z.array(text(240)).min(1, { error: 'write at least one step' }).max(8).readonly(),
  cue: text(120),
  counts: text(200),
  fake: text(200),
  tooMuch: text(200),
  layers: z.array(text(200)).max(3).default([]).readonly(),
  /** Names of distances that the built-in drills don't have. */
  distances: z.record(z.string(), text(60)).optional(),
});

const keptDrill = z.strictObject({
  drill: drillSchema,
  words: drillWordsSchema,
  basedOn: z.string().max(60).nullable().default(null),
  replaces: z.boolean().default(false),
});
type LayersOf = {
  readonly drill: { readonly layers: readonly unknown[] };
  readonly words: { readonly layers: readonly unknown[] };
};
const haveTexts = ({ drill, words }: LayersOf): boolean => drill.layers.length === words.layers.length;
const textless = {
  path: ['words', 'layers'],
  error: 'must have one text for each checkpoint of the drill',
};

/** A drill as it is sent to be kept. */
export const keptDrillSchema = keptDrill.refine(haveTexts, textless);
export const ownDrillSchema = keptDrill
  .extend({ retired: z.boolean().default(false) })
  .refine(haveTexts, textless);
export type OwnDrillDocument = z.infer<typeof ownDrillSchema>;
export type DrillForm = z.input<typeof ownDrillSchema>;

export const drillsSchema = z.strictObject({
  format: z.literal('inchstep.drills/1'),
  drills: z.array(ownDrillSchema).max(500),
});
