import type { CheckinRecord } from '@inchstep/core/checkins';
import { dayOf } from '../../platform/context.ts';
import { type Db, prepared } from '../../platform/db.ts';

interface Row {
  readonly id: string;
  readonly at: string;
  readonly pain: number;
  readonly note: string;
  readonly answered: number;
}

export const checkinSlice = (db: Db, studentId: string): CheckinRecord => ({
  checkins: (
    prepared(
      db,
      `SELECT c.id, c.at, c.pain, c.note, r.id IS NOT NULL AS answered
        FROM checkins c LEFT JOIN replies r ON r.checkin_id = c.id WHERE c.student_id = ? ORDER BY c.at`,
    ).all(studentId) as Row[]
  ).map((row) => ({
    ...row,
    day: dayOf(row.at),
    pain: row.pain === 1,
    answered: row.answered === 1,
  })),
});
