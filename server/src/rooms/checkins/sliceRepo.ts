import { type CheckinRecord, requestNow } from '@inchstep/core/checkins';
import { dayOf } from '../../platform/context.ts';
import { type Db, prepared } from '../../platform/db.ts';
import { asideOf } from './asideRepo.ts';
import { arrivedOf, requestsOf } from './requestRepo.ts';

interface Row {
  readonly id: string;
  readonly at: string;
  readonly pain: number;
  readonly note: string;
  readonly answered: number;
}

/** The request that stands, whichever day it is; most students have none, and are asked no more. */
function askedOf(db: Db, studentId: string): CheckinRecord['asked'] {
  const requests = requestsOf(db, studentId);
  const now = requests.length > 0 ? requestNow(requests, arrivedOf(db, studentId), '') : null;
  return now && { askedAt: now.askedAt, dueOn: now.dueOn };
}

export const checkinSlice = (db: Db, studentId: string): CheckinRecord => ({
  asked: askedOf(db, studentId),
  aside: asideOf(db, studentId),
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
