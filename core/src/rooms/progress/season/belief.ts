import { normalCdf } from '../../../foundation/index.ts';
import type { Evidence, Way } from './evidence.ts';
import type { Known } from './levelFilter.ts';
import { MOVED_SHARE, MOVES, SPREAD_ROWS } from './seasonTable.ts';
import { NEVER, soughtLogs, sumLogs } from './sought.ts';

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
  const movedLogs = logs(moved, evidence.usual);
  const stillLogs = logs(still, evidence.usual);
  const movedLog = sumLogs(movedLogs);
  const stillLog = sumLogs(stillLogs);
  const odds = Math.exp(movedLog - stillLog) * (MOVED_SHARE / (1 - MOVED_SHARE));
  return {
    moved: weighed(moved, movedLogs, movedLog, look),
    still: weighed(still, stillLogs, stillLog, look),
    movedShare: moved.length === 0 ? 0 : Number.isFinite(odds) ? odds / (1 + odds) : 1,
    scepticLog: () =>
      moved.length === 0 ? NEVER : sumLogs(soughtLogs(evidence, moved, look)) - sumLogs(logs(still, SCEPTIC)),
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
    p += weight * normalCdf((x - at.change) / Math.sqrt(at.changeVariance + 1e-12));
  return p;
}
export const meanChange = (moved: readonly Weighed[]): number =>
  moved.reduce((sum, { at, weight }) => sum + weight * at.change, 0);

/**
 * The change below which so much of the belief lies: by false position between two safe ends, the end that stays twice
 * counting half (Illinois), until it is known to a ten-thousandth of a step.
 */
export function changeQuantile(moved: readonly Weighed[], p: number): number {
  const wide = (w: Weighed) => 8 * Math.sqrt(w.at.changeVariance) + 1e-6;
  let lo = Math.min(...moved.map((w) => w.at.change - wide(w)));
  let hi = Math.max(...moved.map((w) => w.at.change + wide(w)));
  // Tails are flat far out: halving comes first, then it is nearly straight.
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (lo + hi) / 2;
    if (changeCdf(moved, middle) < p) lo = middle;
    else hi = middle;
  }
  let [below, above] = [changeCdf(moved, lo) - p, changeCdf(moved, hi) - p];
  for (let i = 0; i < MOST_STEPS && hi - lo > NEAR; i++) {
    const at = below === above ? (lo + hi) / 2 : (lo * above - hi * below) / (above - below);
    const value = changeCdf(moved, at) - p;
    if (Math.abs(value) < NEAR / 100) return at;
    if (value < 0) {
      lo = at;
      below = value;
      above /= 2;
    } else {
      hi = at;
      above = value;
      below /= 2;
    }
  }
  return (lo + hi) / 2;
}
const HALVINGS = 6;
const MOST_STEPS = 20;
const NEAR = 1e-4;
