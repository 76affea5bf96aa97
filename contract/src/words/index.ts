export { AMOUNT_WORDS, amountRange, amountsWithClub } from './amountWords.ts';
export { CARD_WORDS } from './cardWords.ts';
export { dateText } from './dateText.ts';
export { LAYER_WORDS } from './drillLayerWords.ts';
export { DRILL_WORDS } from './drills.ts';
export type { DrillWords } from './drillWords.ts';
export { BLOCKER_WORDS, FAULT_WORDS, FINDING_WORDS, PHASE_WORDS, STRENGTH_WORDS } from './faults.ts';
export { draftLesson, LESSON_MAIL, NOTE_WORDS } from './lessonWords.ts';
export { LETTER_WORDS, STOP_WORDS } from './letterWords.ts';
export { HOUSE_WORDS, wordsWith } from './libraryWords.ts';
export {
  CLUB_WORDS,
  LANDMARK_WORDS,
  MEASURE_WORDS,
  STATION_WORDS,
  VERDICT_WORDS,
  VIEW_WORDS,
} from './measures.ts';
export { MANIFEST_WORDS } from './pageWords.ts';
export {
  breachText,
  calendarText,
  calendarTitle,
  changeText,
  clubOrderText,
  itemText,
  lessonTitle,
  PLAN_RULE_IDS,
  sessionText,
  WARM_UP_WORDS,
  WEEK_WORDS,
  warmUpText,
} from './planWords.ts';
export {
  AID_WORDS,
  bindingText,
  cautionText,
  emptyText,
  exaggerateText,
  giveText,
  heldText,
  LIMIT_WORDS,
  PAIN_CARE,
  PAIN_ON_PAPER,
  PAIN_WORDS,
  PLACE_WORDS,
  RANGE_WORDS,
  STAGE_WORDS,
  STRIKE_WORDS,
  unfinishedText,
  WEEKDAY_WORDS,
} from './practice.ts';
export { PROBLEM_WORDS, type ProblemCode, problemText } from './problems.ts';
export { QUARREL_WORDS, quarrelText } from './quarrelWords.ts';
export {
  chanceText,
  choiceText,
  contradictionText,
  drillName,
  faultName,
  feltAgainstText,
  findingName,
  leaveText,
  measureName,
  nextLookText,
  partText,
  refusalText,
  weighedText,
} from './reasons.ts';
export { draftReply } from './reply.ts';
export {
  REPORT_WORDS,
  type ReportPage,
  type ReportSection,
  type ReportTape,
  reportPage,
} from './reportWords.ts';
export { askText, FILM_GUIDE } from './requestWords.ts';
export {
  COURSE_SEEDS,
  type CourseSeed,
  carryText,
  courseSeedOf,
  ROUTINE_WORDS,
  routineText,
} from './routineWords.ts';
export { SETUP_WORDS } from './setupWords.ts';
export { SHOT_WORDS, type ShotWords, SIGN_WORDS } from './shots.ts';
export { TRUST_WORDS } from './trustWords.ts';
export { type Lengths, unitWord, valueIn, valueText } from './values.ts';
export { type LibraryWords, wordsFrom } from './wordsFrom.ts';
