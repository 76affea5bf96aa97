export { AddClip } from './AddClips.tsx';
export {
  type BenchAction,
  type BenchState,
  bench,
  markAt,
  type SwingWork,
  startBench,
} from './benchState.ts';
export { CameraForm } from './CameraForm.tsx';
export { MarkList } from './MarkList.tsx';
export {
  clipUrl,
  measureSwing,
  saveSwing,
  useClips,
  useDiscardSwing,
  useNewSwing,
  useSwing,
  useSwings,
} from './queries.ts';
export { StationRail } from './StationRail.tsx';
export { type BenchHands, useBenchKeys } from './useBenchKeys.ts';
export { useFit } from './useFit.ts';
export { type Frames, useFrames } from './useFrames.ts';
export { ViewPane } from './ViewPane.tsx';
export { viewOf } from './viewOf.ts';
