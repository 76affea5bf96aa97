export { diagnosisRoutes } from './routes.ts';
export { caseOf, getDiagnosis, listDiagnoses } from './service.ts';
