export { diagnosisRoutes } from './routes.ts';
export { caseOf, getDiagnosis, listDiagnoses } from './service.ts';
export { diagnosisSlice } from './sliceRepo.ts';
