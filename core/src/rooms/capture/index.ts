export {
  CAMERA_SIZE,
  type CameraFrame,
  type CameraPrior,
  type CameraVector,
  cameraFrame,
  cameraPrior,
} from './camera.ts';
export {
  type CameraKnowledge,
  type Capture,
  type Golfer,
  type GroundMark,
  type Mark,
  mirrorToRightHanded,
  type View,
} from './capture.ts';
export {
  type CaptureProblem,
  checkCapture,
  type StationTimes,
  stationsOutOfOrder,
} from './checkCapture.ts';
export {
  BALL_CENTRE_HEIGHT_IN,
  LANDMARKS,
  type Landmark,
  MARKS_WANTED,
  SIGHT_SD_PX,
  type Sight,
  STICK_PLACES,
  sightSdPx,
} from './landmarks.ts';
export {
  type Picture,
  type Projection,
  type ProjectionSlopes,
  project,
  projectWithSlopes,
} from './projection.ts';
export { MAIN_STATIONS, STATIONS, type Station, stationRank } from './stations.ts';
