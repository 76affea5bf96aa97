import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import { type CaseFile, type CaseFinding, checkCase, diagnose, faultById } from '@inchstep/core/diagnosis';
import { type Context, stamp } from '../../platform/context.ts';
import { orRefuse, Refusal } from '../../platform/errors.ts';
import { getSwing } from '../capture/index.ts';
import { factsOf, getStudent, record, schoolOf } from '../intake/index.ts';
import { getReading } from '../measures/index.ts';
import { diagnosesOf, diagnosisById, insertDiagnosis, setChosen } from './repo.ts';

/** The case of a student for one swing (or none) and what was ticked. */
export function caseOf(
  ctx: Context,
  studentId: string,
  swingId: string | null,
  findings: readonly CaseFinding[],
): CaseFile {
  const student = getStudent(ctx, studentId);
  if (swingId !== null && getSwing(ctx, swingId).studentId !== studentId) throw new Refusal('not_found');
  const reading = swingId === null ? null : getReading(ctx, swingId);
  return orRefuse(
    checkCase({
      student: factsOf(ctx, student),
      school: schoolOf(student),
      club: swingId === null ? 'mid_iron' : getSwing(ctx, swingId).club,
      measures: reading?.measures.map(({ id, value, sd }) => ({ id, value, sd })) ?? [],
      findings,
      active: [],
      history: [],
    }),
  );
}

export function makeDiagnosis(
  ctx: Context,
  studentId: string,
  id: string,
  swingId: string | null,
  findings: CaseFinding[],
): DiagnosisRecord {
  const known = diagnosisById(ctx.db, id);
  if (known) return known;
  const result = diagnose(caseOf(ctx, studentId, swingId, findings));
  const entry: DiagnosisRecord = { id, studentId, swingId, at: stamp(ctx), findings, result, chosen: null };
  ctx.db.transaction(() => {
    insertDiagnosis(ctx.db, entry);
    record(ctx, studentId, 'diagnosed', { roots: result.roots.map((root) => root.fault), diagnosis: id });
  });
  return entry;
}

export const listDiagnoses = (ctx: Context, studentId: string): DiagnosisRecord[] => {
  getStudent(ctx, studentId);
  return diagnosesOf(ctx.db, studentId);
};

export function getDiagnosis(ctx: Context, id: string): DiagnosisRecord {
  const found = diagnosisById(ctx.db, id);
  if (!found) throw new Refusal('not_found');
  return found;
}

/** The coach's word on what to work on; kept as an event with its reason. */
export function chooseWork(ctx: Context, id: string, workOn: string[], note: string): DiagnosisRecord {
  const entry = getDiagnosis(ctx, id);
  const unknown = workOn.find((fault) => !faultById(fault));
  if (unknown) throw new Refusal('unknown_fault', { id: unknown }, 'workOn');
  ctx.db.transaction(() => {
    setChosen(ctx.db, id, { workOn, note, at: stamp(ctx) });
    record(ctx, entry.studentId, 'work_chosen', { workOn, note, diagnosis: id });
  });
  return getDiagnosis(ctx, id);
}

/** Takes the choice back; the diagnosis itself stays. */
export function unchooseWork(ctx: Context, id: string): DiagnosisRecord {
  const entry = getDiagnosis(ctx, id);
  ctx.db.transaction(() => {
    setChosen(ctx.db, id, null);
    record(ctx, entry.studentId, 'undone', { what: 'work_chosen' });
  });
  return getDiagnosis(ctx, id);
}
