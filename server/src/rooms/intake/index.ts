export { holdOf, reportPain } from './holds.ts';
export { intakeRoutes } from './routes.ts';
export {
  consentMissing,
  factsOf,
  getStudent,
  listStudents,
  record,
  schoolOf,
  weekMinutes,
} from './service.ts';
