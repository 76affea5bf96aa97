export { CameraStep } from './CameraStep.tsx';
export { exportPair } from './exportPair.ts';
export { Live } from './LiveScreen.tsx';
export { MeasureLine, MeasureTapes } from './MeasureTapes.tsx';
export { PictureCheck } from './PictureCheck.tsx';
export { type PairStage, pairPicture } from './pairStage.ts';
export { useReadings } from './queries.ts';
export { SwingPair } from './SwingPair.tsx';
