import type { Library } from '@inchstep/core/prescription';
import type { StudentRecord, Summary } from '@inchstep/core/progress';

/** How much of a student's file a write changes. */
export type Touched = 'file' | 'sets' | 'nothing';

/** Every student's file and summary. Services ask it, core answers from it, and every write goes through it. */
export interface Records {
  /** The whole file of a student, in a fixed number of statements; refuses one who is not there. */
  of(studentId: string): StudentRecord;
  /** Built-in drills with the coach's own. */
  library(): Library;
  /**
   * Carries out a write about a student, and brings the summary up in the same transaction: both stand, or
   * neither. A write inside another one is part of it.
   */
  write<T>(studentId: string, act: () => T, touches?: Touched): T;
  /** The same for many small writes at once: those of one moment go to the disk together, before any is answered. */
  writeTogether<T>(studentId: string, act: () => T, touches?: Touched): Promise<T>;
  /** What a school's bands or a drill's text changed reaches everybody: summaries are made anew, little by little. */
  everybodyChanged(): void;
  /**
   * Learns from everybody's films how far this coach's students stray from day to day; where that has changed, everything that
   * is told of progress is told by it from then on. True where it has.
   */
  learnSpreads(): boolean;
  /** Everybody's summary, and what names this state of them all. */
  summaries(): { readonly all: Iterable<Summary>; readonly version: string };
  /** One who was erased is forgotten here, too. */
  forget(studentId: string): void;
  /** Makes the summaries that are missing or old; answers how many are left. */
  catchUp(forMs: number): number;
  /** Compares one summary after the other with its file, and makes anew what differs; true for each that did. */
  check(): Generator<boolean, void>;
  /** Makes no more summaries in the background. */
  close(): void;
}
