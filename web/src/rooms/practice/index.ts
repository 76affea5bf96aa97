export { CameraDesk } from './CameraDesk.tsx';
export { Runner } from './count/Runner.tsx';
export { dropWaiting, putWaiting, waitingSets } from './count/setQueue.ts';
export { useLeftRuns, useRun } from './count/useRun.ts';
export { FullSpeedCheck } from './FullSpeedCheck.tsx';
export { GateDecision } from './GateDecision.tsx';
export { useGates, useSets } from './queries.ts';
