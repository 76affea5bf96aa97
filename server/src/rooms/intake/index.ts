export { holdOf, onThisClock, refuseInPain, reportPain } from './holds.ts';
export { isKnown, once, onceTogether } from './once.ts';
export { intakeRoutes } from './routes.ts';
export { resolvedSchool } from './schools.ts';
export {
  consentMissing,
  getStudent,
  listStudents,
  record,
  refuseWithoutConsent,
} from './service.ts';
export { intakeSlice } from './sliceRepo.ts';
