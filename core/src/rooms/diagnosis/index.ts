export {
  bandContextOf,
  type CaseFile,
  type CaseProblem,
  checkCase,
  type DrillGain,
  type DrillHistory,
  type DrillRecord,
} from './caseFile.ts';
export { BALL_SIGNS, CAUSES, type Cause, downstreamOf } from './causeTable.ts';
export { compareDiagnoses, type FaultChange, type FaultCourse } from './compare.ts';
export {
  type Diagnosis,
  diagnose,
  gatherEvidence,
  type LeftAlone,
  type Root,
  reason,
} from './diagnose.ts';
export type { DiagnosisEntry, DiagnosisRecord } from './diagnosisRecord.ts';
export type { CaseFinding, CaseMeasure, Evidence } from './evidence.ts';
export {
  BLOCKERS,
  FAULTS,
  type Fault,
  type FaultId,
  faultById,
  LEADING_MEASURES,
  LESS_WANTED,
  PHASES,
  type Phase,
} from './faultTable.ts';
export { type FeltAgainst, feltAgainst } from './feltAgainst.ts';
export {
  BALL_FINDINGS,
  type BallFindingId,
  FINDING_IDS,
  type FindingId,
  isBallFinding,
  isFinding,
  type LookId,
  MEASURE_FINDINGS,
  SEEN_FINDINGS,
} from './findings.ts';
export { CAUSE_POWER, FINDING_POWER, type FindingLink, findingLinks } from './network.ts';
export type { NextLook } from './nextLook.ts';
export { referenceCase } from './referenceCase.ts';
export { BELIEVED, phaseRank } from './roots.ts';
export type { Weighed } from './weigh.ts';
