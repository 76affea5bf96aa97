import { mean, squaredDeviations, studentCdf, studentQuantile } from '../../foundation/index.ts';
import { BAND_ROWS, type Band } from '../intake/index.ts';
import { type Judged, judge, sharedShare } from '../measures/index.ts';

export interface Session {
  readonly date: string;
  readonly values: readonly number[];
  /** Measurement sd of one swing. */
  readonly sd: number;
}

export interface Change {
  readonly verdict: 'real' | 'maybe' | 'none' | 'cant_tell';
  /** Last session's mean minus the mean of the earlier ones. */
  readonly delta: number;
  /** Ends of the 95 % interval, and the smallest change that these sessions could have shown as real; null before there are two. */
  readonly lo95: number | null;
  readonly hi95: number | null;
  readonly smallestReal: number | null;
}

// Before any repeat swings are seen, a player is taken to wander by half a step from swing to
// swing and a third of a step from day to day; each guess weighs as much as a few swings would.
const SWING_SPREAD_STEPS = 0.5;
const SWING_SPREAD_WEIGHT = 3;
const DAY_SPREAD_STEPS = 0.33;
const DAY_SPREAD_WEIGHT = 2;
const SURE = 0.05;
const LIKELY = 0.25;

/**
 * Is the last session different from the earlier ones? Measurement error, swing-to-swing and
 * day-to-day spread are kept apart; `family` measures looked at together share the chance of a
 * false alarm (Bonferroni).
 */
export function judgeChange(measure: string, sessions: readonly Session[], family = 1): Change {
  const filled = sessions.filter((session) => session.values.length > 0);
  const last = filled.at(-1);
  const earlier = filled.slice(0, -1);
  if (!last || earlier.length === 0) return noChangeKnown();
  const spread = spreads(measure, filled, earlier);
  const lastVariance = sessionVariance(measure, last, spread);
  const weights = earlier.map((session) => 1 / sessionVariance(measure, session, spread));
  const total = weights.reduce((a, b) => a + b, 0);
  const baseline =
    earlier.reduce((sum, session, i) => sum + mean(session.values) * (weights[i] as number), 0) / total;
  const delta = mean(last.values) - baseline;
  const se = Math.sqrt(lastVariance + 1 / total);
  const t = (tail: number) => studentQuantile(1 - tail / 2, spread.dof);
  const smallestReal = t(SURE / family) * se;
  const wide = smallestReal > 2 * stepOf(measure);
  const verdict =
    Math.abs(delta) > smallestReal
      ? 'real'
      : Math.abs(delta) > t(Math.min(0.9, LIKELY / Math.sqrt(family))) * se
        ? 'maybe'
        : wide
          ? 'cant_tell'
          : 'none';
  const half = t(SURE) * se;
  return { verdict, delta, lo95: delta - half, hi95: delta + half, smallestReal };
}

const noChangeKnown = (): Change => ({
  verdict: 'cant_tell',
  delta: 0,
  lo95: null,
  hi95: null,
  smallestReal: null,
});

const stepOf = (measure: string): number => BAND_ROWS.find((row) => row.id === measure)?.step ?? 1;

interface Spread {
  readonly swing: number;
  readonly day: number;
  readonly dof: number;
}

function spreads(measure: string, sessions: readonly Session[], earlier: readonly Session[]): Spread {
  const { variance, dof } = swingSpread(measure, sessions);
  return {
    swing: variance,
    day: dayVariance(measure, earlier, variance),
    dof: dof + DAY_SPREAD_WEIGHT + Math.max(0, earlier.length - 1),
  };
}

/** How much this player wanders from swing to swing: all repeats of all days, pulled to the guess. */
function swingSpread(measure: string, sessions: readonly Session[]): { variance: number; dof: number } {
  const repeats = sessions.reduce((sum, s) => sum + Math.max(0, s.values.length - 1), 0);
  const deviations = sessions.reduce(
    (sum, s) => sum + (s.values.length > 1 ? squaredDeviations(s.values) : 0),
    0,
  );
  const guess = (SWING_SPREAD_STEPS * stepOf(measure)) ** 2;
  const dof = SWING_SPREAD_WEIGHT + repeats;
  return { variance: (SWING_SPREAD_WEIGHT * guess + deviations) / dof, dof };
}

/** How much session means wander beyond what swings and marks explain, pulled to the guess. */
function dayVariance(measure: string, earlier: readonly Session[], swing: number): number {
  const guess = (DAY_SPREAD_STEPS * stepOf(measure)) ** 2;
  if (earlier.length < 2) return guess;
  const means = earlier.map((session) => mean(session.values));
  const between = squaredDeviations(means) / (means.length - 1);
  const within = mean(earlier.map((s) => swing / s.values.length + sharedShare(measure) * s.sd ** 2));
  const seen = Math.max(0, between - within);
  const weight = earlier.length - 1;
  return (DAY_SPREAD_WEIGHT * guess + weight * seen) / (DAY_SPREAD_WEIGHT + weight);
}

const sessionVariance = (measure: string, session: Session, spread: Spread): number =>
  meanVariance(measure, session, spread.swing) + spread.day;

/** Variance of a day's mean about where the player was that day. */
function meanVariance(measure: string, session: Session, swing: number): number {
  const shared = sharedShare(measure) * session.sd ** 2;
  const own = session.sd ** 2 - shared;
  // Swing spread was estimated from measured values, so it holds the marks' own error already.
  return Math.max(swing, own) / session.values.length + shared;
}

/** A day's mean and what is known of it: its sd, on how many degrees of freedom, and the half-width of 95 %. */
export interface SessionPoint {
  readonly mean: number;
  /** Sd of the mean itself; of one swing's measurement, `sd` says. */
  readonly meanSd: number;
  readonly dof: number;
  readonly half95: number;
}

/**
 * Mean of each session with the half-width of its 95 % interval. The sessions together tell how much this
 * player wanders from swing to swing.
 */
export function sessionPoints(measure: string, sessions: readonly Session[]): SessionPoint[] {
  const { variance, dof } = swingSpread(measure, sessions);
  const wide = studentQuantile(0.975, dof);
  return sessions.map((session) => {
    const meanSd = Math.sqrt(meanVariance(measure, session, variance));
    return { mean: mean(session.values), meanSd, dof, half95: wide * meanSd };
  });
}

/** Where the player's mean of a day stands against the band, and how probably it lies inside. */
export function judgePoint(
  { mean: at, meanSd, dof }: SessionPoint,
  band: Pick<Band, 'lo' | 'hi' | 'step'>,
): Judged {
  return judge(at, meanSd, band, (z) => studentCdf(z, dof));
}
