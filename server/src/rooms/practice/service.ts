import type { PlanAsk, PlanRecord, SetLog, StoredSet } from '@inchstep/contract/practice';
import { plusDays } from '@inchstep/core/foundation';
import {
  buildPlan,
  checkPlan,
  type Plan,
  type PlanDay,
  rungOf,
  type Stage,
  todayCard,
} from '@inchstep/core/practice';
import { type Context, stamp, today } from '../../platform/context.ts';
import { orRefuse, Refusal } from '../../platform/errors.ts';
import { caseOf } from '../diagnosis/index.ts';
import { getStudent, holdOf, once, onThisClock, record, refuseInPain } from '../intake/index.ts';
import { drillsInUse, libraryOf, noteRung } from '../prescription/index.ts';
import {
  type GateRow,
  gatesOf,
  insertGate,
  insertPlan,
  insertSet,
  plansOf,
  setById,
  setsOf,
} from './repo.ts';

/** A plan for the drills in use, from the asked days; what was done already is kept. */
export function previewPlan(ctx: Context, studentId: string, ask: PlanAsk): { drills: string[]; plan: Plan } {
  if (ask.start < today(ctx)) throw new Refusal('date_in_past', { value: ask.start }, 'start');
  const choice = drillsInUse(ctx, studentId);
  if (!choice) throw new Refusal('no_drills');
  const sets = setsOf(ctx.db, studentId);
  const request = orRefuse(
    checkPlan({
      file: caseOf(ctx, studentId),
      drills: choice.drills,
      ...ask,
      done: sets.map((set) => ({
        date: set.date,
        drill: set.drill,
        stage: set.stage,
        reps: set.reps.length,
        passes: count(set.reps, 'P'),
      })),
      missed: [],
      library: libraryOf(ctx),
      reached: Object.fromEntries(choice.drills.map((drill) => [drill, stageOf(ctx, studentId, drill)])),
    }),
  );
  return { drills: choice.drills, plan: buildPlan(request) };
}

export const count = (reps: string, letter: string): number =>
  [...reps].filter((rep) => rep === letter).length;

export function savePlan(
  ctx: Context,
  studentId: string,
  id: string,
  ask: PlanAsk,
  author: string,
): PlanRecord {
  return once(
    ctx,
    { id, what: 'plan', studentId, author },
    () => {
      const { drills, plan } = previewPlan(ctx, studentId, ask);
      insertPlan(ctx.db, { id, studentId, at: stamp(ctx), drills, ask, plan });
      record(ctx, studentId, 'planned', { drills, days: plan.days.length });
    },
    () => plansOf(ctx.db, studentId).find((plan) => plan.id === id) as PlanRecord,
  );
}

export const currentPlan = (ctx: Context, studentId: string): PlanRecord | null => {
  getStudent(ctx, studentId);
  return plansOf(ctx.db, studentId)[0] ?? null;
};

export const listPlans = (ctx: Context, studentId: string): PlanRecord[] => plansOf(ctx.db, studentId);
export const listSets = (ctx: Context, studentId: string): StoredSet[] => setsOf(ctx.db, studentId);
export const listGates = (ctx: Context, studentId: string): GateRow[] => gatesOf(ctx.db, studentId);

export interface SetSender {
  readonly from: StoredSet['from'];
  readonly author: string;
  /** What the sender's clock said when it sent. */
  readonly sentAt: string | null;
}

/** Logs a set once, however often it is sent. What was done while a pain report stood is refused. */
export function logSet(
  ctx: Context,
  studentId: string,
  set: SetLog,
  { from, author, sentAt }: SetSender,
): StoredSet {
  getStudent(ctx, studentId);
  return once(
    ctx,
    { id: set.id, what: 'set', studentId, author },
    () => {
      const doneAt = onThisClock(ctx, studentId, set.doneAt, sentAt);
      refuseInPain(ctx, studentId, { doneAt, date: set.date });
      if (!libraryOf(ctx).byId(set.drill)) throw new Refusal('unknown_drill', { id: set.drill }, 'drill');
      // Where the student is, the day may be a day ahead of the coach's.
      const latest = from === 'student' ? plusDays(today(ctx), 1) : today(ctx);
      if (set.date > latest) throw new Refusal('date_in_future', { value: set.date }, 'date');
      insertSet(ctx.db, studentId, { ...set, doneAt, from, at: stamp(ctx) });
    },
    () => setById(ctx.db, set.id) as StoredSet,
  );
}

/** What the student's card says today, from the rungs the drills really stand on. */
export function dayOfCard(ctx: Context, studentId: string): PlanDay | null {
  const kept = currentPlan(ctx, studentId);
  const drills = drillsInUse(ctx, studentId)?.drills ?? [];
  const gates = gatesOf(ctx.db, studentId);
  const rungs = Object.fromEntries(drills.map((drill) => [drill, rungOf(gates, drill)]));
  const day = today(ctx);
  return todayCard(kept?.plan ?? null, rungs, day, () => {
    const ask = kept?.ask as PlanAsk;
    const nextLesson = ask.nextLesson !== null && ask.nextLesson >= day ? ask.nextLesson : null;
    return drills.length === 0
      ? NOTHING
      : previewPlan(ctx, studentId, { ...ask, start: day, nextLesson }).plan;
  });
}

const NOTHING: Plan = { stages: [], days: [], gives: [], reviewDates: [] };

export const stageOf = (ctx: Context, studentId: string, drill: string): Stage =>
  rungOf(gatesOf(ctx.db, studentId), drill);

export function decideGate(
  ctx: Context,
  studentId: string,
  row: Omit<GateRow, 'studentId' | 'at'>,
  author: string,
): void {
  getStudent(ctx, studentId);
  const decide = () => {
    if (holdOf(ctx, studentId) && row.decision === 'advance') throw new Refusal('pain_hold');
    insertGate(ctx.db, { ...row, studentId, at: stamp(ctx) });
    noteRung(ctx, studentId, row.drill, stageOf(ctx, studentId, row.drill));
    record(ctx, studentId, 'gate', {
      drill: row.drill,
      stage: row.stage,
      decision: row.decision,
      note: row.note,
    });
  };
  once(ctx, { id: row.id, what: 'gate', studentId, author }, decide, () => undefined);
}
