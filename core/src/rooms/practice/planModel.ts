import type { IsoDay } from '../../foundation/index.ts';
import type { Club, Place } from '../intake/index.ts';
import type { Stage } from './stages.ts';

export interface PlanItem {
  readonly drill: string;
  readonly stage: Stage;
  readonly sets: number;
  /** Dry repetitions, rehearsals before balls included. */
  readonly rehearsals: number;
  readonly balls: number;
  readonly looks: number;
  readonly speedPct: number;
  readonly club: Club | null;
  readonly minutes: number;
}

export interface PlanDay {
  readonly date: IsoDay;
  readonly place: Place;
  readonly minutes: number;
  readonly warmUpMinutes: number;
  readonly items: readonly PlanItem[];
}

export interface PlanStage {
  readonly drill: string;
  readonly stage: Stage;
  readonly state: 'done' | 'now' | 'ahead' | 'skipped' | 'no_place';
  readonly from: IsoDay | null;
  /** When the gate can be expected to open; held back if the gate says so. */
  readonly gateBy: IsoDay | null;
  readonly reps: number;
}

export interface Give {
  readonly what: 'weekly_reps' | 'balls' | 'ball_place' | 'gate_later' | 'course';
  /** Repetitions, balls or days, by kind. */
  readonly by: number;
  readonly about: string;
}

export interface Plan {
  readonly stages: readonly PlanStage[];
  readonly days: readonly PlanDay[];
  readonly gives: readonly Give[];
  readonly reviewDates: readonly IsoDay[];
}
