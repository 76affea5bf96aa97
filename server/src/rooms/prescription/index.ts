export { noteRung } from './history.ts';
export { cardQuery, prescriptionRoutes } from './routes.ts';
export { drillsInUse, listChoices, setupCard } from './service.ts';
