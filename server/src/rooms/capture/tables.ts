import type { Clip, Swing } from '@inchstep/contract/capture';
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { students } from '../intake/tables.ts';

const studentId = () =>
  text('student_id')
    .notNull()
    .references(() => students.id, { onDelete: 'cascade' });

export const clips = sqliteTable(
  'clips',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    /** File name in the clip folder: content hash and ending. */
    file: text('file').notNull(),
    facts: text('facts', { mode: 'json' }).$type<Omit<Clip, 'id' | 'studentId' | 'createdAt'>>().notNull(),
    createdAt: text('created_at').notNull(),
  },
  (t) => [index('clips_by_student').on(t.studentId)],
);

export const swings = sqliteTable(
  'swings',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    version: integer('version').notNull(),
    recordedOn: text('recorded_on').notNull(),
    body: text('body', { mode: 'json' }).$type<Pick<Swing, 'club' | 'speed' | 'views' | 'marks'>>().notNull(),
    from: text('from').$type<Swing['from']>().notNull(),
    discardedAt: text('discarded_at'),
    createdAt: text('created_at').notNull(),
  },
  (t) => [index('swings_by_student').on(t.studentId, t.recordedOn)],
);
