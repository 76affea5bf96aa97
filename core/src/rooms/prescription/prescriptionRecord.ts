import type { IsoDay } from '../../foundation/index.ts';

/** The coach's word on which checkpoint of a drill is asked, from 1. */
export interface CheckpointWord {
  readonly layer: number;
  readonly at: string;
  /** The coach's calendar day of `at`. */
  readonly day: IsoDay;
}

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
  /** The checkpoint the coach last set for each drill. Which one is asked, the drill's ladder says (`standsOn`). */
  readonly layers?: Readonly<Record<string, CheckpointWord>>;
  /** What the coach wants done outside the drills. */
  readonly ownTask?: string;
}

/** This room's slice of a student's file, oldest first. */
export interface PrescriptionRecord {
  readonly choices: readonly ChosenDrills[];
}

/** The drills in use, or null. */
export const inUse = ({ choices }: PrescriptionRecord): ChosenDrills | null =>
  choices.findLast(({ endedAt }) => endedAt === null) ?? null;
