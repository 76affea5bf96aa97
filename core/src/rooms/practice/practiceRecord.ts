import type { IsoDay } from '../../foundation/index.ts';
import type { Plan } from './plan/planModel.ts';
import type { PlanAsk } from './plan/planRequest.ts';
import type { Stage } from './stages.ts';

/** A set as it was logged; `at` is when it came in, an ISO stamp. */
export interface LoggedSet {
  readonly id: string;
  readonly date: IsoDay;
  readonly drill: string;
  readonly stage: Stage;
  readonly reps: string;
  /** The last checkpoint that the set was judged by, from 1. */
  readonly layer: number;
  readonly at: string;
  /** When it was done, an ISO stamp; null where only the day is known. */
  readonly doneAt: string | null;
  readonly from: 'coach' | 'student';
  /** Which of the writers' devices it was tapped on; null where that was not said. */
  readonly device: string | null;
}

/** The coach's word on a drill's rung. One that was taken back is not among them. */
export interface GateWord {
  readonly drill: string;
  readonly stage: Stage;
  readonly decision: 'advance' | 'hold' | 'back';
  readonly at: string;
  /** The coach's calendar day of `at`. */
  readonly day: IsoDay;
}

/** The plan that stands, as it was laid. */
export interface KeptPlan {
  readonly at: string;
  readonly drills: readonly string[];
  readonly ask: PlanAsk;
  readonly plan: Plan;
}

/** This room's slice of a student's file: what was planned, practised and decided, oldest first. */
export interface PracticeRecord {
  /** Of the present work and its plan, and the latest before it. */
  readonly sets: readonly LoggedSet[];
  readonly gates: readonly GateWord[];
  readonly plan: KeptPlan | null;
}
