export {
  type CameraSpec,
  look,
  makeCamera,
  makeMarks,
  mirrorView,
  STICK_ENDS,
  type StandInCamera,
} from './devices/camera.ts';
export { FAULT_EFFECTS, type FaultGrades } from './golfer/faultEffects.ts';
export {
  anotherSwing,
  captureGolfer,
  type GolferSpec,
  makeGolfer,
  type StandInGolfer,
  trueMeasures,
} from './golfer/golfer.ts';
export { type SimulatedSwing, type SimulateRequest, simulate } from './simulate.ts';
