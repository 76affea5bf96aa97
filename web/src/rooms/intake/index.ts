export { IntakeScreen } from './IntakeScreen.tsx';
export { useHold, useLiftHold, useStudent, useStudents, useThread } from './queries.ts';
export { RosterScreen } from './RosterScreen.tsx';
export { SchoolsScreen } from './SchoolsScreen.tsx';
export { eventText, HAND_WORDS, PRESET_WORDS } from './words.ts';
