export {
  type ArrowFactor,
  type ArrowSystem,
  emptyArrow,
  factorArrow,
} from './arrowSystem.ts';
export { backupsToDrop } from './backupRota.ts';
export {
  ageOn,
  daysBetween,
  type IsoDay,
  isIsoDay,
  plusDays,
  WEEKDAYS,
  type Weekday,
  weekdayOf,
} from './calendar.ts';
export {
  mean,
  normalCdf,
  normalCdfNear,
  normalDensity,
  normalQuantile,
  squaredDeviations,
  studentCdf,
  studentQuantile,
} from './distributions.ts';
export { Z80, Z95 } from './interval.ts';
export { plainText, plainTexts } from './plainText.ts';
export { between, gaussian, pick, type Random, seededRandom } from './random.ts';
export { readLength } from './readLength.ts';
export { bad, good, invariant, type Problem, problem, type Result } from './result.ts';
export { backwardInPlace, choleskyInPlace, forwardInPlace } from './triangle.ts';
export { UNDO_MINUTES } from './undo.ts';
export { CM_PER_IN, cmToIn, inToCm, roundTo } from './units.ts';
export {
  add,
  angleDeg,
  clamp,
  cross,
  distance,
  dot,
  midpoint,
  mix,
  norm,
  scale,
  sub,
  toDeg,
  toRad,
  unit,
  type Vec3,
} from './vec3.ts';
