import { mean, squaredDeviations, studentCdf, studentQuantile } from '../../foundation/index.ts';
import { BAND_ROWS, type Band } from '../intake/index.ts';
import { type Judged, judge, sharedShare } from '../measures/index.ts';

export interface Session {
  readonly date: string;
  readonly values: readonly number[];
  /** Measurement sd of one swing. */
  readonly sd: number;
}

// Before any repeat swings are seen, a player is taken to wander by half a step from swing to swing. The guess weighs as
// much as three swings.
const SWING_SPREAD_STEPS = 0.5;
const SWING_SPREAD_WEIGHT = 3;

const stepOf = (measure: string): number => BAND_ROWS.find((row) => row.id === measure)?.step ?? 1;

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
