export { cameraKey } from './cameras.ts';
export { notesIn, setsIn } from './notes.ts';
export { feltSince, strikesSince } from './repo.ts';
export { practiceRoutes } from './routes.ts';
export {
  decideGate,
  dropPlan,
  likelyHowMade,
  livePlan,
  logSet,
  packedPlan,
  printedWeek,
  savePlan,
  takeBackGate,
} from './service.ts';
export { practiceSlice, type SetsFrom, setsSince } from './sliceRepo.ts';
