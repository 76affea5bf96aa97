export { type BodyFit, fitBody, type SuspectMark } from './bodyFit.ts';
export { FIT_LANDMARKS, type FitLandmark } from './bodyPriors.ts';
export { type CameraAdvice, type CameraReport, reportCameras } from './cameraReport.ts';
export {
  BACK_PEAK_STATIONS,
  BEARINGS,
  clockHour,
  type GolferSizes,
  type MeasureDefinition,
  POSE_MEASURES,
  type PoseReader,
  shiftBackPeak,
  TRACK_MEASURES,
} from './definitions.ts';
export { ellipseOf, type FloorStation, floorMap, footBearingDeg, type GroundEllipse } from './floorMap.ts';
export {
  type FittedLandmark,
  type Measure,
  type Measured,
  measureCapture,
} from './measureCapture.ts';
export type { Need, NeedWhat } from './needs.ts';
export { type LineId, type ReferenceLine, referenceLines } from './referenceLines.ts';
export { otherSide, type Swapped, swappedSides, swapSides } from './swappedSides.ts';
export { type Judged, judge, type Strength, SURE, severityOf, strengthOf, type Verdict } from './verdict.ts';
