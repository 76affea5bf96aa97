import type { Summary } from '@inchstep/core/progress';
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { students } from '../intake/tables.ts';

/** What lists say of each student, made from the whole file with every write; never the only place of anything. */
export const summaries = sqliteTable(
  'summaries',
  {
    studentId: text('student_id')
      .primaryKey()
      .references(() => students.id, { onDelete: 'cascade' }),
    /** Grows with every change of anybody's summary. */
    version: integer('version').notNull(),
    /** To be made anew: a school's bands or a drill changed. */
    stale: integer('stale', { mode: 'boolean' }).notNull(),
    body: text('body', { mode: 'json' }).$type<Summary>().notNull(),
  },
  (t) => [index('summaries_by_version').on(t.version)],
);
