import type { LessonNote, LoggedSet } from '@inchstep/core/practice';
import { and, asc, eq, isNull } from 'drizzle-orm';
import type { Db } from '../../platform/db.ts';
import { lessonNotes, setLogs } from './tables.ts';

type Row = typeof lessonNotes.$inferSelect;
const toNote = ({ studentId: _, undoneAt: __, ...note }: Row): LessonNote => note;

export const insertNote = (db: Db, studentId: string, note: LessonNote): void => {
  db.insert(lessonNotes)
    .values({ ...note, studentId, undoneAt: null })
    .run();
};

export function noteById(db: Db, id: string): { studentId: string; note: LessonNote } | undefined {
  const row = db.select().from(lessonNotes).where(eq(lessonNotes.id, id)).get();
  return row && { studentId: row.studentId, note: toNote(row) };
}

export const undoNote = (db: Db, id: string, undoneAt: string | null): void => {
  db.update(lessonNotes).set({ undoneAt }).where(eq(lessonNotes.id, id)).run();
};

/** Notes of a lesson that stand, in the order in which they were made. */
export const notesOf = (db: Db, studentId: string, lessonId: string): LessonNote[] =>
  db
    .select()
    .from(lessonNotes)
    .where(
      and(
        eq(lessonNotes.studentId, studentId),
        eq(lessonNotes.lessonId, lessonId),
        isNull(lessonNotes.undoneAt),
      ),
    )
    .orderBy(asc(lessonNotes.at))
    .all()
    .map(toNote);

/** Sets that were done in a lesson. */
export const lessonSets = (db: Db, studentId: string, lessonId: string): LoggedSet[] =>
  db
    .select()
    .from(setLogs)
    .where(and(eq(setLogs.studentId, studentId), eq(setLogs.lessonId, lessonId)))
    .orderBy(asc(setLogs.at))
    .all();
