export { type CaseFile, checkCase, type DrillGain, type DrillHistory, type DrillRecord } from './caseFile.ts';
export { CAUSES, downstreamOf } from './causeTable.ts';
export { compareDiagnoses, type FaultCourse } from './compare.ts';
export { type Diagnosis, diagnose, type Root, reason } from './diagnose.ts';
export type { DiagnosisEntry, DiagnosisRecord } from './diagnosisRecord.ts';
export type { CaseFinding } from './evidence.ts';
export {
  BLOCKERS,
  FAULTS,
  type FaultId,
  faultById,
  LEADING_MEASURES,
  LESS_WANTED,
  PHASES,
  type Phase,
} from './faultTable.ts';
export { feltAgainst } from './feltAgainst.ts';
export {
  BALL_FINDINGS,
  type BallFindingId,
  FINDING_IDS,
  isBallFinding,
  type LookId,
  SEEN_FINDINGS,
} from './findings.ts';
export { CAUSE_POWER, FINDING_POWER, findingLinks } from './network.ts';
export type { NextLook } from './nextLook.ts';
export { referenceCase } from './referenceCase.ts';
export { BELIEVED, phaseRank } from './roots.ts';
