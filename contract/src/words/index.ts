export { DRILL_WORDS, SETUP_WORDS } from './drills.ts';
export type { DrillWords } from './drillWords.ts';
export { BLOCKER_WORDS, FAULT_WORDS, FINDING_WORDS, PHASE_WORDS, STRENGTH_WORDS } from './faults.ts';
export { HOUSE_WORDS, type LibraryWords, wordsWith } from './libraryWords.ts';
export {
  CLUB_WORDS,
  LANDMARK_WORDS,
  MEASURE_WORDS,
  STATION_WORDS,
  VERDICT_WORDS,
  VIEW_WORDS,
} from './measures.ts';
export {
  AID_WORDS,
  cautionText,
  exaggerateText,
  giveText,
  heldText,
  LIMIT_WORDS,
  PAIN_WORDS,
  PLACE_WORDS,
  RANGE_WORDS,
  STAGE_WORDS,
  WEEKDAY_WORDS,
} from './practice.ts';
export { PROBLEM_WORDS, type ProblemCode, problemText } from './problems.ts';
export {
  chanceText,
  choiceText,
  drillName,
  faultName,
  findingName,
  type Lengths,
  leaveText,
  measureName,
  nextLookText,
  partText,
  refusalText,
  unitWord,
  valueIn,
  valueText,
  weighedText,
} from './reasons.ts';
export { draftReply } from './reply.ts';
export { SHOT_WORDS, type ShotWords, SIGN_WORDS } from './shots.ts';
