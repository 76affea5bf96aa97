export { measureRoutes } from './routes.ts';
export { getReading, listReadings, measureSwing } from './service.ts';
