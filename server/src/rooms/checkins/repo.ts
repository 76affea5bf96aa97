import type { StudentLink } from '@inchstep/contract/checkins';
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import { type Db, keptQuery } from '../../platform/db.ts';
import { students } from '../intake/tables.ts';
import { checkins, links, mails, replies } from './tables.ts';

export type CheckinRow = typeof checkins.$inferSelect;
export type ReplyRow = typeof replies.$inferSelect;
export type LinkRow = typeof links.$inferSelect;

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

type MailRow = typeof mails.$inferSelect;
export const insertMail = (db: Db, row: MailRow): void => {
  db.insert(mails).values(row).run();
};
export const mailsToMake = (db: Db): MailRow[] =>
  db.select().from(mails).where(isNull(mails.madeAt)).orderBy(mails.at).all();
/** False when the row is gone. */
export const markMailMade = (db: Db, id: string, madeAt: string): boolean =>
  db.update(mails).set({ madeAt }).where(eq(mails.id, id)).run().changes === 1;
/** Ids of all letters: replies of before letters had rows keep their files. */
export const letterIds = (db: Db): string[] =>
  [
    ...db.select({ id: mails.id }).from(mails).all(),
    ...db.select({ id: replies.id }).from(replies).all(),
  ].map(({ id }) => id);
