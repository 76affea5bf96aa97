import { eq, sql } from 'drizzle-orm';
import { type Db, keptQuery, prepared } from '../db.ts';
import { writes } from './tables.ts';

type WriteRow = typeof writes.$inferSelect;
export const writeById = (db: Db, id: string): WriteRow | undefined =>
  keptQuery(db, 'writeById', () =>
    db
      .select()
      .from(writes)
      .where(eq(writes.id, sql.placeholder('id')))
      .prepare(),
  ).get({ id });
export const insertWrite = (db: Db, row: WriteRow): void => {
  prepared(db, 'INSERT INTO writes (id, student_id, what, author, at) VALUES (?, ?, ?, ?, ?)').run(
    row.id,
    row.studentId,
    row.what,
    row.author,
    row.at,
  );
};
