import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { students } from '../intake/tables.ts';

const studentId = () =>
  text('student_id')
    .notNull()
    .references(() => students.id, { onDelete: 'cascade' });

export const links = sqliteTable('links', {
  id: text('id').primaryKey(),
  studentId: studentId(),
  /** SHA-256 of the token; the token itself is never kept. */
  tokenHash: text('token_hash').notNull().unique(),
  createdAt: text('created_at').notNull(),
  expiresAt: text('expires_at').notNull(),
  revokedAt: text('revoked_at'),
  lastUsedAt: text('last_used_at'),
});

export const checkins = sqliteTable(
  'checkins',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    at: text('at').notNull(),
    pain: integer('pain', { mode: 'boolean' }).notNull(),
    painWhere: text('pain_where').notNull(),
    note: text('note').notNull(),
    felt: integer('felt'),
    clipIds: text('clip_ids', { mode: 'json' }).$type<string[]>().notNull(),
  },
  (t) => [index('checkins_by_student').on(t.studentId, t.at)],
);

export const replies = sqliteTable('replies', {
  id: text('id').primaryKey(),
  checkinId: text('checkin_id')
    .notNull()
    .unique()
    .references(() => checkins.id, { onDelete: 'cascade' }),
  text: text('text').notNull(),
  at: text('at').notNull(),
});

/** Mail to be written: the file is made from the row, afterwards, and can be made again. */
export const mails = sqliteTable(
  'mails',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    toName: text('to_name').notNull(),
    subject: text('subject').notNull(),
    text: text('text').notNull(),
    at: text('at').notNull(),
    madeAt: text('made_at'),
  },
  (t) => [index('mails_by_student').on(t.studentId)],
);
