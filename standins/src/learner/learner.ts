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

const kind = (
  name: string,
  gain: number,
  [kept, lost, halfLifeDays]: readonly [number, number, number],
  [missRate, doneShare, extraRate]: readonly [number, number, number],
  tiresAt: number,
): LearnerKind => ({ name, gain, kept, lost, halfLifeDays, missRate, doneShare, extraRate, tiresAt });

/** Who learns quickly, who slowly, who forgets and misses days, and who does more than was asked and tires. */
export const LEARNER_KINDS: readonly LearnerKind[] = [
  kind('quick', 0.032, [0.5, 0.35, 80], [0.1, 1, 0], 90),
  kind('slow', 0.011, [0.5, 0.35, 80], [0.1, 1, 0], 80),
  kind('forgetful', 0.026, [0.42, 0.5, 45], [0.25, 0.95, 0], 80),
  kind('overdoer', 0.024, [0.45, 0.4, 60], [0.05, 1.5, 0.4], 60),
];

/** How hard the same movement is on each rung, as skill that makes every second repetition pass. */
const HARDNESS: Readonly<Record<Stage, number>> = {
  still: -0.7,
  slow: -0.4,
  half: 0,
  three_quarter: 0.25,
  full: 0.5,
  clubs: 0.6,
  course: 0.75,
};
/** What is learnt on a rung is known so far on the next one, and on the one after that. */
const CARRIES_TO_NEXT = 0.7;
/** Where a beginner stands. */
const BASE = -0.8;
/** Nobody passes, or fails, every time. */
const LAPSE = 0.03;
/** What one judges alone is judged wrongly, or not at all, so often. */
const MISJUDGED = 0.06;
const UNSURE = 0.03;
/** Practice away from the rung at hand carries over so far. */
const CARRIES_OVER = 0.55;

/**
 * What a repetition teaches: the most where some two in three pass. What is far too hard teaches little when it is
 * done slowly, and the fault itself at speed.
 */
function worthOf(stage: Stage, chance: number): number {
  if (chance >= 0.33) return 1 - 0.8 * Math.min(1, Math.abs(chance - 0.66) / 0.36) ** 2;
  return stage === 'still' || stage === 'slow' ? 0.25 : -0.4;
}

/** A student who exists nowhere: on each rung skill that is fresh, and skill that has settled. */
export class Learner {
  readonly kind: LearnerKind;
  private readonly random: Random;
  private readonly talent: number;
  private readonly base: number;
  private readonly settled: number[];
  private readonly fresh: number[];
  private doneToday = 0;

  constructor(kind: LearnerKind, random: Random) {
    this.kind = kind;
    this.random = random;
    this.talent = Math.exp(0.35 * gaussian(random));
    this.base = BASE + 0.3 * gaussian(random);
    this.settled = STAGES.map(() => this.base);
    this.fresh = STAGES.map(() => 0);
  }

  /** Chance that a repetition on a rung passes now. */
  passes(stage: Stage): number {
    const at = STAGES.indexOf(stage);
    const tired = this.doneToday > this.kind.tiresAt ? 0.3 : 0;
    const margin = (this.settled[at] as number) + (this.fresh[at] as number) - tired - HARDNESS[stage];
    return LAPSE + (1 - 2 * LAPSE) / (1 + Math.exp(-1.7 * margin));
  }

  /** One repetition; the letter is what the student says of it. */
  repeat(stage: Stage, share = 1): 'P' | 'F' | '?' {
    const chance = this.passes(stage);
    const passed = this.random() < chance;
    const worth = worthOf(stage, chance);
    const tired = this.doneToday > this.kind.tiresAt ? 0.25 : 1;
    const gained = this.kind.gain * this.talent * worth * tired * share;
    const at = STAGES.indexOf(stage);
    for (let rung = 0; rung < STAGES.length; rung++)
      this.fresh[rung] = (this.fresh[rung] as number) + gained * CARRIES_TO_NEXT ** Math.abs(rung - at);
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
    const stays = 0.5 ** (1 / halfLifeDays);
    for (let rung = 0; rung < STAGES.length; rung++) {
      const fresh = this.fresh[rung] as number;
      const settled = (this.settled[rung] as number) + kept * fresh;
      // What was never known is not forgotten: skill fades toward where the student began.
      this.settled[rung] = this.base + (settled - this.base) * stays;
      this.fresh[rung] = fresh * (1 - kept) * (1 - lost);
    }
    this.doneToday = 0;
  }
}
