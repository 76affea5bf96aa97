export { LayerSteps } from './LayerSteps.tsx';
export { LazySetupCard } from './LazySetupCard.tsx';
export { CoachLibrary, useLibrary } from './library.tsx';
export { useLibraryWords, WordsOf } from './libraryWords.tsx';
export {
  pageCard,
  useChooseDrills,
  useDrillChoices,
  useNoteFeel,
  usePrescription,
  useSetLayer,
} from './queries.ts';
export { Routine } from './Routine.tsx';
