import type { IsoDay } from '../../foundation/index.ts';

/** Drills as the coach chose them for a student. */
export interface ChosenDrills {
  readonly drills: readonly string[];
  readonly forFault: string;
  readonly at: string;
  /** The coach's calendar day of `at`. */
  readonly day: IsoDay;
  /** When they were put aside; null while they are in use. */
  readonly endedAt: string | null;
  readonly endedDay: IsoDay | null;
  /** The highest rung each drill came to. */
  readonly reached: Readonly<Record<string, string>>;
}

/** This room's slice of a student's file, oldest first. */
export interface PrescriptionRecord {
  readonly choices: readonly ChosenDrills[];
}

/** The drills in use, or null. */
export const inUse = ({ choices }: PrescriptionRecord): ChosenDrills | null =>
  choices.findLast(({ endedAt }) => endedAt === null) ?? null;
