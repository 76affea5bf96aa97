import { PLAN } from '@inchstep/contract/kept';
import type { Stage } from '@inchstep/core/practice';
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { keptColumn } from '../../platform/keptColumn.ts';
import { students } from '../intake/tables.ts';

const studentId = () =>
  text('student_id')
    .notNull()
    .references(() => students.id, { onDelete: 'cascade' });

export const plans = sqliteTable(
  'plans',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    at: text('at').notNull(),
    body: keptColumn('body', PLAN).notNull(),
  },
  (t) => [index('plans_by_student').on(t.studentId, t.at)],
);

export const setLogs = sqliteTable(
  'set_logs',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    date: text('date').notNull(),
    drill: text('drill').notNull(),
    stage: text('stage').$type<Stage>().notNull(),
    reps: text('reps').notNull(),
    felt: integer('felt'),
    from: text('from').$type<'coach' | 'student'>().notNull(),
    at: text('at').notNull(),
    /** Which of the writers' devices it was tapped on. */
    device: text('device'),
    /** When it was done, by the program's clock; null where only the day is known. */
    doneAt: text('done_at'),
    /** The last checkpoint that it was judged by. */
    layer: integer('layer').notNull().default(1),
  },
  (t) => [index('sets_by_student').on(t.studentId, t.at)],
);

export const gateDecisions = sqliteTable(
  'gate_decisions',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    drill: text('drill').notNull(),
    stage: text('stage').$type<Stage>().notNull(),
    decision: text('decision').$type<'advance' | 'hold' | 'back'>().notNull(),
    note: text('note').notNull(),
    at: text('at').notNull(),
    /** A word that was taken back counts as never said. */
    undoneAt: text('undone_at'),
  },
  (t) => [index('gates_by_student').on(t.studentId, t.at)],
);
