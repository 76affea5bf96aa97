export { openLink } from './links.ts';
export { queueOf } from './queue.ts';
export { checkinRoutes } from './routes.ts';
export { knownLetters, makeMails } from './service.ts';
export { checkinSlice } from './sliceRepo.ts';
