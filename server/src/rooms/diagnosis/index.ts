export { diagnosisRoutes } from './routes.ts';
export { caseOf, getDiagnosis } from './service.ts';
export { diagnosisSlice } from './sliceRepo.ts';
