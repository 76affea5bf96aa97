import type { Lesson } from '@inchstep/contract/intake';
import { forgottenBefore } from '@inchstep/core/intake';
import { eq } from 'drizzle-orm';
import { type Db, prepared } from '../../platform/db.ts';
import { lessons } from './tables.ts';

const COLUMNS = `id, day, time, minutes, mode, place, started_at AS startedAt, ended_at AS endedAt,
  cancelled_at AS cancelledAt, summary, sent_at AS sentAt`;

/** All of a student's lessons, by day and time. */
export const lessonsOf = (db: Db, studentId: string): Lesson[] =>
  prepared(
    db,
    `SELECT ${COLUMNS} FROM lessons WHERE student_id = ? ORDER BY day, coalesce(time, ''), rowid`,
  ).all(studentId) as Lesson[];

export const lessonById = (db: Db, id: string): (Lesson & { studentId: string }) | undefined =>
  prepared(db, `SELECT ${COLUMNS}, student_id AS studentId FROM lessons WHERE id = ?`).get(id) as
    | (Lesson & { studentId: string })
    | undefined;

export const insertLesson = (db: Db, studentId: string, author: string, lesson: Lesson): void => {
  db.insert(lessons)
    .values({ ...lesson, studentId, author })
    .run();
};

export const updateLesson = (db: Db, id: string, changed: Partial<Lesson & { draft: string }>): void => {
  db.update(lessons).set(changed).where(eq(lessons.id, id)).run();
};

/** The lesson in which a moment lies; null between lessons. */
export const lessonAt = (db: Db, studentId: string, at: string): string | null =>
  (prepared(
    db,
    `SELECT id FROM lessons WHERE student_id = ?1 AND started_at <= ?2 AND started_at > ?3
      AND (ended_at IS NULL OR ended_at >= ?2) ORDER BY started_at DESC LIMIT 1`,
  )
    .pluck()
    .get({ 1: studentId, 2: at, 3: forgottenBefore(at) }) as string | undefined) ?? null;
