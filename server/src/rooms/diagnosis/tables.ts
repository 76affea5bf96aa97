import { DIAGNOSIS, WORK_CHOICE } from '@inchstep/contract/kept';
import { index, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { keptColumn } from '../../platform/keptColumn.ts';
import { students } from '../intake/tables.ts';

export const diagnoses = sqliteTable(
  'diagnoses',
  {
    id: text('id').primaryKey(),
    studentId: text('student_id')
      .notNull()
      .references(() => students.id, { onDelete: 'cascade' }),
    at: text('at').notNull(),
    body: keptColumn('body', DIAGNOSIS).notNull(),
    chosen: keptColumn('chosen', WORK_CHOICE),
  },
  (t) => [index('diagnoses_by_student').on(t.studentId, t.at)],
);
