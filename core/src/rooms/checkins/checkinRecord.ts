import type { IsoDay } from '../../foundation/index.ts';

/** A check-in as the other rooms read it; `at` is when it came in, an ISO stamp. */
export interface CheckinEntry {
  readonly id: string;
  readonly at: string;
  /** The coach's calendar day of `at`. */
  readonly day: IsoDay;
  readonly pain: boolean;
  readonly note: string;
  readonly answered: boolean;
}

/** This room's slice of a student's file, oldest first. */
export interface CheckinRecord {
  readonly checkins: readonly CheckinEntry[];
}
