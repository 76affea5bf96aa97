import type { IsoDay } from '../../foundation/index.ts';
import type { Stage } from './stages.ts';

/** A set as it was logged; `at` is when it came in, an ISO stamp. */
export interface LoggedSet {
  readonly date: IsoDay;
  readonly drill: string;
  readonly stage: Stage;
  readonly reps: string;
  readonly at: string;
}

/** The coach's word on a drill's rung. */
export interface GateWord {
  readonly drill: string;
  readonly stage: Stage;
  readonly decision: 'advance' | 'hold' | 'back';
  readonly at: string;
}

/** This room's slice of a student's file: what was practised and decided, oldest first. */
export interface PracticeRecord {
  readonly sets: readonly LoggedSet[];
  readonly gates: readonly GateWord[];
}

/** Drills in use, and since when; from the room before. */
export interface InUse {
  readonly drills: readonly string[];
  readonly at: string;
}
