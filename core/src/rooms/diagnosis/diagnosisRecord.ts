import type { IsoDay } from '../../foundation/index.ts';

/** What a diagnosis came to, as the rooms after this one read it. */
export interface DiagnosisEntry {
  readonly id: string;
  readonly at: string;
  /** The coach's calendar day of `at`. */
  readonly day: IsoDay;
  /** Faults to be worked on: the coach's word, else the program's. */
  readonly workOn: readonly string[];
  /** Faults that go when the root does, and are left alone. */
  readonly follow: readonly string[];
}

/** This room's slice of a student's file, oldest first. */
export interface DiagnosisRecord {
  readonly diagnoses: readonly DiagnosisEntry[];
}
