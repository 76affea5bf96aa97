export { hitShots } from './devices/launchMonitor.ts';
export { standOnMat } from './devices/pressureMat.ts';
export { trackGolfer } from './devices/tracker.ts';
export { FAULT_EFFECTS } from './golfer/faultEffects.ts';
export { makeGolfer, trueMeasures } from './golfer/golfer.ts';
export { type SimulateRequest, simulate, simulateShots } from './simulate.ts';
