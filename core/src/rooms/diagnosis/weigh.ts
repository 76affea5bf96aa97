import { CAUSES } from './causeTable.ts';
import type { Evidence } from './evidence.ts';
import type { FaultNetwork, FindingLink } from './network.ts';

/** One finding's part in a fault's odds, in natural-log units. */
export interface Weighed {
  readonly finding: string;
  readonly weight: number;
  readonly source: Evidence['source'];
  readonly measure?: Evidence['measure'];
}

/** A fault's odds taken apart: `start` + all of `for` + all of `against` + `rest` is ln(p / (1 - p)). */
export interface Weights {
  /** Before anything was known of the player. */
  readonly start: number;
  readonly for: readonly Weighed[];
  readonly against: readonly Weighed[];
  /** Everything that is not listed: pieces too small, findings that only bear on other faults, and what odds like these turned out to be worth. */
  readonly rest: number;
}

const NOTABLE = 0.1;

export function logit(p: number): number {
  const safe = Math.min(1 - 1e-12, Math.max(1e-12, p));
  return Math.log(safe / (1 - safe));
}

/**
 * Splits each root's odds over the findings. What bears on none of the roots is laid down first and
 * together; then one piece at a time, the strongest first, each credited with the change it makes.
 */
export function weighEvidence(
  evidence: readonly Evidence[],
  network: FaultNetwork,
  links: ReadonlyMap<string, readonly FindingLink[]>,
  roots: readonly string[],
): Map<string, Weights> {
  if (roots.length === 0) return new Map();
  const near = nearby(roots);
  const bears = (e: Evidence) => (links.get(e.finding) ?? []).some((link) => near.has(link.fault));
  const strength = (e: Evidence) => Math.abs(Math.log(e.ifPresent / e.ifAbsent));
  const order = evidence
    .filter(bears)
    .sort((a, b) => strength(b) - strength(a) || (a.finding < b.finding ? -1 : 1));
  const laid = evidence.filter((e) => !bears(e));
  const start = network.believe([], roots).faults;
  let before = network.believe(laid, roots).faults;
  const sums = new Map(roots.map((root) => [root, open(root, start, before)]));
  for (const piece of order) {
    laid.push(piece);
    const after = network.believe(laid, roots).faults;
    for (const root of roots) {
      const weight = logit(after.get(root) as number) - logit(before.get(root) as number);
      credit(sums.get(root) as Open, piece, weight);
    }
    before = after;
  }
  for (const sum of sums.values()) {
    sum.for.sort((a, b) => b.weight - a.weight);
    sum.against.sort((a, b) => a.weight - b.weight);
  }
  return sums;
}

interface Open {
  readonly start: number;
  readonly for: Weighed[];
  readonly against: Weighed[];
  rest: number;
}

function open(root: string, start: ReadonlyMap<string, number>, laid: ReadonlyMap<string, number>): Open {
  const from = logit(start.get(root) as number);
  return { start: from, for: [], against: [], rest: logit(laid.get(root) as number) - from };
}

function credit(sum: Open, piece: Evidence, weight: number): void {
  if (Math.abs(weight) < NOTABLE) {
    sum.rest += weight;
    return;
  }
  const { finding, source, measure } = piece;
  sum[weight > 0 ? 'for' : 'against'].push({ finding, weight, source, ...(measure ? { measure } : {}) });
}

/** The roots with their direct causes and effects: whose findings move their odds. */
function nearby(roots: readonly string[]): Set<string> {
  const near = new Set(roots);
  for (const { cause, effect } of CAUSES) {
    if (roots.includes(cause)) near.add(effect);
    if (roots.includes(effect)) near.add(cause);
  }
  return near;
}
