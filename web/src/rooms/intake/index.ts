export { IntakeScreen } from './IntakeScreen.tsx';
export { useArchive, useHold, useLiftHold, useStudent, useThread } from './queries.ts';
export { SchoolsScreen } from './SchoolsScreen.tsx';
export { eventText, HAND_WORDS, PRESET_WORDS } from './words.ts';
