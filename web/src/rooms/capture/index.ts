export { AddClip } from './AddClips.tsx';
export { AutoMarks } from './AutoMarks.tsx';
export { BringIn } from './BringIn.tsx';
export { type BenchState, bench, markAt, type SwingWork, startBench } from './benchState.ts';
export { CameraForm } from './CameraForm.tsx';
export { ConsentFirst } from './ConsentFirst.tsx';
export { holdForBench } from './clipReader.ts';
export { useShotSet, useShots, useTrackCsv } from './deviceQueries.ts';
export { FromWhere } from './FromWhere.tsx';
export type { FrameReader, OpenedClip } from './frames.worker.ts';
export { framesThread } from './framesThread.ts';
export { HowMade, HowMadeLine, madeOf } from './HowMade.tsx';
export type { Guess, PictureLine } from './inPicture.ts';
export { GhostLayer, LineLayer } from './LineLayer.tsx';
export { type Listening, listen } from './listen.ts';
export { useLookNow } from './lookNow.ts';
export { MarkList } from './MarkList.tsx';
export { NextMarkPanel, worthMarking } from './NextMarkPanel.tsx';
export { PressurePanel } from './PressurePanel.tsx';
export {
  clipUrl,
  measureSwing,
  saveSwing,
  useClips,
  useDiscardSwing,
  useNetworkErrors,
  useNewSwing,
  useSwing,
  useSwings,
} from './queries.ts';
export { recordTake, type Take } from './recordTake.ts';
export { type Rolling, rollingTake } from './rollingTake.ts';
export { ShotsPanel } from './ShotsPanel.tsx';
export { StationRail } from './StationRail.tsx';
export { type BenchHands, useBenchKeys } from './useBenchKeys.ts';
export { type CameraState, useCamera } from './useCamera.ts';
export { useCameraList } from './useCameraList.ts';
export { useDelay } from './useDelay.ts';
export { type Frames, useFrames } from './useFrames.ts';
export { useMade } from './useMade.ts';

export { ViewPane } from './ViewPane.tsx';
export { SPEED_WORDS } from './words.ts';
