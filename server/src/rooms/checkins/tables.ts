import type { TalkDocument } from '@inchstep/contract/checkins';
import { REVIEW_SHOWN } from '@inchstep/contract/kept';
import type { EnclosureKind, FeltAnswer, FilmRequest } from '@inchstep/core/checkins';
import type { ViewKind } from '@inchstep/core/intake';
import { index, integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { keptColumn } from '../../platform/keptColumn.ts';
import { students } from '../intake/tables.ts';

/** What one press did beside the reply. */
export interface AnswerAlong {
  readonly gates: readonly string[];
  readonly requestId: string | null;
  readonly planId: string | null;
  /** Felt beside measured, kept with the others. */
  readonly feelId?: string | null;
}
export interface MailDate {
  readonly day: string;
  readonly title: string;
}

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
    /** What it felt like, of one measure, said before anything measured was seen. */
    feltOf: text('felt_of', { mode: 'json' }).$type<FeltAnswer>(),
  },
  (t) => [index('checkins_by_student').on(t.studentId, t.at), index('checkins_by_time').on(t.at)],
);

export const replies = sqliteTable('replies', {
  id: text('id').primaryKey(),
  checkinId: text('checkin_id')
    .notNull()
    .unique()
    .references(() => checkins.id, { onDelete: 'cascade' }),
  text: text('text').notNull(),
  at: text('at').notNull(),
  /** As it was drafted; what the coach always changes is learnt from the difference. Empty: of before drafts were kept. */
  draft: text('draft').notNull().default(''),
  /** Until then it can be taken back, and nobody reads it; null: of before there was time for that. */
  goesAt: text('goes_at'),
  /** The facts of the review as they stood when it was answered; null: of before they were kept. */
  shown: keptColumn('shown', REVIEW_SHOWN),
  /** What else was done in the same press, to be undone with it. */
  along: text('along', { mode: 'json' }).$type<AnswerAlong>(),
});

/** What goes along with the answer to a check-in: a picture, a short clip, a spoken review. */
export const enclosures = sqliteTable(
  'enclosures',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    checkinId: text('checkin_id')
      .notNull()
      .references(() => checkins.id, { onDelete: 'cascade' }),
    kind: text('kind').$type<EnclosureKind>().notNull(),
    title: text('title').notNull(),
    /** File name in the clip folder: content hash and ending. */
    file: text('file').notNull(),
    bytes: integer('bytes').notNull(),
    seconds: real('seconds'),
    /** Clips that it shows: erased with any of them. */
    clipIds: text('clip_ids', { mode: 'json' }).$type<string[]>().notNull(),
    /** Of a spoken review all but the voice. */
    talk: text('talk', { mode: 'json' }).$type<TalkDocument>(),
    at: text('at').notNull(),
    droppedAt: text('dropped_at'),
    author: text('author').notNull(),
  },
  (t) => [
    index('enclosures_by_student').on(t.studentId, t.at),
    index('enclosures_by_dropped').on(t.droppedAt),
  ],
);

/** A word of the coach's own, not an answer to anything. */
export const messages = sqliteTable(
  'messages',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    text: text('text').notNull(),
    at: text('at').notNull(),
    goesAt: text('goes_at'),
    author: text('author').notNull(),
  },
  (t) => [index('messages_by_student').on(t.studentId, t.at)],
);

/** The coach's word that a line of the queue can wait, or was settled by talking. */
export const queueAsides = sqliteTable(
  'queue_asides',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    at: text('at').notNull(),
    /** Null = spoken with. */
    until: text('until'),
    note: text('note').notNull(),
    undoneAt: text('undone_at'),
    author: text('author').notNull(),
  },
  (t) => [index('queue_asides_by_student').on(t.studentId, t.at)],
);

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
    /** Who asked: the coach, or the plan by a gate or a review date. */
    from: text('from').$type<FilmRequest['from']>().notNull().default('coach'),
    /** What the plan asked it for, so that it asks once; null for the coach's own. */
    because: text('because'),
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
    /** When it had gone: written to the folder, or taken by the mail server. */
    madeAt: text('made_at'),
    /** Not before then; null = at once. */
    goesAt: text('goes_at'),
    tries: integer('tries').notNull().default(0),
    nextTryAt: text('next_try_at'),
    /** What the mail server said last, or why it will not be tried again. */
    trouble: text('trouble'),
    /** It came back, or was given up; it is not tried again. */
    failedAt: text('failed_at'),
    /** A day that goes along as a date for the calendar. */
    date: text('date', { mode: 'json' }).$type<MailDate>(),
    /** Digest of the code with which its reader stops further mail. */
    stopHash: text('stop_hash'),
  },
  (t) => [index('mails_by_student').on(t.studentId)],
);
