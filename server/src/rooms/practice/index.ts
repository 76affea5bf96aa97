export { cameraKey } from './cameras.ts';
export { notesIn, setsIn } from './notes.ts';
export { practiceRoutes } from './routes.ts';
export { decideGate, livePlan, logSet, packedPlan, printedWeek } from './service.ts';
export { practiceSlice, type SetsFrom, setsSince } from './sliceRepo.ts';
