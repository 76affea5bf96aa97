import type { CaptureRecord } from '@inchstep/core/capture';
import { type Db, prepared } from '../../platform/db.ts';

export const captureSlice = (db: Db, studentId: string): CaptureRecord => ({
  clips: prepared(
    db,
    `SELECT created_at AS at, coalesce(json_extract(facts, '$.from'), 'coach') AS "from"
      FROM clips WHERE student_id = ? ORDER BY created_at`,
  ).all(studentId) as CaptureRecord['clips'],
});
