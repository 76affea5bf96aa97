export { holdOf, onThisClock, refuseInPain, reportPain } from './holds.ts';
export { isKnown, once } from './once.ts';
export { intakeRoutes } from './routes.ts';
export {
  consentMissing,
  factsOf,
  getStudent,
  listStudents,
  record,
  refuseWithoutConsent,
  schoolOf,
  weekMinutes,
} from './service.ts';
