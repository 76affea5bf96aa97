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

/** The coach's word that a student's line in the queue can wait, or that it was settled by talking. */
export interface Aside {
  /** ISO stamp. */
  readonly at: string;
  /** Set aside until this day; null = spoken with. */
  readonly until: IsoDay | null;
}

/** This room's slice of a student's file, oldest first. */
export interface CheckinRecord {
  readonly checkins: readonly CheckinEntry[];
  /** What was asked for and has not been answered nor taken back, the one that stands; null = nothing. */
  readonly asked: { readonly askedAt: string; readonly dueOn: IsoDay } | null;
  /** The last word on waiting that was not taken back. */
  readonly aside: Aside | null;
}
