import { type Db, prepared } from '../../platform/db.ts';
import { teachingResets } from './tables.ts';

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
