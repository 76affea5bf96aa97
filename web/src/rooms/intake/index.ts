export { useArchive, useHold, useLiftHold, useStudent, useThread } from './queries.ts';
export { eventText, HAND_WORDS, PRESET_WORDS } from './words.ts';
