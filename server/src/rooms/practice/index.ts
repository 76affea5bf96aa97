export { practiceRoutes } from './routes.ts';
export { currentPlan, logSet } from './service.ts';
export { practiceSlice, type SetsFrom, setsSince } from './sliceRepo.ts';
