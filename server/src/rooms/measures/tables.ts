import type { Reading } from '@inchstep/contract/measures';
import { index, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { swings } from '../capture/tables.ts';
import { students } from '../intake/tables.ts';

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
    body: text('body', { mode: 'json' }).$type<Reading>().notNull(),
  },
  (t) => [index('readings_by_student').on(t.studentId, t.recordedOn)],
);
