import type { Evidence, Way } from './evidence.ts';
import { HOUSE_SPREADS, MOVED_SHARE, SPREAD_ROWS } from './seasonTable.ts';
import { NEVER } from './sought.ts';

/** Days of film from which on a season says anything of how days stray. */
export const TELLING_DAYS = 3;
/** Below so many students the house's table is all there is; from then on it weighs as much as so many of them. */
const HOUSE_STUDENTS = 5;

/**
 * How well each row of `SPREAD_ROWS` accounts for a season (log, the best at nought), whether the level moved or not; null where
 * the season is too short to tell. Asked after the last occasion, or after an earlier one.
 */
export function spreadLogs({ occasions, ways }: Evidence, look = occasions.length - 1): number[] | null {
  if (look + 1 < TELLING_DAYS) return null;
  const rows = rowLogs(ways, look);
  const best = Math.max(...rows);
  return rows.map((log) => (log === NEVER ? FAR : Math.max(FAR, log - best)));
}
/**
 * Log of how well each row accounts for what was seen, half of the players having moved. Sums of hundreds of ways, for every film
 * of every measure: they are gone over twice, once for the likeliest of each row and once for the rest beside it.
 */
function rowLogs(ways: readonly Way[], look: number): number[] {
  const tops = SPREAD_ROWS.map(() => NEVER);
  const logs: number[] = [];
  for (const { spread, kind, logShare, motion, track, agreed } of ways) {
    if (motion.jumpBefore > look) {
      logs.push(NEVER);
      continue;
    }
    const log =
      (kind === 'still' ? LOG_STILL : LOG_MOVED) + logShare + track.log(look) + (agreed[look] as number);
    if (log > (tops[spread] as number)) tops[spread] = log;
    logs.push(log);
  }
  const sums = SPREAD_ROWS.map(() => 0);
  for (let i = 0; i < ways.length; i++) {
    const { spread } = ways[i] as Way;
    const less = (logs[i] as number) - (tops[spread] as number);
    if (less > TOO_LITTLE) sums[spread] = (sums[spread] as number) + Math.exp(less);
  }
  return tops.map((top, row) => (top === NEVER ? NEVER : top + Math.log(sums[row] as number)));
}
/** A way that much less likely adds nothing to hundreds of others that a double could hold apart. */
const TOO_LITTLE = -45;
const LOG_STILL = Math.log(1 - MOVED_SHARE);
const LOG_MOVED = Math.log(MOVED_SHARE);

/** So much worse than the best says "not this one"; more would only make numbers unruly. */
const FAR = -50;

/**
 * How often each row is met among a coach's students: the house's table counted as so many students of its own, and every student
 * by what his season says of each row (expectation and maximisation of a Dirichlet's mean, until it stands). Each student counts
 * once, however many measures were looked at.
 */
export function coachSpreads(students: readonly (readonly number[])[]): readonly number[] {
  if (students.length < HOUSE_STUDENTS) return HOUSE_SPREADS;
  let weights = [...HOUSE_SPREADS];
  for (let round = 0; round < ROUNDS; round++) {
    const counts = HOUSE_SPREADS.map((usual) => HOUSE_STUDENTS * usual);
    for (const logs of students) {
      const all = logs.map((log, row) => (weights[row] as number) * Math.exp(log));
      const total = all.reduce((a, b) => a + b, 0);
      all.forEach((share, row) => {
        counts[row] = (counts[row] as number) + share / total;
      });
    }
    weights = counts.map((count) => count / (HOUSE_STUDENTS + students.length));
  }
  return weights;
}
const ROUNDS = 60;
