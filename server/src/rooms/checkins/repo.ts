import type { StudentLink } from '@inchstep/contract/checkins';
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import { type Db, keptQuery, prepared } from '../../platform/db.ts';
import { students } from '../intake/tables.ts';
import { checkins, links, replies } from './tables.ts';

export type CheckinRow = typeof checkins.$inferSelect;
export type ReplyRow = typeof replies.$inferSelect;
type LinkRow = typeof links.$inferSelect;

export const insertLink = (db: Db, row: LinkRow): void => {
  db.insert(links).values(row).run();
};
/** The link of a token, and whether its student was archived. */
export const linkByHash = (
  db: Db,
  tokenHash: string,
): { link: LinkRow; archivedAt: string | null } | undefined =>
  keptQuery(db, 'linkByHash', () =>
    db
      .select({ link: links, archivedAt: students.archivedAt })
      .from(links)
      .innerJoin(students, eq(students.id, links.studentId))
      .where(eq(links.tokenHash, sql.placeholder('tokenHash')))
      .prepare(),
  ).get({ tokenHash });
export const linksOf = (db: Db, studentId: string): StudentLink[] =>
  db
    .select({
      id: links.id,
      createdAt: links.createdAt,
      expiresAt: links.expiresAt,
      revokedAt: links.revokedAt,
      lastUsedAt: links.lastUsedAt,
    })
    .from(links)
    .where(eq(links.studentId, studentId))
    .orderBy(desc(links.createdAt))
    .all();
export const dropLink = (db: Db, id: string): void => {
  db.delete(links).where(eq(links.id, id)).run();
};
export const touchLink = (db: Db, id: string, lastUsedAt: string): void => {
  db.update(links).set({ lastUsedAt }).where(eq(links.id, id)).run();
};
export const revokeLinks = (db: Db, studentId: string, revokedAt: string): number =>
  db
    .update(links)
    .set({ revokedAt })
    .where(and(eq(links.studentId, studentId), isNull(links.revokedAt)))
    .run().changes;

export const insertCheckin = (db: Db, row: CheckinRow): void => {
  db.insert(checkins).values(row).run();
};
export const checkinById = (db: Db, id: string): CheckinRow | null =>
  db.select().from(checkins).where(eq(checkins.id, id)).get() ?? null;
export const checkinsOf = (db: Db, studentId: string, most = -1): CheckinRow[] =>
  keptQuery(db, 'checkinsOf', () =>
    db
      .select()
      .from(checkins)
      .where(eq(checkins.studentId, sql.placeholder('studentId')))
      .orderBy(desc(checkins.at))
      .limit(sql.placeholder('most'))
      .prepare(),
  ).all({ studentId, most });
export const repliesOf = (db: Db, studentId: string): ReplyRow[] =>
  keptQuery(db, 'repliesOf', () =>
    db
      .select({ reply: replies })
      .from(replies)
      .innerJoin(
        checkins,
        and(eq(checkins.id, replies.checkinId), eq(checkins.studentId, sql.placeholder('studentId'))),
      )
      .prepare(),
  )
    .all({ studentId })
    .map(({ reply }) => reply);
export const replyTo = (db: Db, checkinId: string): ReplyRow | null =>
  db.select().from(replies).where(eq(replies.checkinId, checkinId)).get() ?? null;
export const insertReply = (db: Db, row: ReplyRow): void => {
  db.insert(replies).values(row).run();
};
export const dropReply = (db: Db, id: string): void => {
  db.delete(replies).where(eq(replies.id, id)).run();
};
export const setReplyGoes = (db: Db, id: string, goesAt: string): void => {
  db.update(replies).set({ goesAt }).where(eq(replies.id, id)).run();
};

/** Check-ins since a moment, and those of them that were answered or spoken of. */
export const weekOf = (db: Db, since: string): { came: number; answered: number } =>
  prepared(
    db,
    `SELECT count(*) AS came, coalesce(sum(
        EXISTS (SELECT 1 FROM replies r WHERE r.checkin_id = c.id)
        OR EXISTS (SELECT 1 FROM queue_asides a
          WHERE a.student_id = c.student_id AND a.until IS NULL AND a.undone_at IS NULL AND a.at >= c.at)), 0) AS answered
      FROM checkins c WHERE c.at >= ?`,
  ).get(since) as { came: number; answered: number };

/** Students on the roster who have an open link: a page on which they are asked. */
export const studentsWithLink = (db: Db, now: string): string[] =>
  (
    prepared(
      db,
      `SELECT DISTINCT s.id FROM students s JOIN links l ON l.student_id = s.id
        WHERE s.archived_at IS NULL AND l.revoked_at IS NULL AND l.expires_at > ?`,
    ).all(now) as { id: string }[]
  ).map(({ id }) => id);

/** When the coach last said something to a student before a moment; long ago where never. */
export const lastWordAt = (db: Db, studentId: string, before: string): string =>
  (
    prepared(
      db,
      `SELECT max(at) AS at FROM (
        SELECT r.at FROM replies r JOIN checkins c ON c.id = r.checkin_id WHERE c.student_id = @studentId AND r.at < @before
        UNION ALL SELECT sent_at FROM lessons WHERE student_id = @studentId AND sent_at < @before)`,
    ).get({ studentId, before }) as { at: string | null }
  ).at ?? '';

/** The latest letters of this coach, with their drafts, oldest first. */
export const writtenBefore = (db: Db, most: number): { draft: string; text: string }[] =>
  (
    prepared(
      db,
      `SELECT draft, text FROM (
        SELECT draft, text, at FROM replies WHERE draft <> ''
        UNION ALL SELECT draft, summary, sent_at FROM lessons WHERE summary IS NOT NULL AND draft IS NOT NULL)
        ORDER BY at DESC LIMIT ?`,
    ).all(most) as { draft: string; text: string }[]
  ).reverse();
