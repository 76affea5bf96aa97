export { feelPage } from './feels.ts';
export { noteRung } from './history.ts';
export { libraryOf, libraryWords, ownAmong } from './library.ts';
export { cardQuery, prescriptionRoutes } from './routes.ts';
export { drillsInUse, listChoices, setupCard } from './service.ts';
