import { READING } from '@inchstep/contract/kept';
import type { PlaceMean } from '@inchstep/core/measures';
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { keptColumn } from '../../platform/keptColumn.ts';
import { swings } from '../capture/tables.ts';
import { students } from '../intake/tables.ts';
import type { ReadingGist } from './gist.ts';

export const readings = sqliteTable(
  'readings',
  {
    swingId: text('swing_id')
      .primaryKey()
      .references(() => swings.id, { onDelete: 'cascade' }),
    studentId: text('student_id')
      .notNull()
      .references(() => students.id, { onDelete: 'cascade' }),
    recordedOn: text('recorded_on').notNull(),
    /** The swing's version that was read; another one means that the reading is to be made anew. */
    swingVersion: integer('swing_version').notNull().default(0),
    /** What later rooms read of it, without the rest; made with it. Before the body, so that it is reached at once. */
    gist: text('gist', { mode: 'json' })
      .$type<ReadingGist>()
      .notNull()
      .default({ measures: [] } as never),
    body: keptColumn('body', READING).notNull(),
  },
  (t) => [index('readings_by_student').on(t.studentId, t.recordedOn)],
);

/**
 * What each student's checked marks say of the network, as means: what the other students of the coach learn from. Made again with every
 * reading of a swing that teaches.
 */
export const netMeans = sqliteTable('net_means', {
  studentId: text('student_id')
    .primaryKey()
    .references(() => students.id, { onDelete: 'cascade' }),
  at: text('at').notNull(),
  body: text('body', { mode: 'json' }).$type<readonly PlaceMean[]>().notNull(),
});

/** Moments from which on a student is taught anew: what was checked in swings before is forgotten, unless it was undone. */
export const teachingResets = sqliteTable(
  'teaching_resets',
  {
    id: text('id').primaryKey(),
    studentId: text('student_id')
      .notNull()
      .references(() => students.id, { onDelete: 'cascade' }),
    at: text('at').notNull(),
    undoneAt: text('undone_at'),
    author: text('author').notNull(),
  },
  (t) => [index('teaching_resets_by_student').on(t.studentId, t.at)],
);
