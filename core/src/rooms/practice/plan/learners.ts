import type { Stage } from '../stages.ts';

/**
 * Kinds of learners by how their repetitions pass on a rung: from a start toward a ceiling, the faster the
 * shorter `reps`. A student is believed to be each of them so far as what was logged speaks for it.
 */
interface PassCurve {
  readonly start: number;
  /** Repetitions after which two thirds of the way are gone. */
  readonly reps: number;
  readonly ceiling: number;
  /** How many of a hundred new students are such. */
  readonly usual: number;
}

const KINDS: readonly PassCurve[] = [
  { start: 0.85, reps: 30, ceiling: 0.95, usual: 20 },
  { start: 0.72, reps: 30, ceiling: 0.95, usual: 20 },
  { start: 0.72, reps: 90, ceiling: 0.93, usual: 16 },
  { start: 0.58, reps: 40, ceiling: 0.93, usual: 14 },
  { start: 0.58, reps: 120, ceiling: 0.92, usual: 12 },
  { start: 0.45, reps: 60, ceiling: 0.92, usual: 8 },
  { start: 0.45, reps: 180, ceiling: 0.9, usual: 6 },
  { start: 0.35, reps: 120, ceiling: 0.88, usual: 3 },
  { start: 0.3, reps: 400, ceiling: 0.85, usual: 1 },
];

const LONGEST = 700;

/** Chance that the n-th repetition on a rung passes, for each kind. */
export const PASS_CURVES: readonly Float64Array[] = KINDS.map(({ start, reps, ceiling }) =>
  Float64Array.from({ length: LONGEST }, (_, n) => ceiling - (ceiling - start) * Math.exp(-n / reps)),
);

/** What one student's letters say counts so much: days differ, and letters of a day are alike. */
const LETTER_WEIGHT = 0.5;

/** How likely the student is each kind, by the letters of every rung; sums to one. */
export function learnerOdds(letters: readonly { readonly stage: Stage; readonly reps: string }[]): number[] {
  const done = new Map<Stage, number>();
  const logOdds = KINDS.map(({ usual }) => Math.log(usual));
  for (const { stage, reps } of letters) {
    let n = done.get(stage) ?? 0;
    for (const letter of reps) {
      n += 1;
      if (letter === '?') continue;
      const at = Math.min(LONGEST - 1, n);
      for (let kind = 0; kind < KINDS.length; kind++) {
        const pass = (PASS_CURVES[kind] as Float64Array)[at] as number;
        logOdds[kind] =
          (logOdds[kind] as number) + LETTER_WEIGHT * Math.log(letter === 'P' ? pass : 1 - pass);
      }
    }
    done.set(stage, n);
  }
  const most = Math.max(...logOdds);
  const odds = logOdds.map((value) => Math.exp(value - most));
  const sum = odds.reduce((all, value) => all + value, 0);
  return odds.map((value) => value / sum);
}
