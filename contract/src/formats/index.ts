export { diagnosisAnswer, measuresAnswer, planAnswer, prescriptionAnswer } from './answers.ts';
export {
  bandEditSchema,
  type CaptureDocument,
  cameraSchema,
  captureSchema,
  golferSchema,
  groundMarkSchema,
  markSchema,
  movingSchema,
  plain,
  type SchoolInput,
  schoolAnswersSchema,
  schoolSchema,
  toCapture,
  toCaptureDocument,
  viewSchema,
  wholeSchoolSchema,
} from './captureFormat.ts';
export {
  type CaseDocument,
  caseSchema,
  changeSchema,
  findingSchema,
  gateSchema,
  type PlanDocument,
  passesOverReps,
  planCaseSchema,
  planningSchema,
  simulateSchema,
  studentFactsSchema,
  toCase,
  toPlanRequest,
} from './caseFormat.ts';
export {
  type DrillForm,
  drillSchema,
  drillsSchema,
  drillWordsSchema,
  keptDrillSchema,
  type OwnDrillDocument,
  ownDrillSchema,
} from './drillsFormat.ts';
export { progressCsv, type RosterProgress, rosterProgressCsv } from './progressTable.ts';
export { pathText, readDocument } from './read.ts';
export { motionCsv, pressureCsv, readCsv, SHOT_COLUMN, shotsCsv } from './tables.ts';
export { toDrill } from './toDrill.ts';
