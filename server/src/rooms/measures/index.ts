export { gistOf } from './gist.ts';
export { measureRoutes } from './routes.ts';
export { freshReading, freshReadings, getReading, listReadings, measureSwing } from './service.ts';
export { measuresSlice } from './sliceRepo.ts';
export { Upkeep } from './upkeep.ts';
