import type { Aside } from '@inchstep/core/checkins';
import { and, eq, isNull } from 'drizzle-orm';
import { type Db, prepared } from '../../platform/db.ts';
import { queueAsides } from './tables.ts';

type Row = typeof queueAsides.$inferSelect;

export const insertAside = (db: Db, row: Row): void => {
  db.insert(queueAsides).values(row).run();
};
/** The last word on waiting that stands. */
export const asideOf = (db: Db, studentId: string): Aside | null =>
  (prepared(
    db,
    `SELECT at, until FROM queue_asides WHERE student_id = ? AND undone_at IS NULL ORDER BY at DESC, rowid DESC LIMIT 1`,
  ).get(studentId) as Aside | undefined) ?? null;
/** False where there is none, or it was taken back already. */
export const undoAside = (db: Db, studentId: string, id: string, undoneAt: string): boolean =>
  db
    .update(queueAsides)
    .set({ undoneAt })
    .where(and(eq(queueAsides.id, id), eq(queueAsides.studentId, studentId), isNull(queueAsides.undoneAt)))
    .run().changes === 1;
