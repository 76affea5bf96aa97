export { DrillScreen } from './DrillScreen.tsx';
export { useDrillChoices } from './queries.ts';
export { SetupCard } from './SetupCard.tsx';
