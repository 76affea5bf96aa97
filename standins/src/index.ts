export {
  type CameraSpec,
  look,
  makeCamera,
  makeMarks,
  mirrorView,
  STICK_ENDS,
  type StandInCamera,
} from './devices/camera.ts';
export { hitShots, shotMeans } from './devices/launchMonitor.ts';
export { standOnMat } from './devices/pressureMat.ts';
export { trackGolfer, trueTimeMeasures } from './devices/tracker.ts';
export { FAULT_EFFECTS, type FaultGrades } from './golfer/faultEffects.ts';
export {
  anotherSwing,
  captureGolfer,
  type GolferSpec,
  makeGolfer,
  type StandInGolfer,
  trueMeasures,
} from './golfer/golfer.ts';
export { type SimulatedSwing, type SimulateRequest, simulate, simulateShots } from './simulate.ts';
