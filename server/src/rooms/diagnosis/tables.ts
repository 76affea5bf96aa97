import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import { index, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { students } from '../intake/tables.ts';

export const diagnoses = sqliteTable(
  'diagnoses',
  {
    id: text('id').primaryKey(),
    studentId: text('student_id')
      .notNull()
      .references(() => students.id, { onDelete: 'cascade' }),
    at: text('at').notNull(),
    body: text('body', { mode: 'json' })
      .$type<Pick<DiagnosisRecord, 'swingId' | 'wholeDay' | 'findings' | 'setAside' | 'result'>>()
      .notNull(),
    chosen: text('chosen', { mode: 'json' }).$type<DiagnosisRecord['chosen']>(),
  },
  (t) => [index('diagnoses_by_student').on(t.studentId, t.at)],
);
