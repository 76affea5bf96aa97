import { hasChoice, type School } from '../intake/index.ts';
import { BALL_SIGNS, CAUSES } from './causeTable.ts';
import { type Factor, marginals } from './eliminate.ts';
import type { Evidence } from './evidence.ts';
import { FAULTS, type LinkStrength } from './faultTable.ts';

/** A fault before anything is known of the player: about 1 in 20, all alike. */
export const PRIOR = 0.05;
/** P(the effect appears because of this one cause). */
const CAUSE_POWER: Record<LinkStrength, number> = { 1: 0.15, 2: 0.4, 3: 0.7 };
const FINDING_POWER: Record<LinkStrength, number> = { 1: 0.3, 2: 0.6, 3: 0.9 };
/** P(a finding is there with none of its faults): looks have other causes, ball flights many. */
const LEAK = { look: 0.01, ball: 0.2 };

export interface FindingLink {
  readonly fault: string;
  readonly strength: LinkStrength;
}

/** Faults that produce each finding, for this school. */
export function findingLinks(school: School): Map<string, FindingLink[]> {
  const links = new Map<string, FindingLink[]>();
  const link = (finding: string, fault: string, strength: LinkStrength) => {
    const list = links.get(finding) ?? [];
    const known = list.find((entry) => entry.fault === fault);
    if (known && known.strength >= strength) return;
    links.set(finding, [...list.filter((entry) => entry !== known), { fault, strength }]);
  };
  for (const fault of FAULTS) {
    for (const { finding, strength, onlyFor } of fault.evidence) {
      if (!onlyFor || hasChoice(school, onlyFor)) link(finding, fault.id, strength);
    }
  }
  for (const { cause, effect, strength } of BALL_SIGNS) link(effect, cause, strength);
  return links;
}

const INDEX = new Map(FAULTS.map((fault, i) => [fault.id, i]));

/**
 * Posterior of every fault: a causal noisy-or network, solved exactly. Each noisy-or with several
 * parents is split by one helper variable into factors of two variables, which keeps the graph
 * thin enough to eliminate (see docs/decisions).
 */
export function faultPosteriors(
  evidence: readonly Evidence[],
  links: ReadonlyMap<string, readonly FindingLink[]>,
): Map<string, number> {
  const factors: Factor[] = [];
  let next = FAULTS.length;
  const pair = (helper: number, parent: number, power: number) =>
    factors.push({ variables: [helper, parent], table: Float64Array.of(1, 1, 1, 1 - power) });
  for (const [i, fault] of FAULTS.entries()) {
    const causes = CAUSES.filter((cause) => cause.effect === fault.id);
    if (causes.length === 0) {
      factors.push({ variables: [i], table: Float64Array.of(1 - PRIOR, PRIOR) });
      continue;
    }
    // P(present) = 1 - (1 - prior) * product of (1 - power): helper 0 is the 1, helper 1 the rest.
    const helper = next++;
    factors.push({ variables: [helper, i], table: Float64Array.of(0, 1 - PRIOR, 1, PRIOR - 1) });
    for (const { cause, strength } of causes) {
      pair(helper, INDEX.get(cause) as number, CAUSE_POWER[strength]);
    }
  }
  for (const { finding, ifPresent, ifAbsent } of evidence) {
    const parents = links.get(finding);
    if (!parents || ifPresent === ifAbsent) continue;
    const leak = finding.startsWith('ball.') ? LEAK.ball : LEAK.look;
    const helper = next++;
    factors.push({
      variables: [helper],
      table: Float64Array.of(ifPresent, (ifAbsent - ifPresent) * (1 - leak)),
    });
    for (const { fault, strength } of parents) {
      pair(helper, INDEX.get(fault) as number, FINDING_POWER[strength]);
    }
  }
  const { one } = marginals(next, factors);
  return new Map(FAULTS.map((fault, i) => [fault.id, one[i] as number]));
}

/** How much of an effect's presence its believed causes account for, 0..1. */
export function explainedShare(effect: string, posteriors: ReadonlyMap<string, number>): number {
  let unexplained = 1;
  for (const cause of CAUSES) {
    if (cause.effect !== effect) continue;
    unexplained *= 1 - CAUSE_POWER[cause.strength] * (posteriors.get(cause.cause) ?? 0);
  }
  const byCauses = 1 - unexplained;
  return byCauses / (byCauses + PRIOR);
}
