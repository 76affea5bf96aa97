export { measureRoutes } from './routes.ts';

export { getReading, listReadings, measureSwing } from './service.ts';
export { baselineAndLast, latestBand, type MeasuredSession, sessionsOf } from './sessions.ts';
