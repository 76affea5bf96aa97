import { clamp, mean, normalCdf, squaredDeviations } from '../../foundation/index.ts';
import type { Band } from '../intake/index.ts';

/** P passed, F failed, ? the student could not tell. */
export type Rep = 'P' | 'F' | '?';

interface GateDecision {
  readonly decision: 'advance' | 'hold' | 'continue';
  /** Repetitions read until the decision fell (all of them while it is open). */
  readonly repsUsed: number;
  /** 0 empty .. 1 full: how far the evidence has come toward "owned". */
  readonly tape: number;
}

// Wald's sequential test between "owned" and "not yet".
const OWNED_RATE = 0.8;
const NOT_YET_RATE = 0.5;
const WRONG_ADVANCE = 0.05;
const WRONG_HOLD = 0.1;
/** Judged repetitions after which an undecided test holds: more of the same won't tell. */
export const GATE_CAP = 60;

export const PASS_EVIDENCE = Math.log(OWNED_RATE / NOT_YET_RATE);
export const FAIL_EVIDENCE = Math.log((1 - OWNED_RATE) / (1 - NOT_YET_RATE));
export const ADVANCE_AT = Math.log((1 - WRONG_HOLD) / WRONG_ADVANCE);
export const HOLD_AT = Math.log(WRONG_HOLD / (1 - WRONG_ADVANCE));

/**
 * Rep gate, the same on every stage. Course play is counted by holes with the same test. Unsure repetitions
 * count as used and as no evidence. Later repetitions don't undo a decision.
 */
export function repGate(reps: readonly Rep[]): GateDecision {
  let evidence = 0;
  let judged = 0;
  for (const [i, rep] of reps.entries()) {
    if (rep !== '?') judged++;
    evidence += stepOf(rep);
    const decision = decideBy(evidence, judged);
    if (decision !== 'continue') return { decision, repsUsed: i + 1, tape: tapeOf(evidence) };
  }
  return { decision: 'continue', repsUsed: reps.length, tape: tapeOf(evidence) };
}

/** What one repetition says for "owned" against "not yet", as a logarithm of odds. */
export const stepOf = (rep: Rep): number => (rep === 'P' ? PASS_EVIDENCE : rep === 'F' ? FAIL_EVIDENCE : 0);

/** Where the test stands with so much evidence from so many judged repetitions. */
export function decideBy(evidence: number, judged: number): GateDecision['decision'] {
  if (evidence >= ADVANCE_AT) return 'advance';
  if (evidence <= HOLD_AT) return 'hold';
  return judged >= GATE_CAP ? 'hold' : 'continue';
}

export const tapeOf = (evidence: number): number => clamp(evidence / ADVANCE_AT, 0, 1);

/** Reads "PPF?P" ; null where a letter is none of these. */
export function readReps(text: string): Rep[] | null {
  const letters = [...text];
  return letters.every((letter) => letter === 'P' || letter === 'F' || letter === '?')
    ? (letters as Rep[])
    : null;
}

interface FilmedValue {
  readonly value: number;
  readonly sd: number;
}

export interface MeasureGate {
  readonly swings: number;
  /** P(the player's mean lies in the band), or null below three swings. */
  readonly inBand: number | null;
  readonly open: boolean;
}

export const SWINGS_NEEDED = 3;
const IN_BAND_NEEDED = 0.8;

/** Measure gate: at least three filmed swings whose mean is probably in the band. */
export function measureGate(swings: readonly FilmedValue[], band: Band): MeasureGate {
  if (swings.length < SWINGS_NEEDED) return { swings: swings.length, inBand: null, open: false };
  const values = swings.map((swing) => swing.value);
  const centre = mean(values);
  const spread = squaredDeviations(values) / (values.length - 1);
  const sdShared = mean(swings.map((swing) => swing.sd));
  // Marking errors partly repeat from swing to swing (same camera), so half stays in the mean.
  const variance = Math.max(spread, sdShared ** 2) / values.length + (sdShared / 2) ** 2;
  const sd = Math.sqrt(variance);
  const below = band.lo === null ? 0 : normalCdf((band.lo - centre) / sd);
  const above = band.hi === null ? 0 : 1 - normalCdf((band.hi - centre) / sd);
  const inBand = Math.max(0, 1 - below - above);
  return { swings: values.length, inBand, open: inBand >= IN_BAND_NEEDED };
}
