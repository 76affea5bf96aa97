/** A check-in as the queue reads it; `at` is when it came in, an ISO stamp. */
export interface CheckinEntry {
  readonly id: string;
  readonly at: string;
  readonly pain: boolean;
  readonly note: string;
  readonly answered: boolean;
}

/** This room's slice of a student's file, oldest first. */
export interface CheckinRecord {
  readonly checkins: readonly CheckinEntry[];
}
