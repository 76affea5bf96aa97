export {
  allBands,
  type Band,
  type BandContext,
  bandFor,
  type MovedBand,
  movedBands,
} from './bands.ts';
export { BAND_ROWS, BASE_RATIO_BY_CLUB, type BandRow, type MeasureId } from './bandTable.ts';
export {
  type BodySizes,
  bodySizes,
  HEIGHT_RANGE_IN,
  lengthScale,
  type MeasuredSizes,
  REFERENCE_HEIGHT_IN,
  SHARE_OF_HEIGHT,
  SIZE_SD_SHARE,
} from './bodySizes.ts';
export { mayBeFilmed } from './consent.ts';
export type { IntakeRecord } from './intakeRecord.ts';
export {
  dueOn,
  forgottenBefore,
  heldDays,
  isClockTime,
  LESSON_MODES,
  type LessonRecord,
  lessonKey,
  lessonProblem,
  lessonState,
  nextLessonFrom,
  overlaps,
  plannedFrom,
  runningAt,
  USUAL_LESSON_MINUTES,
} from './lesson.ts';
export { mailAddress } from './mailAddress.ts';
export { EMPTY_DAY_MINUTES, minutesOf, weekMinutes } from './minutes.ts';
export { type HoldSpan, onOurClock, stoppedBy } from './painStop.ts';
export { BODY_AREAS, type LimitReason, limitSet, limitsFrom, NO_TROUBLE } from './safety.ts';
export {
  type BandEdit,
  type BeginAt,
  DEFAULT_PRESET,
  hasChoice,
  resolveSchool,
  SCHOOL_OPTIONS,
  SCHOOL_PRESETS,
  type School,
  type SchoolAnswers,
  type SchoolChoice,
  type SchoolChoiceSet,
  type SchoolPreset,
  type SchoolQuestion,
} from './schools.ts';
export {
  AIDS,
  type Aid,
  ARM_SWINGS,
  type ArmSwing,
  CLUBS,
  type Club,
  CUE_KINDS,
  CUE_SIDES,
  type CueKind,
  type CueSide,
  FLEXIBILITIES,
  type Flexibility,
  HANDS,
  type Hand,
  isChild,
  LIMITS,
  type Limit,
  mostAtOnce,
  PLACES,
  type Place,
  type StudentFacts,
  VIEW_KINDS,
  type ViewKind,
} from './student.ts';
export { dayOnOurClock, filmedOnOurClock } from './theirDay.ts';
