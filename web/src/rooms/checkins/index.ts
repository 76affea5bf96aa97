export { AskFields } from './AskFields.tsx';
export { useFilmRequests } from './queries.ts';
export { ThenAndNow } from './ThenAndNow.tsx';
