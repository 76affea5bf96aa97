export { sweepEnclosures } from './enclosures.ts';
export { knownLetters, sendLetters } from './letters.ts';
export { openLink } from './links.ts';
export { askByPlan } from './planAsks.ts';
export { queueOf } from './queue.ts';
export { checkinRoutes } from './routes.ts';
export { checkinSlice } from './sliceRepo.ts';
