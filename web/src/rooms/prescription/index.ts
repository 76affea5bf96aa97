export { DrillScreen } from './DrillScreen.tsx';
export { LibraryScreen } from './LibraryScreen.tsx';
export { useDrillChoices } from './queries.ts';
export { SetupCard } from './SetupCard.tsx';
