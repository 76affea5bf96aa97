import type { IsoDay } from '../../foundation/index.ts';

/** What a reading of one swing says, as the rooms after this one read it. */
export interface ReadingRecord {
  readonly recordedOn: IsoDay;
  readonly speed: string;
  readonly club: string;
  /** When it was measured; an ISO stamp. */
  readonly at: string;
  readonly measures: readonly {
    readonly id: string;
    readonly value: number;
    readonly sd: number;
    readonly verdict: string;
  }[];
}

/** This room's slice of a student's file: readings of swings that stand, oldest first. */
export interface MeasuresRecord {
  readonly readings: readonly ReadingRecord[];
}
