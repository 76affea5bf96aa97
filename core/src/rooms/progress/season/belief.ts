import { normalCdfNear, normalDensity, normalQuantile } from '../../../foundation/index.ts';
import type { Evidence, Way } from './evidence.ts';
import { MOVES, movedShareAt, SPREAD_ROWS } from './seasonTable.ts';
import { NEVER, soughtLogs, sumLogs } from './sought.ts';
import { rowsBeside } from './together.ts';
import type { Known } from './track.ts';

/** A way with its probability at one look. */
export interface Weighed {
  readonly way: Way;
  readonly look: number;
  readonly weight: number;
  /** What the way says of the change, asked for with each step of a search. */
  readonly change: number;
  readonly changeSd: number;
}

/** All that a way says at its look. */
export const knownOf = ({ way, look }: Weighed): Known => way.track.at(look);

/** What is believed after one look; changes in steps, since the baseline. */
export interface Belief {
  /** Ways in which the level moved, their weights summing to one. */
  readonly moved: readonly Weighed[];
  readonly still: readonly Weighed[];
  /** P(the level moved at all). */
  readonly movedShare: number;
  /** Log odds of "moved" against the sceptic's "still"; made when it is asked for, which is seldom. */
  readonly scepticLog: () => number;
}

export function beliefAt(evidence: Evidence, look: number): Belief {
  const { ways, baseline, jumpShares } = evidence;
  const still = ways.filter(({ kind }) => kind === 'still');
  // A jump that is not yet to come says the same as "still"; those that can have come share what all of them have.
  const moved =
    look < baseline ? [] : ways.filter(({ kind, motion }) => kind !== 'still' && motion.jumpBefore <= look);
  const times = Math.log(MOVES.jump.share / (jumpShares[look] as number));
  const logs = (of: readonly Way[], rows: readonly number[]) => {
    const rowLogs = rows.map(Math.log);
    return of.map(
      ({ kind, logShare, spread, track, agreed }) =>
        (kind === 'jump' ? times : 0) +
        logShare +
        (rowLogs[spread] as number) +
        track.log(look) +
        (agreed[look] as number),
    );
  };
  const others = evidence.others?.[look];
  const usual = rowsBeside(evidence.usual, others);
  const movedLogs = logs(moved, usual);
  const stillLogs = logs(still, usual);
  const movedLog = sumLogs(movedLogs);
  const stillLog = sumLogs(stillLogs);
  const usually = movedShareAt(look + 1 - baseline);
  const odds = Math.exp(movedLog - stillLog) * (usually / (1 - usually));
  return {
    moved: weighed(moved, movedLogs, movedLog, look),
    still: weighed(still, stillLogs, stillLog, look),
    movedShare: moved.length === 0 ? 0 : Number.isFinite(odds) ? odds / (1 + odds) : 1,
    scepticLog: () =>
      moved.length === 0
        ? NEVER
        : sumLogs(soughtLogs(evidence, moved, look)) - sumLogs(logs(still, rowsBeside(SCEPTIC, others))),
  };
}

const SCEPTIC = SPREAD_ROWS.map(({ sceptic }) => sceptic);

/** Those that weigh anything. */
function weighed(ways: readonly Way[], logs: readonly number[], all: number, look: number): Weighed[] {
  const found: Weighed[] = [];
  for (let i = 0; i < ways.length; i++) {
    const weight = Math.exp((logs[i] as number) - all);
    if (weight <= TINY) continue;
    const way = ways[i] as Way;
    const changeSd = Math.sqrt(way.track.changeVariance(look) + 1e-12);
    found.push({ way, look, weight, change: way.track.change(look), changeSd });
  }
  return found;
}
/** What weighs less than this moves no figure that is shown. */
const TINY = 1e-4;

/** P(change <= x) among those whose level moved; x in steps. */
export function changeCdf(moved: readonly Weighed[], x: number): number {
  let p = 0;
  for (const { change, changeSd, weight } of moved) p += weight * normalCdfNear((x - change) / changeSd);
  return p;
}
export const meanChange = (moved: readonly Weighed[]): number =>
  moved.reduce((sum, { change, weight }) => sum + weight * change, 0);

/**
 * The change below which so much of the belief lies: Newton's steps between two safe ends, halving where a step would leave them,
 * until it is known to a ten-thousandth of a step.
 */
export function changeQuantile(moved: readonly Weighed[], p: number): number {
  let [lo, hi] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const { change, changeSd } of moved) {
    lo = Math.min(lo, change - 8 * changeSd);
    hi = Math.max(hi, change + 8 * changeSd);
  }
  let x = firstGuess(moved, p);
  for (let i = 0; i < MOST_STEPS; i++) {
    const { share, density } = atChange(moved, x);
    if (share < p) lo = x;
    else hi = x;
    const next = x + (p - share) / density;
    const safe = next > lo && next < hi ? next : (lo + hi) / 2;
    if (Math.abs(safe - x) < NEAR) return safe;
    x = safe;
  }
  return x;
}
const MOST_STEPS = 60;
/** A step of Newton’s so short has its next one a thousandth of it. */
const NEAR = 2e-3;

/** As if the belief were one bell. */
function firstGuess(moved: readonly Weighed[], p: number): number {
  const middle = meanChange(moved);
  let variance = 0;
  for (const { change, changeSd, weight } of moved)
    variance += weight * (changeSd ** 2 + (change - middle) ** 2);
  return middle + Math.sqrt(variance) * normalQuantile(p);
}

/** The share of the belief below a change, and its density there. */
function atChange(moved: readonly Weighed[], x: number): { share: number; density: number } {
  let [share, density] = [0, 1e-12];
  for (const { change, changeSd, weight } of moved) {
    share += weight * normalCdfNear((x - change) / changeSd);
    density += weight * normalDensity(x, change, changeSd);
  }
  return { share, density };
}
