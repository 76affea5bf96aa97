export { CAMERA_SIZE, type CameraFrame, type CameraPrior, cameraFrame, cameraPrior } from './camera.ts';
export {
  type CameraKnowledge,
  type Capture,
  type Mark,
  type Moving,
  mirrorToRightHanded,
  type View,
} from './capture.ts';
export { AID_STATES, type AidState, type CaptureRecord, CUE_STATES, type CueState } from './captureRecord.ts';
export { checkCapture, stationsOutOfOrder } from './checkCapture.ts';
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
export { LOOK_TROUBLES, type LookTrouble, takeState, viewsToLook } from './looks.ts';
export { MOTION_UNITS, type Motion, type RawMotion } from './motion.ts';
export { readC3d } from './motionC3d.ts';
export { type MotionReading, toGround } from './motionFrame.ts';
export { readMotionTable, readTrc } from './motionText.ts';
export { guessOffset, type PressureTrace, pressureAtStations, readPressure } from './pressure.ts';
export { type Picture, type Projection, project, projectWithSlopes } from './projection.ts';
export {
  SHOT_FIELD_IDS,
  SHOT_FIELDS,
  SHOT_UNITS,
  type ShotField,
  type ShotFieldId,
  type ShotUnit,
  shotField,
} from './shotFields.ts';
export { describeShots, FEWEST_SHOTS, type ShotSign, shotSigns } from './shotSigns.ts';
export { type ColumnMatch, type GuessedMatch, guessColumns, readShots, type Shot } from './shots.ts';
export { FOUND_STATIONS, MAIN_STATIONS, STATIONS, type Station, stationRank } from './stations.ts';
export {
  type EarState,
  hear,
  LISTENING,
  levelOf,
  QUIET_EAR,
  type SoundBlock,
  STRIKE_RULES,
  type StrikeEar,
} from './strike.ts';
export {
  arrive,
  askTake,
  type CameraDesk,
  type ClockPing,
  clockAhead,
  EMPTY_DESK,
  present,
  seen,
  TAKE_SECONDS,
  takesToFilm,
} from './takes.ts';
