import type { IsoDay } from '../../../foundation/index.ts';
import type { Club, Place } from '../../intake/index.ts';
import type { Stage } from '../stages.ts';

export const INTENTS = ['rung', 'upkeep', 'retention', 'warm_up', 'part'] as const;
/** What an item is for: the rung at hand, keeping what was learnt, a look back, warming up, a part of a cycle. */
export type Intent = (typeof INTENTS)[number];
export const AID_USES = ['on', 'off', 'alternating'] as const;
export type AidUse = (typeof AID_USES)[number];
export const ORDERS = ['blocked', 'alternating', 'random'] as const;
export type PracticeOrder = (typeof ORDERS)[number];

export interface PlanItem {
  /** Stable over new plans: the day, the drill and what for. */
  readonly id: string;
  readonly drill: string;
  readonly intent: Intent;
  /** With the drill itself, or carrying its feel where place, aid, ball or speed don't allow it. */
  readonly as: 'drill' | 'feel';
  readonly stage: Stage;
  /** The last checkpoint that a repetition is judged by, from 1. */
  readonly layer: number;
  /** Sets of ten dry repetitions, or of two rehearsals and a ball; holes on the course. */
  readonly sets: number;
  /** Dry repetitions, rehearsals before balls included. */
  readonly rehearsals: number;
  readonly balls: number;
  readonly looks: number;
  /** One look in this many sets; null without looks. */
  readonly lookEvery: number | null;
  readonly speedPct: number;
  /** The club of the first ball. */
  readonly club: Club | null;
  /** A club for each ball, in order. */
  readonly clubs: readonly Club[];
  readonly aid: AidUse;
  readonly order: PracticeOrder;
  /** The movement is stopped and held. */
  readonly stop: boolean;
  readonly minutes: number;
}

export interface PlanDay {
  readonly date: IsoDay;
  readonly place: Place;
  readonly minutes: number;
  readonly warmUpMinutes: number;
  /** Moves of the warm-up, by their ids; a drill's own id where it is made for that. */
  readonly warmUp: readonly string[];
  readonly items: readonly PlanItem[];
}

export const EMPTY_REASONS = [
  'away',
  'ill',
  'missed',
  'held',
  'pain',
  'no_minutes',
  'rest',
  'growth',
  'cap',
  'upstream',
  'new_piece',
  'wish',
] as const;
/** Why a day that was asked for holds nothing. */
export type EmptyReason = (typeof EMPTY_REASONS)[number];

export interface EmptyDay {
  readonly date: IsoDay;
  readonly why: EmptyReason;
}

export const STAGE_STATES = ['done', 'open', 'now', 'ahead', 'skipped', 'no_place'] as const;

export interface PlanStage {
  readonly drill: string;
  readonly stage: Stage;
  /** open = by the count alone; it waits for the coach's look. */
  readonly state: (typeof STAGE_STATES)[number];
  readonly from: IsoDay | null;
  /** The day by which the gate opens with an even chance; null when that lies beyond the plan. */
  readonly gateBy: IsoDay | null;
  /** Repetitions that it will likely take from today. */
  readonly reps: number;
}

export interface GateDate {
  readonly drill: string;
  readonly stage: Stage;
  /** Met with an even chance; null = beyond the plan. */
  readonly likely: IsoDay | null;
  /** Met with four chances in five. */
  readonly late: IsoDay | null;
}

export const WAYS_OUT = ['day', 'minutes', 'ball_day', 'balls', 'wish'] as const;
export interface Give {
  readonly what: (typeof WAYS_OUT)[number];
  /** Days, minutes a day, balls a visit or repetitions a week. */
  readonly by: number;
  /** A weekday where one is meant. */
  readonly about: string;
  /** Days by which the gate's later date comes sooner, from a plan solved anew; null = only then is there one. */
  readonly gainDays: number | null;
}

export const BINDING_RULES = [
  'minutes',
  'joint_cap',
  'day_cap',
  'growth',
  'gap',
  'rest',
  'balls',
  'ball_place',
  'wish',
  'lesson',
  'tournament',
  'visit',
  'held',
  'closed',
] as const;
export type BindingRule = (typeof BINDING_RULES)[number];

/** A rule that holds the plan back before the root's gate. */
export interface Binding {
  readonly rule: BindingRule;
  readonly about: string;
  /** Days on which it was the one that bound. */
  readonly days: number;
}

export const UNFINISHED_REASONS = [
  'no_ball_place',
  'no_course_place',
  'no_course_form',
  'time',
  'held',
  'pain',
  'closed',
] as const;
export interface Unfinished {
  readonly drill: string;
  /** The first rung that is not reached. */
  readonly stage: Stage;
  readonly why: (typeof UNFINISHED_REASONS)[number];
}

export interface Proof {
  /** Rules that were tried. */
  readonly rules: number;
  readonly broken: readonly Breach[];
}
export interface Breach {
  readonly rule: string;
  readonly date: IsoDay;
  readonly about: string;
}

export const CHANGE_KINDS = ['moved', 'added', 'dropped', 'more', 'less', 'rung'] as const;
export interface PlanChange {
  readonly kind: (typeof CHANGE_KINDS)[number];
  readonly drill: string;
  readonly date: IsoDay;
  /** Where it went to, when it moved. */
  readonly to: IsoDay | null;
  /** Repetitions more or fewer. */
  readonly by: number;
}
interface GateMove {
  readonly drill: string;
  readonly stage: Stage;
  readonly from: IsoDay | null;
  readonly to: IsoDay | null;
  /** Days later; negative = earlier; null when one of them lies beyond the plan. */
  readonly days: number | null;
}
export interface PlanDiff {
  readonly changes: readonly PlanChange[];
  readonly gates: readonly GateMove[];
}

/** A plan that holds nothing yet. */
export const EMPTY_PLAN: Plan = {
  stages: [],
  days: [],
  empty: [],
  gateDates: [],
  binding: [],
  gives: [],
  unfinished: [],
  reviewDates: [],
  diff: null,
  proof: { rules: 0, broken: [] },
};

export interface Plan {
  readonly stages: readonly PlanStage[];
  readonly days: readonly PlanDay[];
  readonly empty: readonly EmptyDay[];
  readonly gateDates: readonly GateDate[];
  readonly binding: readonly Binding[];
  readonly gives: readonly Give[];
  readonly unfinished: readonly Unfinished[];
  readonly reviewDates: readonly IsoDay[];
  readonly diff: PlanDiff | null;
  readonly proof: Proof;
}
