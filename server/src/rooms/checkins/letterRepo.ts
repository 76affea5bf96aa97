import { and, desc, eq, isNull, lte, or } from 'drizzle-orm';
import type { Db } from '../../platform/db.ts';
import { mails, replies } from './tables.ts';

export type LetterRow = typeof mails.$inferSelect;

export const insertLetter = (db: Db, row: LetterRow): void => {
  db.insert(mails).values(row).run();
};
/** Letters that may go now, the oldest first. */
export const dueLetters = (db: Db, now: string): LetterRow[] =>
  db
    .select()
    .from(mails)
    .where(
      and(
        isNull(mails.madeAt),
        isNull(mails.failedAt),
        or(isNull(mails.goesAt), lte(mails.goesAt, now)),
        or(isNull(mails.nextTryAt), lte(mails.nextTryAt, now)),
      ),
    )
    .orderBy(mails.at)
    .limit(50)
    .all();
/** False when the row is gone. */
export const markLetter = (
  db: Db,
  id: string,
  more: Partial<Pick<LetterRow, 'madeAt' | 'tries' | 'nextTryAt' | 'trouble' | 'failedAt' | 'goesAt'>>,
): boolean => db.update(mails).set(more).where(eq(mails.id, id)).run().changes === 1;
export const setStop = (db: Db, id: string, stopHash: string): void => {
  db.update(mails).set({ stopHash }).where(eq(mails.id, id)).run();
};
export const dropLetter = (db: Db, id: string): void => {
  db.delete(mails).where(eq(mails.id, id)).run();
};
export const letterById = (db: Db, id: string): LetterRow | null =>
  db.select().from(mails).where(eq(mails.id, id)).get() ?? null;
export const lettersOf = (db: Db, studentId: string, most = 50): LetterRow[] =>
  db.select().from(mails).where(eq(mails.studentId, studentId)).orderBy(desc(mails.at)).limit(most).all();
/** Whose letter a code stopped. */
export const readerOf = (db: Db, stopHash: string): string | null =>
  db.select({ studentId: mails.studentId }).from(mails).where(eq(mails.stopHash, stopHash)).get()
    ?.studentId ?? null;
/** Ids of all letters: replies of before letters had rows keep their files. */
export const letterIds = (db: Db): string[] =>
  [
    ...db.select({ id: mails.id }).from(mails).all(),
    ...db.select({ id: replies.id }).from(replies).all(),
  ].map(({ id }) => id);
