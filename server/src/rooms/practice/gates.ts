import type { GateState } from '@inchstep/contract/practice';
import { faultById } from '@inchstep/core/diagnosis';
import { type Band, bandFor } from '@inchstep/core/intake';
import {
  type FilmedValue,
  heldBy,
  measureGate,
  readReps,
  repGate,
  type Stage,
  stageRow,
} from '@inchstep/core/practice';
import type { Drill } from '@inchstep/core/prescription';
import type { Context } from '../../platform/context.ts';
import { factsOf, getStudent, holdOf, schoolOf } from '../intake/index.ts';
import { listReadings } from '../measures/index.ts';
import { drillsInUse, libraryOf } from '../prescription/index.ts';
import { listGates, listSets, stageOf } from './service.ts';

/** Speed at which a swing must be filmed to count for a stage. */
const SPEED_OF: Partial<Record<Stage, string>> = {
  half: 'half',
  three_quarter: 'three_quarter',
  full: 'full',
};

/** Where each drill in use stands, and everything that holds it there. */
export function gateStates(ctx: Context, studentId: string): GateState[] {
  const choice = drillsInUse(ctx, studentId);
  if (!choice) return [];
  return choice.drills.map((drill) => gateState(ctx, studentId, drill, choice.at));
}

/** The repetitions have said their word and nothing but the coach's decision is missing. */
export const waitsForCoach = (g: GateState): boolean =>
  g.gate.decision !== 'continue' && !g.held.some((h) => h.code === 'pain' || h.code === 'swings');

function gateState(ctx: Context, studentId: string, drillId: string, since: string): GateState {
  const drill = libraryOf(ctx).byId(drillId) as Drill;
  const stage = stageOf(ctx, studentId, drillId);
  const from = lastDecision(ctx, studentId, drillId) ?? since;
  const reps = listSets(ctx, studentId)
    .filter((set) => set.drill === drillId && set.stage === stage && set.at >= from)
    .flatMap((set) => readReps(set.reps) ?? []);
  const gate = repGate(reps, stage);
  const moved = movedMeasure(ctx, studentId, drill);
  const swings = moved ? filmed(ctx, studentId, moved.id, stage, from) : [];
  const measured = moved ? measureGate(swings, moved.band) : { swings: 0, inBand: null, open: false };
  const held = heldBy(
    gate,
    stageRow(stage).measureGate,
    measured,
    watchOver(ctx, studentId, drill, from),
    holdOf(ctx, studentId) !== null,
  );
  return { drill: drillId, stage, gate, measure: { ...measured, id: moved?.id ?? null }, held };
}

const lastDecision = (ctx: Context, studentId: string, drill: string): string | null =>
  listGates(ctx, studentId)
    .filter((row) => row.drill === drill)
    .at(-1)?.at ?? null;

function bandContext(ctx: Context, studentId: string) {
  const student = getStudent(ctx, studentId);
  const facts = factsOf(ctx, student);
  return {
    heightIn: facts.heightIn,
    flexibility: facts.flexibility,
    armSwing: facts.armSwing,
    club: 'mid_iron' as const,
    school: schoolOf(student),
  };
}

/** The drill's first measure that pictures can show. */
function movedMeasure(ctx: Context, studentId: string, drill: Drill): { id: string; band: Band } | null {
  const id = drill.moves.find((move) => !move.startsWith('ball.'));
  return id ? { id, band: bandFor(id, bandContext(ctx, studentId)) } : null;
}

function filmed(ctx: Context, studentId: string, measure: string, stage: Stage, from: string): FilmedValue[] {
  const speed = SPEED_OF[stage];
  return listReadings(ctx, studentId)
    .filter((reading) => reading.at >= from && (!speed || reading.speed === speed))
    .flatMap((reading) => reading.measures.filter((m) => m.id === measure));
}

/** A watched measure that the latest swing shows on the far side of its band. */
function watchOver(ctx: Context, studentId: string, drill: Drill, from: string): string | null {
  const fault = drill.overdo ? faultById(drill.overdo) : undefined;
  const latest = listReadings(ctx, studentId)
    .filter((reading) => reading.at >= from)
    .at(-1);
  if (!fault || !latest) return null;
  const over = fault.evidence.find(({ finding, strength }) => {
    const [id, side] = finding.split('.');
    return strength === 3 && latest.measures.some((m) => m.id === id && m.verdict === side);
  });
  return over ? (over.finding.split('.')[0] as string) : null;
}
