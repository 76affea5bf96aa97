import { hasChoice, type School } from '../intake/index.ts';
import { BALL_SIGNS, CAUSES } from './causeTable.ts';
import { type Factor, type Plan, planSums } from './eliminate.ts';
import type { Evidence } from './evidence.ts';
import { FAULTS, type LinkStrength } from './faultTable.ts';
import { isBallFinding } from './findings.ts';
import { Sums } from './sums.ts';

/** A fault before anything is known of the player: about 1 in 20, all alike. */
export const PRIOR = 0.05;
/**
 * P(the effect appears because of this one cause). Lower than a coach’s “nearly always”: a fault goes
 * on in one way in one player and in another way in the next, so an effect that stays away says little.
 */
export const CAUSE_POWER: Record<LinkStrength, number> = { 1: 0.055, 2: 0.12, 3: 0.35 };
export const FINDING_POWER: Record<LinkStrength, number> = { 1: 0.1, 2: 0.5, 3: 0.93 };
/** P(a finding is there with none of its faults): looks have other causes, ball flights many. */
export const LEAK = { look: 0.0005, ball: 0.2 };

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
    for (const { finding, strength, onlyFor, notFor } of fault.evidence) {
      if (onlyFor && !hasChoice(school, onlyFor)) continue;
      if (notFor && hasChoice(school, notFor)) continue;
      link(finding, fault.id, strength);
    }
  }
  for (const { cause, effect, strength } of BALL_SIGNS) link(effect, cause, strength);
  return links;
}

/**
 * A fault that shows on either side of one measure is read on the side where the measure lies;
 * that it is not on the other side as well says nothing.
 */
export function readOnOneSide(
  links: ReadonlyMap<string, readonly FindingLink[]>,
  evidence: readonly Evidence[],
): Map<string, readonly FindingLink[]> {
  const ratio = new Map(evidence.map((e) => [e.finding, e.ifPresent / e.ifAbsent]));
  const read = new Map(links);
  for (const [low, parents] of links) {
    const high = low.replace(/\.low$/, '.high');
    const others = links.get(high);
    if (high === low || !others) continue;
    const weaker = (ratio.get(low) ?? 0) > (ratio.get(high) ?? 0) ? high : low;
    const both = new Set(parents.map((l) => l.fault).filter((f) => others.some((l) => l.fault === f)));
    read.set(
      weaker,
      (links.get(weaker) as readonly FindingLink[]).filter((l) => !both.has(l.fault)),
    );
  }
  return read;
}

const INDEX = new Map<string, number>(FAULTS.map((fault, i) => [fault.id, i]));
const ALL_FAULTS = FAULTS.map((fault) => fault.id);

/** What the network says of the faults asked for, and how likely all of the evidence is. */
export interface Belief {
  readonly faults: ReadonlyMap<string, number>;
  readonly likelihood: number;
}

/** Plans of the shapes met last: swings filmed alike have the same findings, and a plan is a seventh of a diagnosis. */
const PLANS = new Map<string, Plan>();
const MOST_PLANS = 32;

function planFor(count: number, scopes: readonly (readonly number[])[]): Plan {
  const shape = `${count} ${scopes.join(' ')}`;
  const plan = PLANS.get(shape) ?? planSums(count, scopes);
  PLANS.delete(shape);
  PLANS.set(shape, plan);
  const [eldest] = PLANS.keys();
  if (PLANS.size > MOST_PLANS && eldest !== undefined) PLANS.delete(eldest);
  return plan;
}

/**
 * A causal noisy-or network over all faults and some findings, solved exactly. Each noisy-or with
 * several parents is split by one helper variable into factors of two variables, which keeps the
 * graph thin enough to eliminate (see docs/decisions). Findings without evidence are summed out.
 */
export class FaultNetwork {
  private readonly sums: Sums;
  /** Index of each finding's own factor. */
  private readonly ownTable = new Map<string, number>();
  /** The evidence that the sums are of. */
  private summed: ReadonlyMap<string, Evidence> = new Map();

  constructor(links: ReadonlyMap<string, readonly FindingLink[]>, findings: readonly string[]) {
    const factors: Factor[] = [];
    let next = FAULTS.length;
    const pair = (helper: number, parent: string, power: number) =>
      factors.push({
        variables: [helper, INDEX.get(parent) as number],
        table: Float64Array.of(1, 1, 1, 1 - power),
      });
    for (const [i, fault] of FAULTS.entries()) {
      const causes = CAUSES.filter((cause) => cause.effect === fault.id);
      if (causes.length === 0) {
        factors.push({ variables: [i], table: Float64Array.of(1 - PRIOR, PRIOR) });
        continue;
      }
      // P(present) = 1 - (1 - prior) * product of (1 - power): helper 0 is the 1, helper 1 the rest.
      const helper = next++;
      factors.push({ variables: [helper, i], table: Float64Array.of(0, 1 - PRIOR, 1, PRIOR - 1) });
      for (const { cause, strength } of causes) pair(helper, cause, CAUSE_POWER[strength]);
    }
    for (const finding of new Set(findings)) {
      const parents = links.get(finding);
      if (!parents) continue;
      const helper = next++;
      this.ownTable.set(finding, factors.length);
      factors.push({ variables: [helper], table: UNSEEN });
      for (const { fault, strength } of parents) pair(helper, fault, FINDING_POWER[strength]);
    }
    this.sums = new Sums(
      planFor(
        next,
        factors.map((factor) => factor.variables),
      ),
      factors.map((factor) => factor.table),
    );
  }

  /** What the evidence says of these faults. Only what differs from the evidence before is summed anew. */
  believe(evidence: readonly Evidence[], of: readonly string[] = ALL_FAULTS): Belief {
    this.take(new Map(evidence.map((e) => [e.finding, e])));
    const ones = this.sums.ones(of.map((fault) => INDEX.get(fault) as number));
    return {
      faults: new Map(of.map((fault, i) => [fault, ones[i] as number])),
      likelihood: this.sums.total(),
    };
  }

  private take(wanted: ReadonlyMap<string, Evidence>): void {
    for (const [finding, at] of this.ownTable) {
      const now = wanted.get(finding);
      if (now === this.summed.get(finding)) continue;
      this.sums.set(at, now ? findingTable(finding, now.ifPresent, now.ifAbsent) : UNSEEN);
    }
    this.summed = wanted;
  }
}

/** A finding that was not looked at: whatever its state, it says nothing. */
const UNSEEN = Float64Array.of(1, 0);

const findingTable = (finding: string, ifPresent: number, ifAbsent: number): Float64Array =>
  Float64Array.of(ifPresent, (ifAbsent - ifPresent) * (1 - (isBallFinding(finding) ? LEAK.ball : LEAK.look)));

/** Posterior of every fault, for callers that ask once. */
export const faultPosteriors = (
  evidence: readonly Evidence[],
  links: ReadonlyMap<string, readonly FindingLink[]>,
): ReadonlyMap<string, number> =>
  new FaultNetwork(
    links,
    evidence.map((e) => e.finding),
  ).believe(evidence).faults;

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
