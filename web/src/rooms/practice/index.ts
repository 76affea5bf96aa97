export { CameraDesk } from './CameraDesk.tsx';
export { FullSpeedTest } from './FullSpeedTest.tsx';
export { GateDecision } from './GateDecision.tsx';
export { useGates, useSets } from './queries.ts';
export { Runner, type RunnerProps } from './Runner.tsx';
export {
  dropWaiting,
  putWaiting,
  queuesWith,
  sendWaiting,
  type WaitingSet,
  waitingSets,
} from './setQueue.ts';
export { setFrom, useLeftRuns, useRun } from './useRun.ts';
