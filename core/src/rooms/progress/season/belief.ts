import { normalCdfNear, normalDensity, normalQuantile } from '../../../foundation/index.ts';
import type { Evidence, Way } from './evidence.ts';
import type { Known } from './levelFilter.ts';
import { MOVES, movedShareAt, SPREAD_ROWS } from './seasonTable.ts';
import { NEVER, soughtLogs, sumLogs } from './sought.ts';
import { rowsBeside } from './together.ts';

/** A way with its probability at one look. */
export interface Weighed {
  readonly way: Way;
  readonly at: Known;
  readonly weight: number;
}

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
  const times = MOVES.jump.share / (jumpShares[look] as number);
  const logs = (of: readonly Way[], rows: readonly number[]) =>
    of.map((way) => {
      const share = (way.kind === 'jump' ? times * way.share : way.share) * (rows[way.spread] as number);
      return share === 0
        ? NEVER
        : Math.log(share) + (way.known[look] as Known).log + (way.agreed[look] as number);
    });
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
    const way = ways[i] as Way;
    if (weight > TINY) found.push({ way, at: way.known[look] as Known, weight });
  }
  return found;
}
/** What weighs less than this moves no figure that is shown. */
const TINY = 1e-4;

/** P(change <= x) among those whose level moved; x in steps. */
export function changeCdf(moved: readonly Weighed[], x: number): number {
  let p = 0;
  for (const { at, weight } of moved)
    p += weight * normalCdfNear((x - at.change) / Math.sqrt(at.changeVariance + 1e-12));
  return p;
}
export const meanChange = (moved: readonly Weighed[]): number =>
  moved.reduce((sum, { at, weight }) => sum + weight * at.change, 0);

/**
 * The change below which so much of the belief lies: Newton's steps between two safe ends, halving where a step would leave them,
 * until it is known to a ten-thousandth of a step.
 */
export function changeQuantile(moved: readonly Weighed[], p: number): number {
  const wide = (w: Weighed) => 8 * Math.sqrt(w.at.changeVariance) + 1e-6;
  let lo = Math.min(...moved.map((w) => w.at.change - wide(w)));
  let hi = Math.max(...moved.map((w) => w.at.change + wide(w)));
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
const NEAR = 1e-4;

/** As if the belief were one bell. */
function firstGuess(moved: readonly Weighed[], p: number): number {
  const middle = meanChange(moved);
  let variance = 0;
  for (const { at, weight } of moved) variance += weight * (at.changeVariance + (at.change - middle) ** 2);
  return middle + Math.sqrt(variance) * normalQuantile(p);
}

/** The share of the belief below a change, and its density there. */
function atChange(moved: readonly Weighed[], x: number): { share: number; density: number } {
  let [share, density] = [0, 1e-12];
  for (const { at, weight } of moved) {
    const sd = Math.sqrt(at.changeVariance + 1e-12);
    share += weight * normalCdfNear((x - at.change) / sd);
    density += weight * normalDensity(x, at.change, sd);
  }
  return { share, density };
}
