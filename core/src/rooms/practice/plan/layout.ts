import type { StudentFacts } from '../../intake/index.ts';
import type { Stage } from '../stages.ts';
import type { Futures } from './futures.ts';
import type { Ledger } from './ledger.ts';
import type { BindingRule, EmptyDay, PlanDay, PlanItem } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';
import type { Reserve } from './reserve.ts';
import type { Slot } from './slots.ts';
import type { Track } from './track.ts';

/** What a plan is laid from, worked out once for every layout that is tried. */
export interface Ground {
  readonly request: PlanRequest;
  readonly student: StudentFacts;
  readonly slots: readonly Slot[];
  readonly tracks: readonly Track[];
  /** What was logged, by day; a layout adds to its own copy. */
  readonly logged: Ledger;
  readonly futures: Futures;
  readonly dayCap: number;
  readonly ballsAVisit: number;
  /** Asked days in each week of the plan that come at or after a day: days over which a week's rest is spread. */
  readonly askedFrom: readonly number[];
  /** What each day leaves to others when it only keeps a feel. */
  readonly reserves: readonly Reserve[];
  /** Until this day what was missed lately is spread over the sessions that follow it. */
  readonly catchesUpUntil: number;
  /** Sets of the plan before, by day and drill. */
  readonly before: ReadonlyMap<string, PlanItem>;
  /** Whether any day has a place for balls. */
  readonly ballPlace: boolean;
}

/** What a layout may decide: root sessions that are left out so that a better day is free. */
export interface Choices {
  readonly skips: ReadonlySet<number>;
}

/** How often a drill could be repeated on a day, whichever rung it then stands on. */
export interface Capacity {
  readonly day: number;
  readonly dry: number;
  readonly balls: number;
  readonly holes: number;
}

export interface Laid {
  readonly days: readonly PlanDay[];
  readonly empty: readonly EmptyDay[];
  /** For each track: its sessions, and the days on which each rung is foreseen. */
  readonly climbs: readonly Climb[];
  /** Days on which a rule held the root back before its gate. */
  readonly bound: ReadonlyMap<BindingRule, number>;
}

export interface Climb {
  readonly capacity: readonly Capacity[];
  /** First day on each rung, and the day after whose session it is foreseen to be left. */
  readonly from: ReadonlyMap<Stage, number>;
  readonly until: ReadonlyMap<Stage, number>;
}
