export { type BodyFit, fitAt, fitBody } from './bodyFit.ts';
export { type BodyLine, type BodyLineId, bodyLines } from './bodyLines.ts';
export { FIT_LANDMARKS, type FitLandmark } from './bodyPriors.ts';
export { reportCameras } from './cameraReport.ts';
export { compareSwings, type Difference, type Laid, layTogether, sameMoment } from './compareSwings.ts';
export { dayPair } from './dayMeasures.ts';
export { clockHour, POSE_MEASURES, type PoseReader, shiftBackPeak } from './definitions.ts';
export { ellipseOf, type FloorStation, floorMap, footBearingDeg } from './floorMap.ts';
export {
  bandContext,
  golferSizes,
  MEASURES_VERSION,
  type Measure,
  type Measured,
  measureCapture,
  measuresOf,
} from './measureCapture.ts';
export type { MeasuresRecord, ReadingRecord, ReadMeasure } from './measuresRecord.ts';
export { type MeasuredTrack, measureTrack } from './measureTrack.ts';
export type { Need, NeedWhat } from './needs.ts';
export { type NextMark, nextMarks, sdsAfter } from './nextMarks.ts';
export {
  checkPicture,
  firstStep,
  levelFromGravity,
  type Picture,
  type PictureFinding,
  type PictureStep,
} from './pictureCheck.ts';
export { poolSwings, sharedShare } from './poolSwings.ts';
export { poseBetween } from './poseBetween.ts';
export { HOUSE_POSTURES, joint, type Posture, type PostureId, posed } from './posedBody.ts';
export { followStation, namedByHand } from './proposing/followStation.ts';
export { aboutStation, againAbout, framesAbout, framesPerSecond, LOOKS } from './proposing/lookPlan.ts';
export { proposeMarks, type SeenBody, type SeenPlace, seenBody, steadySides } from './proposing/proposals.ts';
export { proposeStations } from './proposing/proposedStations.ts';
export type { FoundStation, StationMoments } from './proposing/stationsTogether.ts';
export { type BodyTrack, bodyTracks, type Sighting, whoSwings } from './proposing/whoSwings.ts';
export { type LineId, referenceLines } from './referenceLines.ts';
export { type Swapped, swappedSides, swapSides } from './swappedSides.ts';
export { type Pose, poseInBands, type TargetPose, targetPoses } from './targetPose.ts';
export { bellsTogether } from './teaching/bellsTogether.ts';
export { coachErrors, type PlaceMean, placeMeans } from './teaching/coachErrors.ts';

export type { TaughtPlace } from './teaching/places.ts';
export { steadyPlaces } from './teaching/steadyPlaces.ts';
export {
  asUntaught,
  type ErrorEntry,
  errorTable,
  knownTo,
  taughtPlaces,
  UNTAUGHT,
} from './teaching/taughtPlaces.ts';
export {
  type Axis as ErrorAxis,
  FADES_IN_DAYS,
  PARTS_OF_BODY,
  partOfBody,
} from './teaching/teachTable.ts';
export { FACTORS, FRAME_KINDS, type FrameKind, frameKindOf } from './teaching/togetherTable.ts';
export { type SmoothTrack, smoothTrack } from './trackSmooth.ts';
export { findStations } from './trackStations.ts';
export { type Judged, judge, type Strength, severityOf, strengthOf, type Verdict } from './verdict.ts';
