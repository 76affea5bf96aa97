import { gaussian, type Random } from '@inchstep/core/foundation';
import { STAGES, type Stage } from '@inchstep/core/practice';

/** How a made-up student learns, forgets, tires and keeps to a plan. */
export interface LearnerKind {
  readonly name: string;
  /** Skill gained by one fresh repetition that is neither too easy nor too hard. */
  readonly gain: number;
  /** Share of what is fresh that stays over a night; and how much of that is lost. */
  readonly kept: number;
  readonly lost: number;
  /** Days in which half of what has settled fades without practice. */
  readonly halfLifeDays: number;
  readonly missRate: number;
  /** Repetitions done for each one asked. */
  readonly doneShare: number;
  /** Chance of practising on a day that was not asked for. */
  readonly extraRate: number;
  /** Repetitions a day after which one learns less and misses more. */
  readonly tiresAt: number;
}

export const LEARNER_KINDS: readonly LearnerKind[] = [
  {
    name: 'quick',
    gain: 0.03,
    kept: 0.45,
    lost: 0.35,
    halfLifeDays: 70,
    missRate: 0.1,
    doneShare: 1,
    extraRate: 0,
    tiresAt: 90,
  },
  {
    name: 'slow',
    gain: 0.013,
    kept: 0.45,
    lost: 0.4,
    halfLifeDays: 70,
    missRate: 0.1,
    doneShare: 1,
    extraRate: 0,
    tiresAt: 70,
  },
  {
    name: 'forgetful',
    gain: 0.02,
    kept: 0.3,
    lost: 0.6,
    halfLifeDays: 30,
    missRate: 0.28,
    doneShare: 0.9,
    extraRate: 0,
    tiresAt: 80,
  },
  {
    name: 'overdoer',
    gain: 0.02,
    kept: 0.4,
    lost: 0.4,
    halfLifeDays: 60,
    missRate: 0.05,
    doneShare: 1.5,
    extraRate: 0.4,
    tiresAt: 60,
  },
];

/** How hard the same movement is on each rung, as skill that makes every second repetition pass. */
const HARDNESS: Readonly<Record<Stage, number>> = {
  still: -0.9,
  slow: -0.3,
  half: 0.5,
  three_quarter: 1,
  full: 1.6,
  clubs: 1.9,
  course: 2.2,
};
/** Nobody passes, or fails, every time. */
const LAPSE = 0.03;
/** What one judges alone is judged wrongly, or not at all, so often. */
const MISJUDGED = 0.06;
const UNSURE = 0.03;
/** Practice away from the rung at hand carries over so far. */
const CARRIES_OVER = 0.55;

/** A student who exists nowhere: skill that is fresh and skill that has settled. */
export class Learner {
  readonly kind: LearnerKind;
  private readonly random: Random;
  private readonly talent: number;
  private settled: number;
  private fresh = 0;
  private doneToday = 0;
  private readonly known: Record<string, number> = {};

  constructor(kind: LearnerKind, random: Random) {
    this.kind = kind;
    this.random = random;
    this.talent = Math.exp(0.3 * gaussian(random));
    this.settled = -0.6 + 0.5 * gaussian(random);
  }

  /** Chance that a repetition on a rung passes now. */
  passes(stage: Stage): number {
    const familiar = 0.25 * Math.log1p((this.known[stage] ?? 0) / 15);
    const tired = this.doneToday > this.kind.tiresAt ? 0.3 : 0;
    const margin = this.settled + this.fresh + familiar - tired - HARDNESS[stage];
    return LAPSE + (1 - 2 * LAPSE) / (1 + Math.exp(-1.7 * margin));
  }

  /** One repetition; the letter is what the student says of it. */
  repeat(stage: Stage, share = 1): 'P' | 'F' | '?' {
    const chance = this.passes(stage);
    const passed = this.random() < chance;
    // The most is learnt where about three in four pass; what is far too hard teaches the fault.
    const worth = chance < 0.35 ? -0.15 : 1 - Math.min(1, Math.abs(chance - 0.72) / 0.4) ** 2 * 0.85;
    const tired = this.doneToday > this.kind.tiresAt ? 0.25 : 1;
    this.fresh += this.kind.gain * this.talent * worth * tired * share;
    this.known[stage] = (this.known[stage] ?? 0) + share;
    this.doneToday += 1;
    const said = this.random();
    if (said < UNSURE) return '?';
    return passed !== said < UNSURE + MISJUDGED ? 'P' : 'F';
  }

  /** Repetitions that keep the feel without being the rung's own. */
  keepFeel(stage: Stage): 'P' | 'F' | '?' {
    return this.repeat(stage, CARRIES_OVER);
  }

  night(): void {
    const { kept, lost, halfLifeDays } = this.kind;
    this.settled += kept * this.fresh;
    this.fresh *= (1 - kept) * (1 - lost);
    this.doneToday = 0;
    // What was never known is not forgotten: skill fades toward where a beginner stands.
    const base = -0.6;
    this.settled = base + (this.settled - base) * 0.5 ** (1 / halfLifeDays);
  }
}

export const rungIndex = (stage: Stage): number => STAGES.indexOf(stage);
