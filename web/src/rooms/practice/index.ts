export { GateDecision } from './GateDecision.tsx';
export { useGates } from './queries.ts';
export { RepPad } from './RepPad.tsx';
