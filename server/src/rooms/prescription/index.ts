export { prescriptionRoutes } from './routes.ts';
export { drillsInUse, listChoices } from './service.ts';
