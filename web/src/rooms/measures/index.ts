export { BenchScreen } from './BenchScreen.tsx';
export { CompareScreen } from './CompareScreen.tsx';
export { LiveScreen } from './LiveScreen.tsx';
export { MeasureLine, MeasureTapes, type ShownMeasure } from './MeasureTapes.tsx';
export { useReadings } from './queries.ts';
