export {
  useAgreeLesson,
  useLessonDeed,
  useLessonList,
  useMoveLesson,
  useStopForPain,
} from './lessonQueries.ts';
export { PainPause } from './PainPause.tsx';
export { useArchive, useHold, useStudent, useThread } from './queries.ts';
export { eventText, HAND_WORDS, PRESET_WORDS } from './words.ts';
