export { CameraStep } from './CameraStep.tsx';
export { Live } from './LiveScreen.tsx';
export { MeasureLine, MeasureTapes, type ShownMeasure } from './MeasureTapes.tsx';
export { PictureCheck } from './PictureCheck.tsx';
export { useReadings } from './queries.ts';
