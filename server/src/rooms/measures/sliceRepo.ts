import type { MeasuresRecord, ReadingRecord } from '@inchstep/core/measures';
import { type Db, prepared } from '../../platform/db.ts';
import { readGist } from './gist.ts';
import { NOT_OURS } from './repo.ts';

interface Row {
  readonly swingId: string;
  readonly recordedOn: string;
  readonly gist: string;
  readonly ours: 0 | 1;
}

/**
 * Readings of swings that were not put away, oldest first. While what older measures said is being read anew, the two are never
 * thrown together: a change of a definition is no change of a player.
 */
export function measuresSlice(db: Db, studentId: string): MeasuresRecord {
  const rows = prepared(
    db,
    `SELECT r.swing_id AS swingId, r.recorded_on AS recordedOn, r.gist, r.swing_version <> ${NOT_OURS} AS ours
        FROM readings r JOIN swings s ON s.id = r.swing_id AND s.discarded_at IS NULL
        WHERE r.student_id = ? ORDER BY r.recorded_on, r.rowid`,
  ).all(studentId) as Row[];
  const some = rows.some(({ ours }) => ours === 1);
  return {
    readings: rows
      .filter(({ ours }) => ours === 1 || !some)
      .map(
        ({ gist, swingId, recordedOn }): ReadingRecord =>
          Object.assign(readGist(gist), { swingId, recordedOn }),
      ),
  };
}
