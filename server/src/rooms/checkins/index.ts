export { movedMeasures } from './moved.ts';
export { checkinRoutes } from './routes.ts';
export { checkinDays, lastCheckin, listCheckins } from './service.ts';
