export { type BodyFit, fitAt, fitBody, type SuspectMark, type TrueState } from './bodyFit.ts';
export { type BodyLine, type BodyLineId, bodyLines } from './bodyLines.ts';
export { FIT_LANDMARKS, type FitLandmark } from './bodyPriors.ts';
export { type CameraAdvice, type CameraReport, reportCameras } from './cameraReport.ts';
export {
  compareSwings,
  type Difference,
  type Laid,
  layTogether,
  type Similarity,
  sameMoment,
  similarity,
} from './compareSwings.ts';
export { type DayMeasure, type DayPair, dayPair } from './dayMeasures.ts';
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
  bandContext,
  type FittedLandmark,
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
export { type NextMark, nextMarks, sdsAfter, type Wanted } from './nextMarks.ts';
export {
  checkPicture,
  firstStep,
  levelFromGravity,
  PICTURE_ITEMS,
  type Picture,
  type PictureFinding,
  type PictureItem,
  type PictureStep,
} from './pictureCheck.ts';
export { type Pooled, poolSwings, sharedShare } from './poolSwings.ts';
export { poseBetween } from './poseBetween.ts';
export { HOUSE_POSTURES, joint, type Posture, type PostureId, posed } from './posedBody.ts';
export { followStation, namedByHand } from './proposing/followStation.ts';
export { aboutStation, againAbout, framesAbout, framesPerSecond, LOOKS } from './proposing/lookPlan.ts';
export {
  type ProposedMark,
  proposeMarks,
  type SeenBody,
  type SeenPlace,
  seenBody,
  steadySides,
} from './proposing/proposals.ts';
export { type KnownStations, proposeStations } from './proposing/proposedStations.ts';
export type { FoundStation, StationMoments } from './proposing/stationsTogether.ts';
export {
  type BodyTrack,
  bodyTracks,
  type Sighting,
  type WhoSwings,
  whoSwings,
} from './proposing/whoSwings.ts';
export { type LineId, type ReferenceLine, referenceLines } from './referenceLines.ts';
export { otherSide, type Swapped, swappedSides, swapSides } from './swappedSides.ts';
export { type Pose, poseInBands, type TargetPose, targetPoses } from './targetPose.ts';
export { bellsTogether } from './teaching/bellsTogether.ts';
export { coachErrors, type PlaceMean, placeMeans } from './teaching/coachErrors.ts';
export { expectedErrors } from './teaching/netError.ts';
export type { TaughtPlace } from './teaching/places.ts';
export { steadyPlaces } from './teaching/steadyPlaces.ts';
export {
  asUntaught,
  type ErrorEntry,
  errorTable,
  knownTo,
  type NetPlace,
  type TeachingSwing,
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
export { type SmoothTrack, smoothTrack, zeroLag } from './trackSmooth.ts';
export { findStations, type StationFrames, type TrackProblem } from './trackStations.ts';
export { type Judged, judge, type Strength, SURE, severityOf, strengthOf, type Verdict } from './verdict.ts';
