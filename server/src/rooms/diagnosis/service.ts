import {
  asSent,
  type DiagnosisNow,
  type DiagnosisRecord,
  type newDiagnosisSchema,
} from '@inchstep/contract/diagnosis';
import {
  type CaseFile,
  type CaseFinding,
  checkCase,
  type Diagnosis,
  faultById,
  reason,
} from '@inchstep/core/diagnosis';
import { poolSwings } from '@inchstep/core/measures';
import { knownCase } from '@inchstep/core/prescription';
import type { z } from 'zod';
import { type Context, stamp } from '../../platform/context.ts';
import { orRefuse, Refusal } from '../../platform/errors.ts';
import { isKnown, once } from '../../platform/writes/once.ts';
import { getSwing } from '../capture/index.ts';
import { getStudent, record } from '../intake/index.ts';
import { freshReading, freshReadings, getReading, listReadings } from '../measures/index.ts';
import { diagnosesOf, diagnosisById, insertDiagnosis, setChosen } from './repo.ts';

/** What a case is made of: a swing or none, alone or with its day, and what was ticked or set aside. */
interface CaseAsk {
  readonly swingId: string | null;
  readonly wholeDay: boolean;
  readonly findings: readonly CaseFinding[];
  readonly setAside: readonly string[];
  /** The fault that drills are sought for; those in use for it would be replaced. */
  readonly forFault?: string;
}

const NOTHING_KNOWN: CaseAsk = { swingId: null, wholeDay: false, findings: [], setAside: [] };

/** The case of a student for one swing, for a whole day, or for looks alone. */
export function caseOf(ctx: Context, studentId: string, ask: CaseAsk = NOTHING_KNOWN): CaseFile {
  const { swingId, findings, setAside } = ask;
  const record = ctx.records.of(studentId);
  if (swingId !== null && getSwing(ctx, swingId).studentId !== studentId) throw new Refusal('not_found');
  return orRefuse(
    checkCase({
      ...knownCase(record, ask.forFault ?? null),
      club: swingId === null ? 'mid_iron' : getSwing(ctx, swingId).club,
      measures: poolSwings(swingId === null ? [] : readingsFor(ctx, swingId, ask.wholeDay))
        .filter(({ id }) => !setAside.includes(id))
        .map(({ id, value, sd }) => ({ id, value, sd })),
      // A measure set aside takes its two sides with it, also where the eye judged them.
      findings: findings.filter(
        ({ id }) => !setAside.includes(id) && !setAside.includes(id.split('.')[0] as string),
      ),
    }),
  );
}

/** Measures of a swing, or of every swing of its day with the same club and speed. */
function readingsFor(ctx: Context, swingId: string, wholeDay: boolean) {
  const one = getReading(ctx, swingId);
  if (!wholeDay) return [one.measures];
  const { studentId } = getSwing(ctx, swingId);
  const alike = listReadings(ctx, studentId).filter(
    (r) => r.recordedOn === one.recordedOn && r.club === one.club && r.speed === one.speed,
  );
  // A swing that was put away is no longer listed, yet it can be asked for.
  return (alike.some((r) => r.swingId === swingId) ? alike : [...alike, one]).map((r) => r.measures);
}

type NewDiagnosis = z.output<typeof newDiagnosisSchema>;

/** Reasons from the marks as they are now: a reading that lags behind them is made anew first. */
export async function makeDiagnosis(
  ctx: Context,
  studentId: string,
  { id, swingId, wholeDay, findings, setAside }: NewDiagnosis,
  author: string,
): Promise<DiagnosisRecord> {
  getStudent(ctx, studentId);
  const write = { id, what: 'diagnosis' as const, studentId, author };
  if (isKnown(ctx, write)) return getDiagnosis(ctx, id);
  if (swingId !== null && getSwing(ctx, swingId).studentId !== studentId) throw new Refusal('not_found');
  if (swingId !== null) await (wholeDay ? freshReadings(ctx, studentId) : freshReading(ctx, swingId));
  const asked = caseOf(ctx, studentId, { swingId, wholeDay, findings, setAside });
  const result = asSent(await ctx.jobs.run<Diagnosis>('diagnose', asked, { tooHeavy: 'work_too_heavy' }));
  const make = () => {
    const before = alone(diagnosesOf(ctx.db, studentId)[0]?.chosen ?? null);
    const chosen = before ? { ...before, carried: true } : null;
    insertDiagnosis(ctx.db, {
      id,
      studentId,
      swingId,
      wholeDay,
      at: stamp(ctx),
      findings,
      setAside,
      result,
      chosen,
    });
    record(ctx, studentId, 'diagnosed', { roots: result.roots.map((root) => root.fault), diagnosis: id });
  };
  return once(ctx, write, make, () => getDiagnosis(ctx, id));
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
  if (entry.chosen && isSame(entry.chosen, workOn, note)) return entry;
  ctx.records.write(entry.studentId, () => {
    setChosen(ctx.db, id, { workOn, note, at: stamp(ctx), carried: false, before: alone(entry.chosen) });
    record(ctx, entry.studentId, 'work_chosen', { workOn, note, diagnosis: id });
  });
  return getDiagnosis(ctx, id);
}

/** The same word sent again is one word. */
const isSame = (
  chosen: NonNullable<DiagnosisRecord['chosen']>,
  workOn: readonly string[],
  note: string,
): boolean => !chosen.carried && chosen.note === note && chosen.workOn.join() === workOn.join();

/** A choice without what stood before it. */
function alone(chosen: DiagnosisRecord['chosen']) {
  if (!chosen) return null;
  const { before: _, ...choice } = chosen;
  return choice;
}

/** Takes the choice back: what stood before it stands again. The diagnosis itself stays. */
export function unchooseWork(ctx: Context, id: string): DiagnosisRecord {
  const entry = getDiagnosis(ctx, id);
  ctx.records.write(entry.studentId, () => {
    setChosen(ctx.db, id, entry.chosen?.before ?? null);
    record(ctx, entry.studentId, 'undone', { what: 'work_chosen' });
  });
  return getDiagnosis(ctx, id);
}

/** Would the newest swing change what comes first? Null when there is no newer one. */
export function diagnosisNow(ctx: Context, id: string): DiagnosisNow | null {
  const entry = getDiagnosis(ctx, id);
  const newest = listReadings(ctx, entry.studentId).at(-1);
  if (!newest || newest.swingId === entry.swingId || newest.at <= entry.at) return null;
  const { workOn } = reason(caseOf(ctx, entry.studentId, { ...entry, swingId: newest.swingId }));
  const standing = entry.chosen?.workOn ?? entry.result.workOn;
  return {
    swingId: newest.swingId,
    recordedOn: newest.recordedOn,
    workOn: [...workOn],
    changed: workOn[0] !== standing[0],
  };
}
