export { filesInUse } from './filesInUse.ts';
export { keepHouse } from './housekeeping.ts';
export { careRoutes } from './routes.ts';
export { Runs } from './runs.ts';
export { clearArrivals } from './takeIn.ts';
