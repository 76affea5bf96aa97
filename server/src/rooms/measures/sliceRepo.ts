import type { MeasuresRecord, ReadingRecord } from '@inchstep/core/measures';
import { type Db, prepared } from '../../platform/db.ts';
import { readGist } from './gist.ts';

/** Readings of swings that were not put away, oldest first. */
export const measuresSlice = (db: Db, studentId: string): MeasuresRecord => ({
  readings: (
    prepared(
      db,
      `SELECT r.swing_id AS swingId, r.recorded_on AS recordedOn, r.gist
        FROM readings r JOIN swings s ON s.id = r.swing_id AND s.discarded_at IS NULL
        WHERE r.student_id = ? ORDER BY r.recorded_on, r.rowid`,
    ).all(studentId) as { swingId: string; recordedOn: string; gist: string }[]
  ).map(({ gist, ...row }): ReadingRecord => Object.assign(readGist(gist), row)),
});
