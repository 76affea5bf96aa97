export { CameraDesk } from './CameraDesk.tsx';
export { CoachCount } from './count/CoachCount.tsx';
export { Runner } from './count/Runner.tsx';
export { dropWaiting, putWaiting, waitingSets } from './count/setQueue.ts';
export { useLeftRuns, useRun } from './count/useRun.ts';
export { FullSpeedTest } from './FullSpeedTest.tsx';
export { GateDecision } from './GateDecision.tsx';
export { useGates, useSets } from './queries.ts';
