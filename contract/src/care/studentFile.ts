import { STAGES, STRIKES } from '@inchstep/core/practice';
import { FEEL_SIDES } from '@inchstep/core/prescription';
import { z } from 'zod';
import { ownDrillSchema } from '../formats/index.ts';
import {
  DIAGNOSIS,
  keptSchema,
  PLAN,
  PRESSURE,
  PROFILE,
  READING,
  REVIEW_SHOWN,
  SWING,
  WORK_CHOICE,
} from '../kept/index.ts';
import { clipSchema, shotSchema } from '../rooms/capture/index.ts';
import { EVENT_KINDS } from '../rooms/intake/index.ts';
import { daySchema, idSchema, versionSchema } from '../shared.ts';
import { chosenDocument, diagnosisBodyDocument, planBodyDocument, swingBodyDocument } from './documents.ts';
import { LESSON_TABLES } from './lessonTables.ts';
import { checkpoints, type StudentTable, stamp, student, text } from './studentTable.ts';

const bool = z.union([z.literal(0), z.literal(1)]);
const felt = z.int().min(0).max(10).nullable();
const drill = text(60);

/** What is noted of a clip may make no sense in an old record; it comes in as it is and is shown as such. */
const factsDocument = z.looseObject({
  kind: clipSchema.shape.kind,
  fileName: text(200),
  container: clipSchema.shape.container,
  from: clipSchema.shape.from,
  recordedOn: daySchema,
});

export const STUDENT_TABLES: readonly StudentTable[] = [
  {
    table: 'students',
    json: ['profile'],
    row: z.strictObject({
      id: idSchema,
      version: versionSchema,
      profile: keptSchema(PROFILE),
      archived_at: stamp.nullable(),
      created_at: stamp,
    }),
  },
  {
    table: 'clips',
    json: ['facts'],
    row: z.strictObject({
      id: idSchema,
      ...student,
      file: z.string().regex(/^[0-9a-f]{64}\.(mp4|mov|webm)$/),
      facts: factsDocument,
      created_at: stamp,
    }),
  },
  {
    table: 'swings',
    json: ['body'],
    row: z.strictObject({
      id: idSchema,
      ...student,
      version: versionSchema,
      recorded_on: daySchema,
      body: keptSchema(SWING, swingBodyDocument),
      from: z.enum(['coach', 'student']),
      discarded_at: stamp.nullable(),
      created_at: stamp,
    }),
  },
  {
    table: 'readings',
    json: ['body'],
    row: z.strictObject({
      swing_id: idSchema,
      ...student,
      recorded_on: daySchema,
      swing_version: z.int().optional(),
      // Made anew from the body when it is taken in.
      gist: z.string().optional(),
      body: keptSchema(READING),
    }),
  },
  {
    table: 'pressures',
    json: ['body'],
    row: z.strictObject({ swing_id: idSchema, body: keptSchema(PRESSURE) }),
  },
  {
    table: 'shot_sets',
    json: ['shots'],
    row: z.strictObject({
      id: idSchema,
      ...student,
      swing_id: idSchema.nullable(),
      recorded_on: daySchema,
      file_name: text(200),
      shots: z.array(shotSchema),
      discarded_at: stamp.nullable(),
      created_at: stamp,
    }),
  },
  {
    table: 'diagnoses',
    json: ['body', 'chosen'],
    row: z.strictObject({
      id: idSchema,
      ...student,
      at: stamp,
      body: keptSchema(DIAGNOSIS, diagnosisBodyDocument),
      chosen: keptSchema(WORK_CHOICE, chosenDocument).nullable(),
    }),
  },
  {
    table: 'drill_choices',
    json: ['drills', 'reached', 'layers'],
    row: z.strictObject({
      id: idSchema,
      ...student,
      diagnosis_id: idSchema,
      drills: z.array(drill).max(2),
      for_fault: text(60),
      note: text(500),
      at: stamp,
      ended_at: stamp.nullable(),
      reached: z.record(drill, z.enum(STAGES)),
      layers: checkpoints,
      own_task: text(500).default(''),
    }),
  },
  {
    table: 'feels',
    json: [],
    row: z.strictObject({
      id: idSchema,
      ...student,
      measure: text(60),
      felt: z.number(),
      measured: z.number(),
      at: stamp,
      side: z.enum(FEEL_SIDES).nullable().default(null),
    }),
  },
  {
    table: 'plans',
    json: ['body'],
    row: z.strictObject({ id: idSchema, ...student, at: stamp, body: keptSchema(PLAN, planBodyDocument) }),
  },
  {
    table: 'set_logs',
    json: [],
    row: z.strictObject({
      id: idSchema,
      ...student,
      date: daySchema,
      drill,
      stage: z.enum(STAGES),
      reps: z.string().regex(/^[PF?]{1,400}$/),
      felt,
      from: z.enum(['coach', 'student']),
      at: stamp,
      done_at: stamp.nullable(),
      strike: z.enum(STRIKES).nullable().optional(),
      device: idSchema.nullable().optional(),
      layer: z.int().min(1).max(3).default(1),
      lesson_id: idSchema.nullable().optional(),
    }),
  },
  {
    table: 'gate_decisions',
    json: [],
    row: z.strictObject({
      id: idSchema,
      ...student,
      drill,
      stage: z.enum(STAGES),
      decision: z.enum(['advance', 'hold', 'back']),
      note: text(500),
      at: stamp,
      undone_at: stamp.nullable().optional(),
    }),
  },
  {
    table: 'links',
    json: [],
    row: z.strictObject({
      id: idSchema,
      ...student,
      token_hash: z.string().regex(/^[0-9a-f]{64}$/),
      created_at: stamp,
      expires_at: stamp,
      revoked_at: stamp.nullable(),
      last_used_at: stamp.nullable(),
    }),
  },
  {
    table: 'checkins',
    json: ['clip_ids', 'felt_of'],
    row: z.strictObject({
      id: idSchema,
      ...student,
      at: stamp,
      pain: bool,
      pain_where: text(200),
      note: text(2000),
      felt,
      clip_ids: z.array(idSchema).max(4),
      felt_of: z.strictObject({ measure: z.string(), felt: z.number() }).nullable().optional(),
    }),
  },
  {
    table: 'replies',
    json: ['along', 'shown'],
    row: z.strictObject({
      id: idSchema,
      checkin_id: idSchema,
      text: text(5000),
      at: stamp,
      draft: text(10_000).optional(),
      goes_at: stamp.nullable().optional(),
      shown: keptSchema(REVIEW_SHOWN, REVIEW_SHOWN.schema).nullable().optional(),
      along: z
        .strictObject({
          gates: z.array(idSchema).max(8),
          requestId: idSchema.nullable(),
          planId: idSchema.nullable(),
          feelId: idSchema.nullable().optional(),
        })
        .nullable()
        .optional(),
    }),
  },
  {
    table: 'mails',
    json: ['date'],
    row: z.strictObject({
      id: idSchema,
      ...student,
      to_name: text(200),
      subject: text(200),
      text: text(5000),
      at: stamp,
      made_at: stamp.nullable(),
      goes_at: stamp.nullable().optional(),
      tries: z.int().min(0).max(1000).optional(),
      next_try_at: stamp.nullable().optional(),
      trouble: text(500).nullable().optional(),
      failed_at: stamp.nullable().optional(),
      date: z
        .strictObject({ day: daySchema, title: text(300) })
        .nullable()
        .optional(),
      stop_hash: text(100).nullable().optional(),
    }),
  },
  {
    table: 'holds',
    json: [],
    row: z.strictObject({
      id: idSchema,
      ...student,
      where_it_hurts: text(200),
      at: stamp,
      lifted_at: stamp.nullable(),
      lift_note: text(500),
    }),
  },
  {
    table: 'events',
    json: ['detail'],
    row: z.strictObject({
      id: idSchema,
      ...student,
      at: stamp,
      kind: z.enum(EVENT_KINDS),
      lesson_id: idSchema.nullable().optional(),
      detail: z.record(z.string(), z.union([z.string(), z.number(), z.array(z.string()), z.null()])),
    }),
  },
  ...LESSON_TABLES,
  {
    table: 'writes',
    json: [],
    row: z.strictObject({ id: idSchema, ...student, what: text(40), author: text(80), at: stamp }),
  },
];

/** One table's rows in a file of their own. */
export const tableDocument = (table: StudentTable) =>
  z.strictObject({ format: z.literal(`inchstep.${table.table}/1`), rows: z.array(table.row).max(1_000_000) });

/** The coach's own drills that the record names. */
export const ownDrillsDocument = z.strictObject({
  format: z.literal('inchstep.drills/1'),
  drills: z.array(ownDrillSchema).max(500),
});
