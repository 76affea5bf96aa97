import { AIDS, CLUBS } from '@inchstep/core/intake';
import {
  type Caution,
  type ClubAmount,
  FEEL_SIDES,
  isDrillId,
  type MoveFigure,
  type Prescription,
} from '@inchstep/core/prescription';
import { z } from 'zod';
import { keptDrillSchema, ownDrillSchema } from '../../formats/index.ts';
import { idSchema } from '../../shared.ts';

export const cautionSchema = z.object({
  code: z.enum([
    'light_load',
    'overruled_load',
    'marked_load',
    'object_near_swing',
    'stick_cap',
    'clear_space',
    'child',
    'hazard',
  ]),
  about: z.string(),
}) satisfies z.ZodType<Caution>;

export const clubAmountSchema = z.object({
  id: z.enum(['bump', 'breastbone_away', 'shuffle', 'shift_forward']),
  byClub: z.array(z.object({ club: z.enum(CLUBS), loIn: z.number(), hiIn: z.number() })).readonly(),
}) satisfies z.ZodType<ClubAmount>;

/** A drill's move on one student's body; see `MoveFigure`. */
export const figureSchema = z.object({
  tells: z.enum(['front', 'side']),
  heightIn: z.number(),
  stanceIn: z.number(),
  points: z.array(z.string()).readonly(),
  frames: z.array(z.array(z.number()).readonly()).readonly(),
  strokes: z
    .array(
      z.object({
        from: z.string(),
        to: z.string(),
        widthIn: z.number(),
        tone: z.enum(['body', 'club', 'object', 'solid']),
      }),
    )
    .readonly(),
  looks: z.array(z.string()).readonly(),
}) satisfies z.ZodType<MoveFigure>;

const PART_CODES = [
  'root',
  'downstream',
  'cue_kind',
  'cue_side',
  'self_judged',
  'filmable',
  'places',
  'worked',
  'stalled',
  'disliked',
  'record',
  'gain',
  'load',
  'own_thought',
  'allowed_thought',
  'guards',
] as const;

const drillId = z.string().refine(isDrillId);

const prescribedSchema = z.object({
  id: drillId,
  role: z.enum(['primary', 'support']),
  forFault: z.string(),
  score: z.number(),
  parts: z.array(z.object({ code: z.enum(PART_CODES), points: z.number(), about: z.string() })).readonly(),
  cautions: z.array(cautionSchema).readonly(),
  setup: z.array(z.object({ id: z.string(), valueIn: z.number() })).readonly(),
  watch: z.array(z.string()).readonly(),
});

const matchSchema = z.object({
  workOn: z.array(z.string()).readonly(),
  drills: z.array(prescribedSchema).readonly(),
  alternatives: z.array(prescribedSchema).readonly(),
  rejected: z
    .array(
      z.object({
        id: drillId,
        code: z.enum(['clash', 'limit', 'aid', 'place', 'school', 'overdo', 'prerequisite', 'weak']),
        about: z.string(),
      }),
    )
    .readonly(),
  blockers: z.array(z.string()).readonly(),
  firstThings: z.array(z.object({ blocker: z.string(), start: drillId.nullable() })).readonly(),
  beside: z.array(z.string()).readonly(),
  wouldOpen: z.array(z.object({ aid: z.enum(AIDS), drills: z.array(z.string()).readonly() })).readonly(),
}) satisfies z.ZodType<Prescription>;

export const prescriptionSchema = z.object({
  diagnosisId: idSchema,
  workOn: z.array(z.string()),
  result: matchSchema,
});
export type PrescriptionRecord = z.infer<typeof prescriptionSchema>;

export const chooseDrillsSchema = z.strictObject({
  id: idSchema,
  diagnosisId: idSchema,
  drills: z.array(z.string()).min(1).max(2),
  note: z.string().max(500),
  /** What the coach wants done outside the drills, before or beside them. */
  ownTask: z.string().trim().max(500).default(''),
});

export const layerSchema = z.strictObject({ layer: z.int().min(1).max(3) });

export const choiceSchema = z.object({
  id: idSchema,
  diagnosisId: idSchema,
  drills: z.array(z.string()),
  forFault: z.string(),
  note: z.string(),
  at: z.string(),
  endedAt: z.string().nullable(),
  /** The checkpoint that is asked of each drill now, from 1; empty once the drills were put aside. */
  layers: z.record(z.string(), z.int()),
  ownTask: z.string(),
});
export type DrillChoice = z.infer<typeof choiceSchema>;

/** A drill of the coach's own, and whose plan it is in. */
export const libraryEntrySchema = ownDrillSchema.extend({
  at: z.string(),
  usedBy: z.array(z.object({ studentId: idSchema, name: z.string() })),
});
export type LibraryEntry = z.infer<typeof libraryEntrySchema>;
export const keepDrillSchema = keptDrillSchema;
export const retireSchema = z.strictObject({ retired: z.boolean() });
export const importedSchema = z.object({ added: z.int(), changed: z.int() });

/** What a student felt a change to be, against what was measured, in the measure's own unit. */
export const feelSchema = z.strictObject({
  id: idSchema,
  measure: z.string().max(60),
  /** 0: the student felt nothing move. */
  felt: z.number().min(0, { error: 'give 0 or an amount above it' }).max(200),
  measured: z.number().positive({ error: 'give an amount above 0' }).max(200),
  /** Which way the measure went; null where nobody said. */
  side: z.enum(FEEL_SIDES).nullable().default(null),
});
const storedFeelSchema = feelSchema.extend({ at: z.string() });
export type StoredFeel = z.infer<typeof storedFeelSchema>;
export const feelPageSchema = z.object({ records: z.array(storedFeelSchema) });
export type FeelPage = z.infer<typeof feelPageSchema>;

/** A drill's id in an address, the coach's own as well as the program's. */
export const drillParam = { drill: z.string().max(60) } as const;
export const cardQuery = z.object({
  ...drillParam,
  units: z.enum(['in', 'cm']).default('in'),
  paper: z.enum(['A4', 'LETTER']).default('A4'),
});
