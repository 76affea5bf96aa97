export { itemText } from './DayList.tsx';
export { GateTape } from './GateTape.tsx';
export { LadderScreen } from './LadderScreen.tsx';
export { useDecideGate, useGates, usePlan, useSets } from './queries.ts';
