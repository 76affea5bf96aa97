import { OWN_DRILL } from '@inchstep/contract/kept';
import type { FeelSide } from '@inchstep/core/prescription';
import { index, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { keptColumn } from '../../platform/keptColumn.ts';
import { diagnoses } from '../diagnosis/tables.ts';
import { students } from '../intake/tables.ts';

/** Drills in use (or once in use) with a student, as the coach chose them. */
export const drillChoices = sqliteTable(
  'drill_choices',
  {
    id: text('id').primaryKey(),
    studentId: text('student_id')
      .notNull()
      .references(() => students.id, { onDelete: 'cascade' }),
    diagnosisId: text('diagnosis_id')
      .notNull()
      .references(() => diagnoses.id, { onDelete: 'cascade' }),
    drills: text('drills', { mode: 'json' }).$type<string[]>().notNull(),
    forFault: text('for_fault').notNull(),
    note: text('note').notNull(),
    at: text('at').notNull(),
    endedAt: text('ended_at'),
    /** The highest rung each drill came to. */
    reached: text('reached', { mode: 'json' }).$type<Record<string, string>>().notNull().default({}),
    /** The checkpoint each drill has come to, from 1; a drill that is not named stands at its first. */
    layers: text('layers', { mode: 'json' })
      .$type<Record<string, { layer: number; at: string }>>()
      .notNull()
      .default({}),
    /** What the coach wants done outside the drills, in the coach's words. */
    ownTask: text('own_task').notNull().default(''),
  },
  (t) => [index('choices_by_student').on(t.studentId, t.at)],
);

/** Drills of the coach's own. Never deleted: plans and records may name them. */
export const ownDrills = sqliteTable('own_drills', {
  id: text('id').primaryKey(),
  document: keptColumn('document', OWN_DRILL).notNull(),
  at: text('at').notNull(),
});

/** What a student felt a change to be, against what was measured. */
export const feels = sqliteTable(
  'feels',
  {
    id: text('id').primaryKey(),
    studentId: text('student_id')
      .notNull()
      .references(() => students.id, { onDelete: 'cascade' }),
    measure: text('measure').notNull(),
    felt: real('felt').notNull(),
    measured: real('measured').notNull(),
    at: text('at').notNull(),
    /** Which way the measure went; null = nobody said. */
    side: text('side').$type<FeelSide>(),
  },
  (t) => [index('feels_by_student').on(t.studentId)],
);
