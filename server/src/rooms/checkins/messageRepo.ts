import { desc, eq, sql } from 'drizzle-orm';
import { type Db, keptQuery } from '../../platform/db.ts';
import { messages } from './tables.ts';

type MessageRow = typeof messages.$inferSelect;

export const insertMessage = (db: Db, row: MessageRow): void => {
  db.insert(messages).values(row).run();
};
export const messageById = (db: Db, id: string): MessageRow | undefined =>
  db.select().from(messages).where(eq(messages.id, id)).get();
export const messagesOf = (db: Db, studentId: string, most = -1): MessageRow[] =>
  keptQuery(db, 'messagesOf', () =>
    db
      .select()
      .from(messages)
      .where(eq(messages.studentId, sql.placeholder('studentId')))
      .orderBy(desc(messages.at))
      .limit(sql.placeholder('most'))
      .prepare(),
  ).all({ studentId, most });
export const dropMessage = (db: Db, id: string): void => {
  db.delete(messages).where(eq(messages.id, id)).run();
};
export const setMessageGoes = (db: Db, id: string, goesAt: string): void => {
  db.update(messages).set({ goesAt }).where(eq(messages.id, id)).run();
};
