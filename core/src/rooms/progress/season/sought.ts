import type { Evidence, Way } from './evidence.ts';
import { MOVES, type Move, SOUGHT_SIZES, SPREAD_ROWS } from './seasonTable.ts';

export const NEVER = Number.NEGATIVE_INFINITY;

export function sumLogs(logs: readonly number[]): number {
  let top = NEVER;
  for (const log of logs) if (log > top) top = log;
  if (top === NEVER) return top;
  let sum = 0;
  for (const log of logs) sum += Math.exp(log - top);
  return top + Math.log(sum);
}

/**
 * Log evidence of each moved way after a look, its size being one of those that are looked for instead of anything about nought. What
 * was seen enters by the filter's own answer: it says what the change is under one guess of its size, and so (both being Gaussian)
 * what the same sights say under any other.
 */
export function soughtLogs(evidence: Evidence, moved: readonly Way[], look: number): number[] {
  const jumps = Math.log(evidence.jumpShares[look] as number);
  const practised = evidence.practised[look] as number;
  const units = {
    steady: gainOf(MOVES.steady.lasts, practised),
    tiring: gainOf(MOVES.tiring.lasts, practised),
  };
  return moved.map((way) => {
    const share = SOUGHT_LOGS[way.spread] as number;
    if (share === NEVER) return NEVER;
    const unit = way.move === 'steady' || way.move === 'tiring' ? units[way.move] : 1;
    return (
      share +
      (way.kind === 'jump' ? way.logShare - jumps : 0) +
      way.track.log(look) +
      (way.agreed[look] as number) +
      sizesLog(way, look, unit)
    );
  });
}

const SOUGHT_LOGS = SPREAD_ROWS.map(({ sought }) => Math.log(sought));

const MOVE_IDS = Object.keys(MOVES) as Move[];
const SIZES = new Map(MOVE_IDS.map((id) => [id, SOUGHT_SIZES.filter(({ move }) => move === id)]));

/**
 * Log of how much likelier the sights are under the sizes looked for than under the filter's own guess, shares included. `unit` is what
 * one of a size comes to by the look.
 */
function sizesLog({ move, motion, track }: Way, look: number, unit: number): number {
  const guess = move === 'jump' ? motion.jumpVariance : motion.slopeVariance;
  const size: Gaussian = {
    mean: track.change(look) / unit,
    variance: track.changeVariance(look) / unit ** 2,
  };
  let sum = 0;
  for (const { share, sizeSteps, aboutSteps } of (move && SIZES.get(move)) || [])
    sum += share * (guess > 0 ? Math.exp(likelierBy(size, guess, sizeSteps, aboutSteps ** 2)) : 1);
  return Math.log(sum);
}

/** What a slope of one per practice comes to. */
const gainOf = (lasts: number, practised: number): number => (1 - lasts ** practised) / (1 - lasts);

interface Gaussian {
  readonly mean: number;
  readonly variance: number;
}

/**
 * By how much likelier (log) the sights are where a size is +-`mean` give or take `variance`, than where it is nought give or take `guess`;
 * `found` is what the sights say under the latter.
 */
export function likelierBy(found: Gaussian, guess: number, mean: number, variance: number): number {
  const precision = 1 / found.variance - 1 / guess;
  // The sights say nothing of the size: any guess of it is as good.
  if (precision <= 1e-9) return 0;
  const seen = found.mean / found.variance / precision;
  const error = 1 / precision;
  const none = logUnder(seen, error, 0, guess);
  if (mean === 0) return logUnder(seen, error, 0, variance) - none;
  // Of the two sides the one that was seen, and by how much less likely the other is.
  const nearer = logUnder(Math.abs(seen), error, Math.abs(mean), variance);
  const other = Math.exp((-2 * Math.abs(seen * mean)) / (variance + error));
  return nearer + Math.log((1 + other) / 2) - none;
}

const logUnder = (seen: number, error: number, at: number, spread: number): number =>
  -0.5 * (Math.log(spread + error) + (seen - at) ** 2 / (spread + error));
