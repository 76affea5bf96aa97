export { AskNext, useAskNext } from './AskNext.tsx';
export { GatesAlong, useGatesAlong } from './GatesAlong.tsx';
export { useWrite } from './queries.ts';
export { StudentLinkPanel } from './StudentLinkPanel.tsx';
export { ThenAndNow } from './ThenAndNow.tsx';
