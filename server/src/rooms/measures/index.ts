export { measureRoutes } from './routes.ts';
export { freshReading, freshReadings, getReading, listReadings } from './service.ts';
export { measuresSlice } from './sliceRepo.ts';
export { Upkeep } from './upkeep.ts';
