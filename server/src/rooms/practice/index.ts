export { gateStates } from './gates.ts';
export { practiceRoutes } from './routes.ts';
export { count, currentPlan, dayOfCard, listGates, listPlans, listSets, logSet, stageOf } from './service.ts';
