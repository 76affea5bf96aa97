export { openLink } from './links.ts';
export { movedMeasures } from './moved.ts';
export { checkinRoutes } from './routes.ts';
export { checkinDays, knownLetters, lastCheckin, listCheckins, makeMails } from './service.ts';
