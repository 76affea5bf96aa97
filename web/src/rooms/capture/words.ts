import type { Swing } from '@inchstep/contract/capture';
import type { AidState, CueState } from '@inchstep/core/capture';

export const HOW_MADE_WORDS = {
  legend: 'How the swing was made',
  club: 'Club',
  speed: 'Speed',
  aid: 'Drill',
  place: 'Place',
  cue: 'Cue',
  notSaid: 'not said',
  beforeCue: 'before the first cue',
} as const;
export const SPEED_WORDS: Record<Swing['speed'], string> = {
  half: 'Half',
  three_quarter: 'Three quarters',
  full: 'Full',
};
export const AID_STATE_WORDS: Record<AidState, string> = { on: 'With its aid', off: 'Without its aid' };
export const CUE_STATE_WORDS: Record<CueState, string> = { before: 'Before the first', after: 'After a cue' };
