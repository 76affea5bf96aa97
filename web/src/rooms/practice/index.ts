export { CameraDesk } from './CameraDesk.tsx';
export { FullSpeedTest } from './FullSpeedTest.tsx';
export { GateDecision } from './GateDecision.tsx';
export { useGates } from './queries.ts';
export { Runner, type RunnerProps } from './Runner.tsx';
export {
  dropRefused,
  dropWaiting,
  putWaiting,
  sendWaiting,
  type WaitingSet,
  waitingSets,
} from './setQueue.ts';
export { setFrom, useRun } from './useRun.ts';
