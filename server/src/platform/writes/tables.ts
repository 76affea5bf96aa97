import { index, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { students } from '../../rooms/intake/tables.ts';

/**
 * Every write that came with an id of the sender's own: what it was, for whom, by whom. The same write
 * sent again is known by it, and nobody else can take its id.
 */
export const writes = sqliteTable(
  'writes',
  {
    id: text('id').primaryKey(),
    studentId: text('student_id')
      .notNull()
      .references(() => students.id, { onDelete: 'cascade' }),
    what: text('what').notNull(),
    author: text('author').notNull(),
    at: text('at').notNull(),
  },
  (t) => [index('writes_by_student').on(t.studentId)],
);
