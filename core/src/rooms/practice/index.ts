export { countedSets } from './countedSets.ts';
export { overdoneDays } from './dayLoad.ts';
export { type Rep, readReps, repGate } from './gate.ts';
export { type GateStanding, gateStates, waitsForCoach } from './gateStates.ts';
export { hasToOverride } from './held.ts';
export { type HowMade, likelyMade } from './howMade.ts';
export { opensByCount } from './ladder.ts';
export { askNow, layPlan, type PlanFile, requestOf } from './layPlan.ts';
export { type LessonNote, NOTE_TAGS, type NoteTag } from './lessonNotes.ts';
export { buildPlan } from './plan/buildPlan.ts';
export { dailyCap } from './plan/ledger.ts';
export { breachesOfMove } from './plan/moveSession.ts';
export { isSmallDiff } from './plan/planDiff.ts';
export {
  AID_USES,
  type AidUse,
  BINDING_RULES,
  type Binding,
  type Breach,
  CHANGE_KINDS,
  EMPTY_PLAN,
  EMPTY_REASONS,
  type EmptyDay,
  type GateDate,
  type Give,
  INTENTS,
  ORDERS,
  type Plan,
  type PlanChange,
  type PlanDay,
  type PlanDiff,
  type PlanItem,
  STAGE_STATES,
  UNFINISHED_REASONS,
  type Unfinished,
  WAYS_OUT,
} from './plan/planModel.ts';
export {
  checkPlan,
  EXCEPTION_KINDS,
  NOTHING_KNOWN,
  PACES,
  type PlanLog,
  type PlanRequest,
  USUAL_ASK,
} from './plan/planRequest.ts';
export { randomRequest } from './plan/randomRequest.ts';
export { calendarOf, calendarSequence } from './planCalendar.ts';
export type { GateWord, KeptPlan, LoggedSet, PracticeRecord } from './practiceRecord.ts';
export { missedDays, type Practised, practisedOf } from './practised.ts';
export { notPrescribed, type SetDone } from './prescribed.ts';
export { type PlanPack, packPlan, provePack } from './proof/planPack.ts';

export { MOST_WEEKS, MOST_WISHED, PLAN_WEEKS, SET_REPS } from './ruleNumbers.ts';
export { aroundSet, type LadderFile, standsOn } from './rung.ts';
export {
  beginRun,
  countOfRun,
  freeRun,
  layerHolds,
  type RunAction,
  type RunSet,
  type RunSpec,
  type RunState,
  type RunStep,
  run,
  runOf,
  STRIKES,
  type Strike,
  secondsPerRep,
  stepOfRun,
} from './runner.ts';
export { STAGE_ROWS, STAGES, type Stage, stageAfter, stageBefore, stageRow } from './stages.ts';
export { cardOf } from './todayCard.ts';
export { type TodayStanding, todayStanding } from './todayStanding.ts';
