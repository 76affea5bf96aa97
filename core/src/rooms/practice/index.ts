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
  readReps,
  type Rep,
  repGate,
} from './gate.ts';
export { buildPlan, type Give, type Plan, type PlanDay, type PlanItem, type PlanStage } from './plan.ts';
export { checkPlan, type DoneSet, type PlanProblem, type PlanRequest } from './planRequest.ts';
export { REHEARSALS_PER_BALL, SECONDS, STAGE_ROWS, STAGES, type Stage, stageAfter, stageBefore, stageRow } from './stages.ts';
