import type { Diagnosis } from '@inchstep/core/diagnosis';
import { z } from 'zod';
import { bandSchema } from '../measures/index.ts';

const weighedSchema = z.object({
  finding: z.string(),
  weight: z.number(),
  source: z.enum(['measured', 'seen']),
  measure: z
    .object({
      id: z.string(),
      value: z.number(),
      sd: z.number(),
      severity: z.number(),
      band: bandSchema,
    })
    .optional(),
});

const rootSchema = z.object({
  fault: z.string(),
  probability: z.number(),
  strength: z.enum(['slight', 'clear', 'strong']),
  explains: z.array(z.string()).readonly(),
  start: z.number(),
  for: z.array(weighedSchema).readonly(),
  against: z.array(weighedSchema).readonly(),
  rest: z.number(),
  onlyExplains: z.array(z.string()).readonly(),
});

const leftSchema = z.object({
  fault: z.string(),
  probability: z.number(),
  why: z.discriminatedUnion('code', [
    z.object({ code: z.literal('follows'), root: z.string() }),
    z.object({ code: z.literal('later') }),
    z.object({ code: z.literal('unsure') }),
    z.object({
      code: z.literal('contradicted'),
      findings: z.tuple([z.string(), z.string()]).readonly(),
    }),
  ]),
});

const lookSchema = z.object({
  kind: z.enum(['measure', 'view', 'object_test', 'question']),
  id: z.string(),
  gainBits: z.number(),
  seconds: z.number(),
  between: z.array(z.string()).readonly(),
});

/** The core's answer to a case, as it is kept and sent. */
export const answerSchema = z.object({
  enough: z.boolean(),
  roots: z.array(rootSchema).readonly(),
  workOn: z.array(z.string()).readonly(),
  leaveAlone: z.array(leftSchema).readonly(),
  blockers: z.array(z.string()).readonly(),
  contradictions: z
    .array(z.object({ findings: z.tuple([z.string(), z.string()]).readonly(), repeat: z.string() }))
    .readonly(),
  nextLook: lookSchema.nullable(),
  nextLooks: z.array(lookSchema).readonly(),
  faults: z.record(z.string(), z.number()).readonly(),
  present: z.array(z.string()).readonly(),
  strengths: z.record(z.string(), z.number()).readonly(),
});
type Answer = z.infer<typeof answerSchema>;

/** What the core says is what is sent: a new part of its answer asks for its place here. */
export const asSent = (diagnosis: Diagnosis): Answer => diagnosis;

type Look = Answer['nextLooks'][number];
type OldRoot = Partial<Answer['roots'][number]> & Pick<Answer['roots'][number], 'fault' | 'probability'>;

/** Version 1 knew no looks but one, without its time. */
const lookOf = (look: Partial<Look> & Pick<Look, 'kind' | 'id' | 'gainBits'>): Look => ({
  seconds: 0,
  between: [],
  ...look,
});

/** Version 1 did not take the odds apart. */
const rootOf = (root: OldRoot): Answer['roots'][number] => ({
  strength: 'clear',
  explains: [],
  start: 0,
  for: [],
  against: [],
  rest: 0,
  onlyExplains: [],
  ...root,
});

/** An answer that an older program kept, with what it did not know yet left empty. */
export const broughtUp = (kept: Partial<Answer>): Answer => ({
  enough: kept.enough ?? false,
  roots: (kept.roots ?? []).map(rootOf),
  workOn: kept.workOn ?? [],
  leaveAlone: kept.leaveAlone ?? [],
  blockers: kept.blockers ?? [],
  contradictions: kept.contradictions ?? [],
  nextLook: kept.nextLook ? lookOf(kept.nextLook) : null,
  nextLooks: (kept.nextLooks ?? []).map(lookOf),
  faults: kept.faults ?? {},
  present: kept.present ?? [],
  strengths: kept.strengths ?? {},
});
