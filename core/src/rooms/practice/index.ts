export { dailyCap, hasMarkedLoad, WEEKLY_WISH } from './caps.ts';
export { countedSets } from './countedSets.ts';
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
export { type HowMade, likelyMade } from './howMade.ts';
export { cardOf, layPlan, type PlanFile } from './layPlan.ts';
export { buildPlan } from './plan.ts';
export type { Give, Plan, PlanDay, PlanItem, PlanStage } from './planModel.ts';
export { checkPlan, type DoneSet, type PlanProblem, type PlanRequest } from './planRequest.ts';
export type { GateWord, KeptPlan, LoggedSet, PlanAsk, PracticeRecord } from './practiceRecord.ts';
export { missedDays, type Practised, practisedOf } from './practised.ts';
export { type NotPrescribed, notPrescribed, type SetDone } from './prescribed.ts';
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
