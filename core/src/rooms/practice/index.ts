export { dailyCap, hasMarkedLoad, WEEKLY_WISH } from './caps.ts';
export {
  countsAdvance,
  type FilmedValue,
  GATE_CAP,
  type GateDecision,
  type Held,
  heldBy,
  type MeasureGate,
  measureGate,
  type Rep,
  readReps,
  repGate,
} from './gate.ts';
export { type GateFile, type GateStanding, gateStates, waitsForCoach } from './gateStates.ts';
export { buildPlan } from './plan.ts';
export type { Give, Plan, PlanDay, PlanItem, PlanStage } from './planModel.ts';
export { checkPlan, type DoneSet, type PlanProblem, type PlanRequest } from './planRequest.ts';
export type { GateWord, InUse, LoggedSet, PracticeRecord } from './practiceRecord.ts';
export { rungOf } from './rung.ts';
export {
  REHEARSALS_PER_BALL,
  SECONDS,
  STAGE_ROWS,
  STAGES,
  type Stage,
  stageAfter,
  stageBefore,
  stageRow,
} from './stages.ts';
export { todayCard } from './todayCard.ts';
