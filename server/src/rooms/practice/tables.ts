import { PLAN } from '@inchstep/contract/kept';
import type { NoteTag, Stage, Strike } from '@inchstep/core/practice';
import { index, integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
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
    /** How the set's ball was met. */
    strike: text('strike').$type<Strike>(),
    from: text('from').$type<'coach' | 'student'>().notNull(),
    at: text('at').notNull(),
    /** Which of the writers' devices it was tapped on. */
    device: text('device'),
    /** When it was done, by the program's clock; null where only the day is known. */
    doneAt: text('done_at'),
    /** The lesson in which it was done. */
    lessonId: text('lesson_id'),
    /** The last checkpoint that it was judged by. */
    layer: integer('layer').notNull().default(1),
  },
  (t) => [index('sets_by_student').on(t.studentId, t.at)],
);

/** What was felt, said and noted in a lesson, kept to the moment and the swing. */
export const lessonNotes = sqliteTable(
  'lesson_notes',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    lessonId: text('lesson_id').notNull(),
    at: text('at').notNull(),
    tag: text('tag').$type<NoteTag>().notNull(),
    text: text('text').notNull(),
    swingId: text('swing_id'),
    /** A felt answer: of which measure, and how much. */
    measure: text('measure'),
    felt: real('felt'),
    undoneAt: text('undone_at'),
  },
  (t) => [index('notes_by_student').on(t.studentId, t.at)],
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
