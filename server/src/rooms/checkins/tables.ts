import type { FilmRequest } from '@inchstep/core/checkins';
import type { ViewKind } from '@inchstep/core/intake';
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

/** What a student was asked to film; whether it came is told by the check-ins. */
export const filmRequests = sqliteTable(
  'film_requests',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    askedAt: text('asked_at').notNull(),
    dueOn: text('due_on').notNull(),
    kinds: text('kinds', { mode: 'json' }).$type<ViewKind[]>().notNull(),
    swings: integer('swings').notNull(),
    drill: text('drill'),
    stage: text('stage').$type<FilmRequest['stage']>(),
    club: text('club').$type<FilmRequest['club']>(),
    aid: text('aid').$type<FilmRequest['aid']>(),
    why: text('why').notNull(),
    withdrawnAt: text('withdrawn_at'),
    author: text('author').notNull(),
  },
  (t) => [index('film_requests_by_student').on(t.studentId, t.askedAt)],
);

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
