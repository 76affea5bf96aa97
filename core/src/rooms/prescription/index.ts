export { type AmountBody, type AmountId, amountsFor, type ClubAmount } from './amountsByClub.ts';
export { checkDrill, type DrillProblem } from './checkDrill.ts';
export { BODY_LENGTHS, type BodyLength, distanceFor, type SetupDistance } from './distance.ts';
export { type DrawAsk, type Drawing, drawSetup, type Scene, sceneOf } from './drawing.ts';
export type { DrillLayer } from './drillLayers.ts';
export { addOutcomes, drillHistory, STALLED_AFTER_DAYS } from './drillOutcomes.ts';
export {
  type AnyDrillId,
  type BallUse,
  DRILLS,
  type Drill,
  type DrillHabits,
  type DrillId,
  drillById,
  isDrillId,
  isOwnDrillId,
  type LoadClass,
  type OwnDrillId,
  USUAL_HABITS,
} from './drillTable.ts';
export {
  FEEL_SIDES,
  type FeelRecord,
  type FeelSide,
  type FeelSizing,
  feelRecordOf,
  feelSizing,
  feelSizingFor,
  wantedSide,
} from './feelSizing.ts';
export { type MoveFigure, stillFigure } from './figureParts.ts';
export { knownCase } from './knownCase.ts';
export {
  HOUSE_LIBRARY,
  type Library,
  libraryAlong,
  libraryWith,
  type OwnDrill,
  ownDrillsOf,
} from './library.ts';
export { type FigureAsk, figureOf } from './moveFigure.ts';
export type { Prescribed } from './offers.ts';
export { type Opening, openings } from './openings.ts';
export { trainsTurnThrough } from './prerequisites.ts';
export { type FirstThing, matchDrills, type Prescription, prescribe } from './prescribe.ts';
export {
  type CheckpointWord,
  type ChosenDrills,
  inUse,
  type PrescriptionRecord,
} from './prescriptionRecord.ts';
export { QUARRELS, type QuarrelCode, quarrelBetween } from './quarrels.ts';
export { ROUTINE_STEPS, type RoutineStep, routineFor } from './routine.ts';
export {
  type Caution,
  cautionsFor,
  drillsClash,
  LIMIT_OF_LOAD,
  loadsOf,
  type Refusal,
  type RuleCode,
  refusalsOf,
  watchesFor,
} from './rules.ts';
export type { ScorePart } from './score.ts';
export { type SetupValue, setupFor, stanceByClub, stanceIn } from './setupCard.ts';
export type { Point, Shape, Tone, ViewId } from './shapes.ts';
export { tellingMeasures } from './tellingMeasures.ts';
