import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import { desc, eq } from 'drizzle-orm';
import type { Db } from '../../platform/db.ts';
import { diagnoses } from './tables.ts';

type Row = typeof diagnoses.$inferSelect;
const toRecord = ({ body, ...row }: Row): DiagnosisRecord => ({ ...row, ...body });

export const insertDiagnosis = (
  db: Db,
  { swingId, wholeDay, findings, setAside, result, ...row }: DiagnosisRecord,
): void => {
  db.insert(diagnoses)
    .values({ ...row, body: { swingId, wholeDay, findings, setAside, result } })
    .run();
};
export const diagnosisById = (db: Db, id: string): DiagnosisRecord | null => {
  const row = db.select().from(diagnoses).where(eq(diagnoses.id, id)).get();
  return row ? toRecord(row) : null;
};
export const diagnosesOf = (db: Db, studentId: string): DiagnosisRecord[] =>
  db
    .select()
    .from(diagnoses)
    .where(eq(diagnoses.studentId, studentId))
    .orderBy(desc(diagnoses.at))
    .all()
    .map(toRecord);
export const setChosen = (db: Db, id: string, chosen: DiagnosisRecord['chosen']): void => {
  db.update(diagnoses).set({ chosen }).where(eq(diagnoses.id, id)).run();
};
