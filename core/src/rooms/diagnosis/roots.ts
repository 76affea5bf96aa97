import type { BeginAt, School } from '../intake/index.ts';
import { CAUSES, downstreamOf } from './causeTable.ts';
import type { Contradiction } from './contradictions.ts';
import type { Evidence } from './evidence.ts';
import { type Fault, PHASES, type Phase } from './faultTable.ts';
import { isBallFinding } from './findings.ts';
import { explainedShare, FINDING_POWER, type FindingLink } from './network.ts';

/** Believed = more likely than not. */
export const BELIEVED = 0.5;
/** A finding counts as there when what was seen makes it this much likelier than not. */
export const PRESENT_RATIO = 3;
/** Causes that account for less than this leave a fault standing on its own. */
const EXPLAINED = 0.5;
/** Other faults that make a finding less likely than this leave it without a cause. */
const UNEXPLAINED = 0.25;

export const presentFindings = (evidence: readonly Evidence[]): Set<string> =>
  new Set(evidence.filter((e) => e.ifPresent > PRESENT_RATIO * e.ifAbsent).map((e) => e.finding));

/** Steps beyond the band of each fault's own findings; something merely seen counts as clear. */
export function faultSeverities(
  evidence: readonly Evidence[],
  links: ReadonlyMap<string, readonly FindingLink[]>,
  present: ReadonlySet<string>,
): Map<string, number> {
  const severities = new Map<string, number>();
  for (const e of evidence) {
    if (!present.has(e.finding)) continue;
    const steps = e.measure ? Math.abs(e.measure.severity) : 1;
    for (const { fault, strength } of links.get(e.finding) ?? []) {
      if (strength === 1) continue;
      severities.set(fault, Math.max(severities.get(fault) ?? 0, steps));
    }
  }
  return severities;
}

/** Believed faults with findings of their own that no believed cause accounts for. */
export function findRoots(
  believed: readonly Fault[],
  posteriors: ReadonlyMap<string, number>,
  links: ReadonlyMap<string, readonly FindingLink[]>,
  present: ReadonlySet<string>,
  severities: ReadonlyMap<string, number>,
): Fault[] {
  const ids = new Set(believed.map((fault) => fault.id));
  const own = (fault: Fault) => hasOwnEvidence(fault.id, links, present);
  const grounded = new Set(believed.filter(own).map((fault) => fault.id));
  const anchored = anchoredIn(grounded, ids);
  return believed.filter((fault) => {
    if (!grounded.has(fault.id)) return false;
    const causes = CAUSES.filter((c) => c.effect === fault.id && anchored.has(c.cause));
    if (causes.length === 0) return true;
    if (explainedShare(fault.id, onlyBelieved(posteriors, anchored)) < EXPLAINED) return true;
    // A mere hint from upstream doesn't account for a fault two grades stronger than its cause.
    const mine = severities.get(fault.id) ?? 0;
    return causes.every((c) => c.strength === 1 && mine - (severities.get(c.cause) ?? 0) >= 1);
  });
}

/** Believed faults with evidence of their own, or below one: only these can take the blame for another. */
function anchoredIn(grounded: ReadonlySet<string>, believed: ReadonlySet<string>): Set<string> {
  const anchored = new Set(grounded);
  for (const id of grounded)
    for (const below of downstreamOf(id)) if (believed.has(below)) anchored.add(below);
  return anchored;
}

const onlyBelieved = (posteriors: ReadonlyMap<string, number>, ids: ReadonlySet<string>) =>
  new Map([...posteriors].map(([id, p]) => [id, ids.has(id) ? p : 0]));

function hasOwnEvidence(
  fault: string,
  links: ReadonlyMap<string, readonly FindingLink[]>,
  present: ReadonlySet<string>,
): boolean {
  for (const finding of present) {
    if (isBallFinding(finding)) continue;
    if (links.get(finding)?.some((link) => link.fault === fault && link.strength >= 2)) return true;
  }
  return false;
}

/**
 * Of two roots that rest on looks of which one must be wrong, only the likelier is named; the other with the
 * contradiction that it falls to.
 */
export function contradictedRoots(
  roots: readonly Fault[],
  contradictions: readonly Contradiction[],
  links: ReadonlyMap<string, readonly FindingLink[]>,
  posteriors: ReadonlyMap<string, number>,
): Map<string, Contradiction> {
  const doubted = new Map<string, Contradiction>();
  const likely = (fault: Fault) => posteriors.get(fault.id) ?? 0;
  for (const contradiction of contradictions) {
    const [one, other] = contradiction.findings.map((finding) => {
      const faults = (links.get(finding) ?? []).filter(({ strength }) => strength >= 2);
      return roots.filter(({ id }) => faults.some(({ fault }) => fault === id));
    }) as [Fault[], Fault[]];
    for (const a of one)
      for (const b of other)
        if (a.id !== b.id) doubted.set((likely(a) < likely(b) ? a : b).id, contradiction);
  }
  return doubted;
}

/** A later fault goes first only when it carries clearly more than an earlier one. */
const PHASE_LEAD = 1.6;

/** Where a school begins; the others follow along the swing. */
const FIRST_PHASE: Record<BeginAt, Phase> = { order: 'setup', finish: 'through', half_way: 'down' };

/** 0 for the phase that this school mends first. */
export function phaseRank(phase: Phase, school: Pick<School, 'begin_at'>): number {
  const first = FIRST_PHASE[school.begin_at];
  return [first, ...PHASES.filter((p) => p !== first)].indexOf(phase);
}

export function rankRoots(
  roots: readonly Fault[],
  posteriors: ReadonlyMap<string, number>,
  severities: ReadonlyMap<string, number>,
  school: Pick<School, 'begin_at'>,
): Fault[] {
  const score = (fault: Fault) => {
    const carried = [fault.id, ...downstreamOf(fault.id)]
      .filter((id) => (posteriors.get(id) ?? 0) > BELIEVED)
      .reduce((sum, id) => sum + (posteriors.get(id) as number), 0);
    const grade = Math.min(3, severities.get(fault.id) ?? 0);
    return carried + grade + PHASE_LEAD * (PHASES.length - phaseRank(fault.phase, school));
  };
  return [...roots].sort((a, b) => score(b) - score(a));
}

/** Would a finding be without a believed cause if this fault were not there? */
export function standsOn(
  finding: string,
  fault: string,
  links: ReadonlyMap<string, readonly FindingLink[]>,
  posteriors: ReadonlyMap<string, number>,
): boolean {
  const parents = links.get(finding) ?? [];
  if (!parents.some((link) => link.fault === fault)) return false;
  const none = parents
    .filter((link) => link.fault !== fault)
    .reduce((left, link) => left * (1 - FINDING_POWER[link.strength] * (posteriors.get(link.fault) ?? 0)), 1);
  return 1 - none < UNEXPLAINED;
}
