import { normalQuantile, seededRandom } from '../../../foundation/index.ts';
import { ADVANCE_AT, FAIL_EVIDENCE, GATE_CAP, HOLD_AT, PASS_EVIDENCE } from '../gate.ts';
import { STAGES, type Stage } from '../stages.ts';
import { learnerOdds, PASS_CURVES } from './learners.ts';
import type { Track } from './track.ts';

/**
 * Ways in which the time ahead may go for this student, the same for every plan that is compared: how many
 * repetitions each rung takes, which days are missed, how long the coach's look takes.
 */
export const FUTURES = 160;
/** Beyond so many repetitions a rung is taken as never held. */
const MOST_REPS = 400;
const LONGEST_DAYS = 400;
/** Days until the coach has looked at a gate that waits for him: his usual ones. */
const COACH_WAITS = [0, 0, 0, 1, 1, 2, 2, 3] as const;

/**
 * The first ball rungs begin better than a rung does by itself: between visits the feel is kept. Mixed clubs begin
 * worse. Learnt on stand-in students.
 */
const BEGINS_EASIER: Partial<Record<Stage, number>> = {
  still: 0.05,
  slow: 0.05,
  half: 0.19,
  three_quarter: 0.17,
  full: 0.13,
  clubs: 0.04,
};

interface MissedDays {
  readonly missed: number;
  readonly kept: number;
}
/** What a new student misses, and how many days of evidence that is worth. */
const USUAL_MISS_RATE = 0.15;
const USUAL_MISS_DAYS = 10;

export interface Futures {
  /** Repetitions that a rung takes in each future; the rung at hand counts from where it stands. */
  readonly needs: (track: Track, stage: Stage) => Float64Array;
  readonly isMissed: (future: number, day: number) => boolean;
  readonly coachWait: (future: number, stage: Stage) => number;
  /** Share of days that is taken as missed. */
  readonly missRate: number;
}

/** Uniform draws that never change: [future][day]. */
let chance: Float32Array | null = null;
function chanceTable(): Float32Array {
  if (chance) return chance;
  const random = seededRandom(20_260_301);
  chance = new Float32Array(FUTURES * LONGEST_DAYS);
  for (let i = 0; i < chance.length; i++) chance[i] = random();
  return chance;
}

export function futuresOf(missedDays: MissedDays, missRate: number | null, coachDecides: boolean): Futures {
  const table = chanceTable();
  const rates = ratesOf(missedDays, missRate);
  const known = new Map<number, (stage: Stage) => Float64Array>();
  return {
    needs: (track, stage) => {
      const kept = known.get(track.index) ?? needsOf(track);
      known.set(track.index, kept);
      return kept(stage);
    },
    isMissed: (future, day) =>
      (table[future * LONGEST_DAYS + (day % LONGEST_DAYS)] as number) < (rates[future] as number),
    coachWait: (future, stage) =>
      coachDecides
        ? (COACH_WAITS[(future * 5 + STAGES.indexOf(stage) * 3) % COACH_WAITS.length] as number)
        : 0,
    missRate: rates.reduce((sum, rate) => sum + rate, 0) / rates.length,
  };
}

/** A miss rate for each future: the student's own, shrunk to the usual, with what is not known of it. */
function ratesOf({ missed, kept }: MissedDays, told: number | null): Float64Array {
  const n = missed + kept + USUAL_MISS_DAYS;
  const mean = told ?? (missed + USUAL_MISS_RATE * USUAL_MISS_DAYS) / n;
  const sd = told === null ? Math.sqrt((mean * (1 - mean)) / (n + 1)) : 0;
  return Float64Array.from({ length: FUTURES }, (_, i) => {
    const z = normalQuantile((((i * 61) % FUTURES) + 0.5) / FUTURES);
    return Math.min(0.95, Math.max(0, mean + sd * z));
  });
}

/** Only the rungs that somebody asks for are drawn: a day's card asks for one. */
function needsOf(track: Track): (stage: Stage) => Float64Array {
  const odds = learnerOdds(track.letters);
  const types = Array.from({ length: FUTURES }, (_, i) => typeAt(odds, (i + 0.5) / FUTURES));
  const drawn = new Map<Stage, Float64Array>();
  return (stage) => {
    const needs = drawn.get(stage) ?? needsOn(track, types, stage);
    drawn.set(stage, needs);
    return needs;
  };
}

function needsOn(track: Track, types: readonly number[], name: Stage): Float64Array {
  const { standing } = track;
  const needs = new Float64Array(FUTURES);
  const [stage, at] = [STAGES.indexOf(name), STAGES.indexOf(standing.stage)];
  const { test } = standing;
  if (stage < at || standing.finished || (stage === at && test.decision === 'advance')) return needs;
  const begun = stage === at ? { reps: repsHere(track), ...test } : { reps: 0, passes: 0, fails: 0 };
  const easier = BEGINS_EASIER[name] ?? 0;
  const random = seededRandom(977 + stage * 131);
  for (let future = 0; future < FUTURES; future++) {
    const curve = PASS_CURVES[types[future] as number] as Float64Array;
    needs[future] = countUntil(curve, easier, begun.reps, begun.passes, begun.fails, random);
  }
  return needs;
}

const repsHere = ({ letters, standing }: Track): number =>
  letters.reduce((sum, { stage, reps }) => sum + (stage === standing.stage ? reps.length : 0), 0);

function typeAt(odds: readonly number[], share: number): number {
  let sum = 0;
  for (let type = 0; type < odds.length; type++) {
    sum += odds[type] as number;
    if (share < sum) return type;
  }
  return odds.length - 1;
}

/** Repetitions until the sequential test says "owned", through as many tests as that takes. */
function countUntil(
  curve: Float64Array,
  easier: number,
  doneHere: number,
  passes: number,
  fails: number,
  random: () => number,
): number {
  let evidence = passes * PASS_EVIDENCE + fails * FAIL_EVIDENCE;
  let judged = passes + fails;
  for (let n = 1; n <= MOST_REPS; n++) {
    const pass = random() < (curve[Math.min(curve.length - 1, doneHere + n)] as number) + easier;
    evidence += pass ? PASS_EVIDENCE : FAIL_EVIDENCE;
    judged += 1;
    if (evidence >= ADVANCE_AT) return n;
    if (evidence <= HOLD_AT || judged >= GATE_CAP) {
      evidence = 0;
      judged = 0;
    }
  }
  return Number.POSITIVE_INFINITY;
}
