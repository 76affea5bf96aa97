import type { Arrived, FilmRequest } from '@inchstep/core/checkins';
import type { ViewKind } from '@inchstep/core/intake';
import { desc, eq, sql } from 'drizzle-orm';
import { type Db, keptQuery, prepared } from '../../platform/db.ts';
import { filmRequests } from './tables.ts';

type Row = typeof filmRequests.$inferSelect;
const toRequest = ({ studentId: _, author: __, ...request }: Row): FilmRequest => request;

export const insertRequest = (db: Db, row: Row): void => {
  db.insert(filmRequests).values(row).run();
};
export const requestById = (db: Db, id: string): { studentId: string; request: FilmRequest } | null => {
  const row = db.select().from(filmRequests).where(eq(filmRequests.id, id)).get();
  return row ? { studentId: row.studentId, request: toRequest(row) } : null;
};
/** The latest first. */
export const requestsOf = (db: Db, studentId: string): FilmRequest[] =>
  keptQuery(db, 'requestsOf', () =>
    db
      .select()
      .from(filmRequests)
      .where(eq(filmRequests.studentId, sql.placeholder('studentId')))
      .orderBy(desc(filmRequests.askedAt), sql`rowid DESC`)
      .prepare(),
  )
    .all({ studentId })
    .map(toRequest);
export const setWithdrawn = (db: Db, id: string, withdrawnAt: string | null): void => {
  db.update(filmRequests).set({ withdrawnAt }).where(eq(filmRequests.id, id)).run();
};

/** The views that came with each check-in. */
export const arrivedOf = (db: Db, studentId: string): Arrived[] =>
  (
    prepared(
      db,
      `SELECT c.at, json_group_array(json_extract(k.facts, '$.kind')) AS kinds
        FROM checkins c, json_each(c.clip_ids) j JOIN clips k ON k.id = j.value
        WHERE c.student_id = ? GROUP BY c.id`,
    ).all(studentId) as { at: string; kinds: string }[]
  ).map(({ at, kinds }) => ({ at, kinds: JSON.parse(kinds) as ViewKind[] }));
