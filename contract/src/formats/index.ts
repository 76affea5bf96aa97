export { diagnosisAnswer, measuresAnswer, planAnswer, prescriptionAnswer } from './answers.ts';
export {
  bandEditSchema,
  cameraSchema,
  captureSchema,
  groundMarkSchema,
  movingSchema,
  plain,
  schoolAnswersSchema,
  schoolSchema,
  toCapture,
  toCaptureDocument,
  wholeSchoolSchema,
} from './captureFormat.ts';
export {
  caseSchema,
  changeSchema,
  findingSchema,
  gateSchema,
  passesOverReps,
  planCaseSchema,
  simulateSchema,
  toCase,
  toPlanRequest,
} from './caseFormat.ts';
export {
  type DrillForm,
  drillsSchema,
  drillWordsSchema,
  keptDrillSchema,
  type OwnDrillDocument,
  ownDrillSchema,
} from './drillsFormat.ts';
export { progressCsv, type RosterProgress, rosterProgressCsv } from './progressTable.ts';
export { pathText, readDocument } from './read.ts';
export { motionCsv, pressureCsv, readCsv, shotsCsv } from './tables.ts';
export { toDrill } from './toDrill.ts';
