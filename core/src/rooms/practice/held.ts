import { ADVANCE_AT, FAIL_EVIDENCE, type MeasureGate, PASS_EVIDENCE, SWINGS_NEEDED } from './gate.ts';
import type { RungStanding } from './rungCount.ts';

/** What stands between a rung and the next one. */
export type Held =
  | { readonly code: 'reps'; readonly tape: number; readonly more: number | null }
  | { readonly code: 'reps_not_yet'; readonly times: number }
  | { readonly code: 'swings'; readonly measure: string; readonly have: number; readonly need: number }
  | { readonly code: 'measure'; readonly measure: string; readonly inBand: number }
  /** What no film can tell: the coach looks. */
  | { readonly code: 'look' }
  | { readonly code: 'watch'; readonly measure: string }
  | { readonly code: 'pain' };

/** A measure on a film gate, by its id. */
type NamedGate = MeasureGate & { readonly id: string };

/** All that stands between a stage and the next one; empty = the gate is open. */
export function heldBy(
  test: RungStanding,
  measures: readonly NamedGate[],
  needsMeasure: boolean,
  watchOver: string | null,
  painHold: boolean,
): Held[] {
  const held: Held[] = [];
  if (painHold) held.push({ code: 'pain' });
  if (test.decision === 'continue') {
    if (test.notYets > 0) held.push({ code: 'reps_not_yet', times: test.notYets });
    held.push({ code: 'reps', tape: test.tape, more: moreAtThisRate(test) });
  }
  if (needsMeasure) held.push(...heldByFilm(measures));
  if (watchOver) held.push({ code: 'watch', measure: watchOver });
  return held;
}

/** Whether there is anything to override: evidence against going on, or a part of what is asked. Before any, a stage is skipped. */
export const hasToOverride = (held: readonly Held[]): boolean =>
  held.some((one) =>
    one.code === 'reps' ? one.tape > 0 : one.code === 'swings' ? one.have > 0 : one.code !== 'pain',
  );

/** What the film says against going on: swings that are missing come first. */
function heldByFilm(measures: readonly NamedGate[]): Held[] {
  if (measures.length === 0) return [{ code: 'look' }];
  const missing = measures.find(({ inBand }) => inBand === null);
  if (missing) return [{ code: 'swings', measure: missing.id, have: missing.swings, need: SWINGS_NEEDED }];
  const out = measures.find(({ open }) => !open);
  return out ? [{ code: 'measure', measure: out.id, inBand: out.inBand ?? 0 }] : [];
}

/** Of a student of whom nothing is known yet: so often passes a repetition, worth so many repetitions. */
const USUAL_RATE = 0.75;
const USUAL_REPS = 6;

/**
 * Repetitions until the test will say "owned" at this student's present rate, shrunk to the usual; null where at
 * that rate it never would.
 */
export function moreAtThisRate({ decision, passes, fails }: RungStanding): number | null {
  if (decision === 'advance') return 0;
  const rate = (passes + USUAL_RATE * USUAL_REPS) / (passes + fails + USUAL_REPS);
  const drift = rate * PASS_EVIDENCE + (1 - rate) * FAIL_EVIDENCE;
  if (drift <= 0.02) return null;
  const left = ADVANCE_AT - passes * PASS_EVIDENCE - fails * FAIL_EVIDENCE;
  return Math.max(1, Math.ceil(left / drift));
}
