export { Live } from './LiveScreen.tsx';
export { MeasureLine, MeasureTapes, type ShownMeasure } from './MeasureTapes.tsx';
export { useReadings } from './queries.ts';
