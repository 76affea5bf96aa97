import type { PlaceMean } from '@inchstep/core/measures';
import { type Db, prepared } from '../../platform/db.ts';
import { netMeans, teachingResets } from './tables.ts';

export const insertReset = (db: Db, row: typeof teachingResets.$inferSelect): void => {
  db.insert(teachingResets).values(row).run();
};
/** The last time that a student was forgotten, and stays so. */
export const lastReset = (db: Db, studentId: string): { readonly id: string; readonly at: string } | null =>
  (prepared(
    db,
    'SELECT id, at FROM teaching_resets WHERE student_id = ? AND undone_at IS NULL ORDER BY at DESC LIMIT 1',
  ).get(studentId) as { id: string; at: string } | undefined) ?? null;
/** False where there is none, or it was taken back already. */
export const undoReset = (db: Db, studentId: string, id: string, undoneAt: string): boolean =>
  prepared(
    db,
    'UPDATE teaching_resets SET undone_at = ? WHERE id = ? AND student_id = ? AND undone_at IS NULL',
  ).run(undoneAt, id, studentId).changes === 1;

/** Of a student of whom nothing is known any more, nothing is kept. */
export function putMeans(db: Db, row: typeof netMeans.$inferInsert): void {
  if (row.body.length === 0) {
    prepared(db, 'DELETE FROM net_means WHERE student_id = ?').run(row.studentId);
    return;
  }
  db.insert(netMeans).values(row).onConflictDoUpdate({ target: netMeans.studentId, set: row }).run();
}
/** Of so many students besides this one, those that were checked last. */
export const meansOfOthers = (db: Db, studentId: string, most: number): PlaceMean[][] =>
  (
    prepared(db, 'SELECT body FROM net_means WHERE student_id <> ? ORDER BY at DESC LIMIT ?').all(
      studentId,
      most,
    ) as { body: string }[]
  ).map(({ body }) => JSON.parse(body) as PlaceMean[]);
