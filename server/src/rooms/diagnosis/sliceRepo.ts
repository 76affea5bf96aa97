import type { DiagnosisEntry, DiagnosisRecord } from '@inchstep/core/diagnosis';
import { dayOf } from '../../platform/context.ts';
import { type Db, prepared } from '../../platform/db.ts';

interface Row {
  readonly id: string;
  readonly at: string;
  readonly work_on: string | null;
  readonly leave_alone: string | null;
}

/** Only what later rooms ask of a diagnosis is taken out of its document. */
export const diagnosisSlice = (db: Db, studentId: string): DiagnosisRecord => ({
  diagnoses: (
    prepared(
      db,
      `SELECT id, at,
        coalesce(json_extract(chosen, '$.workOn'), json_extract(body, '$.result.workOn')) AS work_on,
        json_extract(body, '$.result.leaveAlone') AS leave_alone
        FROM diagnoses WHERE student_id = ? ORDER BY at`,
    ).all(studentId) as Row[]
  ).map(toEntry),
});

const toEntry = ({ id, at, work_on, leave_alone }: Row): DiagnosisEntry => ({
  id,
  at,
  day: dayOf(at),
  workOn: JSON.parse(work_on ?? '[]') as string[],
  follow: (JSON.parse(leave_alone ?? '[]') as { fault: string; why: { code: string } }[])
    .filter(({ why }) => why.code === 'follows')
    .map(({ fault }) => fault),
});
