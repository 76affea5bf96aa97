export { gateStates, waitsForCoach } from './gates.ts';
export { practiceRoutes } from './routes.ts';
export { count, currentPlan, listGates, listPlans, listSets, logSet, stageOf } from './service.ts';
