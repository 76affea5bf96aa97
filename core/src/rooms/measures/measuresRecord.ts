import type { IsoDay } from '../../foundation/index.ts';
import type { AidState, CueState } from '../capture/index.ts';
import type { Band, Place } from '../intake/index.ts';
import type { Verdict } from './verdict.ts';

/** What a reading of one swing says, as the rooms after this one read it. */
export interface ReadingRecord {
  readonly swingId: string;
  readonly recordedOn: IsoDay;
  readonly speed: string;
  readonly club: string;
  /** With the drill's aid or without it; null where nobody said. */
  readonly aid: AidState | null;
  readonly place: Place | null;
  /** Before the first cue of that day or after it; null where nobody said. */
  readonly cue: CueState | null;
  /** When it was measured; an ISO stamp. */
  readonly at: string;
  readonly measures: readonly ReadMeasure[];
}

export interface ReadMeasure {
  readonly id: string;
  readonly value: number;
  readonly sd: number;
  readonly verdict: Verdict;
  readonly band: Band;
}

/** This room's slice of a student's file: readings of swings that stand, oldest first. */
export interface MeasuresRecord {
  readonly readings: readonly ReadingRecord[];
  /** How far this coach's students stray from day to day, as a share for each row of the model; the house's guess where absent. */
  readonly spreads?: readonly number[];
}
