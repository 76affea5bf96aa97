import type { PlanAsk, PlanRecord, SetLog, StoredSet } from '@inchstep/contract/practice';
import {
  buildPlan,
  checkPlan,
  type Plan,
  type Stage,
  stageAfter,
  stageBefore,
} from '@inchstep/core/practice';
import { type Context, stamp, today } from '../../platform/context.ts';
import { orRefuse, Refusal } from '../../platform/errors.ts';
import { caseOf } from '../diagnosis/index.ts';
import { getStudent, holdOf, record } from '../intake/index.ts';
import { drillsInUse, libraryOf, noteRung } from '../prescription/index.ts';
import { type GateRow, gatesOf, insertGate, insertPlan, insertSet, plansOf, setsOf } from './repo.ts';

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

export function savePlan(ctx: Context, studentId: string, id: string, ask: PlanAsk): PlanRecord {
  const known = plansOf(ctx.db, studentId).find((plan) => plan.id === id);
  if (known) return known;
  const { drills, plan } = previewPlan(ctx, studentId, ask);
  const entry: PlanRecord = { id, studentId, at: stamp(ctx), drills, ask, plan };
  ctx.db.transaction(() => {
    insertPlan(ctx.db, entry);
    record(ctx, studentId, 'planned', { drills, days: plan.days.length });
  });
  return entry;
}

export const currentPlan = (ctx: Context, studentId: string): PlanRecord | null => {
  getStudent(ctx, studentId);
  return plansOf(ctx.db, studentId)[0] ?? null;
};

export const listPlans = (ctx: Context, studentId: string): PlanRecord[] => plansOf(ctx.db, studentId);
export const listSets = (ctx: Context, studentId: string): StoredSet[] => setsOf(ctx.db, studentId);
export const listGates = (ctx: Context, studentId: string): GateRow[] => gatesOf(ctx.db, studentId);

/** Logs a set once, however often it is sent. From the day of a pain hold on every drill is stopped. */
export function logSet(ctx: Context, studentId: string, set: SetLog, from: StoredSet['from']): StoredSet {
  getStudent(ctx, studentId);
  const known = setsOf(ctx.db, studentId).find(({ id }) => id === set.id);
  if (known) return known;
  const hold = holdOf(ctx, studentId);
  if (hold && set.date >= hold.at.slice(0, 10)) throw new Refusal('pain_hold');
  if (!libraryOf(ctx).byId(set.drill)) throw new Refusal('unknown_drill', { id: set.drill }, 'drill');
  if (set.date > today(ctx)) throw new Refusal('date_in_future', { value: set.date }, 'date');
  const stored: StoredSet = { ...set, from, at: stamp(ctx) };
  insertSet(ctx.db, studentId, stored);
  return stored;
}

/** The rung a drill stands on: the first, moved by the coach's decisions. */
export function stageOf(ctx: Context, studentId: string, drill: string): Stage {
  let stage: Stage = 'still';
  for (const row of gatesOf(ctx.db, studentId)) {
    if (row.drill !== drill) continue;
    if (row.decision === 'advance') stage = stageAfter(row.stage) ?? row.stage;
    if (row.decision === 'back') stage = stageBefore(row.stage) ?? row.stage;
  }
  return stage;
}

export function decideGate(ctx: Context, studentId: string, row: Omit<GateRow, 'studentId' | 'at'>): void {
  getStudent(ctx, studentId);
  if (holdOf(ctx, studentId) && row.decision === 'advance') throw new Refusal('pain_hold');
  ctx.db.transaction(() => {
    insertGate(ctx.db, { ...row, studentId, at: stamp(ctx) });
    noteRung(ctx, studentId, row.drill, stageOf(ctx, studentId, row.drill));
    record(ctx, studentId, 'gate', {
      drill: row.drill,
      stage: row.stage,
      decision: row.decision,
      note: row.note,
    });
  });
}
