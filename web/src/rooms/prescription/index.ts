export { DrillEditorScreen } from './DrillEditorScreen.tsx';
export { DrillScreen } from './DrillScreen.tsx';
export { LibraryScreen } from './LibraryScreen.tsx';
export { CoachLibrary, LibraryOf, useLibrary } from './library.tsx';
export { useDrillChoices } from './queries.ts';
export { SetupCard } from './SetupCard.tsx';
