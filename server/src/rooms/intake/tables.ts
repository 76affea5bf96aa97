import type { ThreadEvent } from '@inchstep/contract/intake';
import { PROFILE } from '@inchstep/contract/kept';
import type { LessonRecord } from '@inchstep/core/intake';
import { index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { keptColumn } from '../../platform/keptColumn.ts';

export const students = sqliteTable('students', {
  id: text('id').primaryKey(),
  version: integer('version').notNull(),
  profile: keptColumn('profile', PROFILE).notNull(),
  archivedAt: text('archived_at'),
  createdAt: text('created_at').notNull(),
});

/** What happened with a student, in order; decisions keep their reasons here. */
export const events = sqliteTable(
  'events',
  {
    id: text('id').primaryKey(),
    studentId: text('student_id')
      .notNull()
      .references(() => students.id, { onDelete: 'cascade' }),
    at: text('at').notNull(),
    kind: text('kind').$type<ThreadEvent['kind']>().notNull(),
    /** The lesson in which it happened. */
    lessonId: text('lesson_id'),
    detail: text('detail', { mode: 'json' }).$type<ThreadEvent['detail']>().notNull(),
  },
  (t) => [index('events_by_student').on(t.studentId, t.at)],
);

/** When coach and student meet, and what became of it. */
export const lessons = sqliteTable(
  'lessons',
  {
    id: text('id').primaryKey(),
    studentId: text('student_id')
      .notNull()
      .references(() => students.id, { onDelete: 'cascade' }),
    day: text('day').notNull(),
    time: text('time'),
    minutes: integer('minutes').notNull(),
    mode: text('mode').$type<LessonRecord['mode']>().notNull(),
    place: text('place').notNull(),
    startedAt: text('started_at'),
    endedAt: text('ended_at'),
    cancelledAt: text('cancelled_at'),
    /** What the program drafted and what the coach sent of it; null before. */
    draft: text('draft'),
    summary: text('summary'),
    sentAt: text('sent_at'),
    /** Who agreed it. */
    author: text('author').notNull(),
  },
  (t) => [index('lessons_by_student').on(t.studentId, t.day)],
);

export const holds = sqliteTable(
  'holds',
  {
    id: text('id').primaryKey(),
    studentId: text('student_id')
      .notNull()
      .references(() => students.id, { onDelete: 'cascade' }),
    where: text('where_it_hurts').notNull(),
    at: text('at').notNull(),
    liftedAt: text('lifted_at'),
    liftNote: text('lift_note').notNull(),
  },
  (t) => [index('holds_by_student').on(t.studentId)],
);

/** Bands in which the coach differs from the house, per school; lengths for a player of 70 in. */
export const bandEdits = sqliteTable(
  'band_edits',
  {
    preset: text('preset').notNull(),
    measure: text('measure').notNull(),
    lo: real('lo'),
    hi: real('hi'),
    reason: text('reason').notNull(),
    at: text('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.preset, t.measure] })],
);
