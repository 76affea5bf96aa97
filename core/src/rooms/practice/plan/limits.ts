import { clamp } from '../../../foundation/index.ts';
import { DAILY_REPS, LIGHT_SHARE } from '../ruleNumbers.ts';
import type { Ledger } from './ledger.ts';
import type { BindingRule } from './planModel.ts';
import type { Reserve } from './reserve.ts';
import type { Slot } from './slots.ts';
import type { Track } from './track.ts';

/** Most sets of two rehearsals and a ball in one visit: after that a beginner's eye and legs are tired. */
export const BALL_SETS_A_VISIT = 24;
/** What is kept warm for a rung that this day has no place for, as a share of the day's goal. */
export const KEPT_SHARE = 0.8;

/** One drill on one day: everything that bounds how often it may be repeated. */
export interface DayAsk {
  readonly slot: Slot;
  readonly track: Track;
  readonly ledger: Ledger;
  readonly dayCap: number;
  /** Share of what is left of the day that this drill may take; the rest is for those after it. */
  readonly share: number;
  readonly secondsLeft: number;
  readonly secondsPerRep: number;
  /** Repetitions in a set, of which so many are balls. */
  readonly setReps: number;
  readonly setBalls: number;
  readonly ballsLeft: number;
  /** Dry repetitions that this day should hold at most. */
  readonly goalDry: number;
  /** What it leaves to other days. */
  readonly reserve: Reserve;
  /** Repetitions of a visit with balls that are kept back for it. */
  readonly visitReps: number;
  /** So much more than usual where something was missed. */
  readonly more: number;
  readonly rests: boolean;
}

interface Limit {
  readonly rule: BindingRule;
  /** The most repetitions of the drill that this rule leaves room for. */
  readonly most: (ask: DayAsk) => number;
}

const lightShare = ({ slot }: DayAsk): number => (slot.light ? LIGHT_SHARE : 1);

/**
 * What bounds a drill's repetitions on a day, each rule for itself. The planner takes the least; whichever that
 * is holds the plan back.
 */
const LIMITS: readonly Limit[] = [
  { rule: 'rest', most: ({ rests }) => (rests ? 0 : Number.POSITIVE_INFINITY) },
  {
    rule: 'wish',
    most: ({ goalDry, setReps, setBalls }) =>
      setReps === setBalls ? Number.POSITIVE_INFINITY : (goalDry * setReps) / (setReps - setBalls),
  },
  { rule: 'minutes', most: ({ secondsLeft, share, secondsPerRep }) => (secondsLeft * share) / secondsPerRep },
  {
    rule: 'joint_cap',
    most: (ask) => ask.ledger.jointRoom(ask.slot.day, ask.track.load, lightShare(ask)) * ask.share,
  },
  {
    rule: 'day_cap',
    most: (ask) => (ask.dayCap * lightShare(ask) - ask.ledger.on(ask.slot.day)) * ask.share,
  },
  {
    rule: 'balls',
    most: ({ ballsLeft, share, setBalls, setReps }) =>
      setBalls === 0 ? Number.POSITIVE_INFINITY : (Math.floor(ballsLeft * share) / setBalls) * setReps,
  },
  {
    rule: 'visit',
    most: ({ setBalls, setReps, slot, more }) =>
      setBalls === 0 ? DAILY_REPS.none : BALL_SETS_A_VISIT * setReps * more * (slot.light ? LIGHT_SHARE : 1),
  },
];

export interface Room {
  readonly reps: number;
  readonly rule: BindingRule;
}

/** The least of all limits, growth counted last since it takes the longest to know. */
export function roomFor(ask: DayAsk): Room {
  let reps = Number.POSITIVE_INFINITY;
  let rule: BindingRule = 'visit';
  for (const limit of LIMITS) {
    const most = limit.most(ask);
    if (most < reps) {
      reps = most;
      rule = limit.rule;
    }
  }
  if (reps > 0) {
    const growth = ask.ledger.growthRoom(ask.slot.day, ask.track.load, ask.reserve, ask.visitReps);
    if (growth.room < reps) {
      reps = growth.room;
      rule = growth.rule;
    }
  }
  // A hair's breadth of rounding must not cost a set.
  return { reps: Math.floor(clamp(reps, 0, DAILY_REPS.none) + 1e-6), rule };
}
