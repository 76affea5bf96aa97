export { type AmountBody, type AmountId, amountsFor, type ClubAmount } from './amountsByClub.ts';
export { checkDrill } from './checkDrill.ts';
export { BODY_LENGTHS, type BodyLength, distanceFor } from './distance.ts';
export { type Drawing, drawSetup, sceneOf } from './drawing.ts';

export { addOutcomes, drillHistory, STALLED_AFTER_DAYS } from './drillOutcomes.ts';
export {
  type AnyDrillId,
  DRILLS,
  type Drill,
  type DrillHabits,
  type DrillId,
  drillById,
  isDrillId,
  isOwnDrillId,
  type LoadClass,
  USUAL_HABITS,
} from './drillTable.ts';
export {
  FEEL_SIDES,
  type FeelRecord,
  type FeelSide,
  type FeelSizing,
  feelRecordOf,
  feelSizingFor,
  wantedSide,
} from './feelSizing.ts';
export { type MoveFigure, stillFigure } from './figureParts.ts';
export { knownCase } from './knownCase.ts';
export { HOUSE_LIBRARY, type Library, libraryAlong, libraryWith, ownDrillsOf } from './library.ts';
export { figureOf } from './moveFigure.ts';
export type { Prescribed } from './offers.ts';
export type { Opening } from './openings.ts';
export { trainsTurnThrough } from './prerequisites.ts';
export { matchDrills, type Prescription, prescribe } from './prescribe.ts';
export {
  type CheckpointWord,
  type ChosenDrills,
  inUse,
  type PrescriptionRecord,
} from './prescriptionRecord.ts';
export { type QuarrelCode, quarrelBetween } from './quarrels.ts';
export { type RoutineStep, routineFor } from './routine.ts';
export { type Caution, cautionsFor, drillsClash, LIMIT_OF_LOAD, loadsOf, refusalsOf } from './rules.ts';

export { type SetupValue, setupFor, stanceByClub } from './setupCard.ts';
export type { Point, Shape, Tone, ViewId } from './shapes.ts';
export { tellingMeasures } from './tellingMeasures.ts';
