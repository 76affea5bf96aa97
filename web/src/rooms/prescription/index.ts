export { LayerSteps } from './LayerSteps.tsx';
export { CoachLibrary, LibraryOf, useLibrary } from './library.tsx';
export { useLibraryWords, WordsOf } from './libraryWords.tsx';
export { useDrillChoices } from './queries.ts';
export { SetupCard } from './SetupCard.tsx';
