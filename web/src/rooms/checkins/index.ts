export { AskFields } from './AskFields.tsx';
export { AskNext, useAskNext } from './AskNext.tsx';
export { GatesAlong, useGatesAlong } from './GatesAlong.tsx';
export { useFilmRequests, useWrite } from './queries.ts';
export { ThenAndNow } from './ThenAndNow.tsx';
