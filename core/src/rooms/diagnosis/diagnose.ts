import { type Strength, strengthOf } from '../measures/index.ts';
import { bandContextOf, type CaseFile } from './caseFile.ts';
import { CAUSES, downstreamOf } from './causeTable.ts';
import { type Evidence, measuredEvidence, seenEvidence } from './evidence.ts';
import { BLOCKERS, FAULTS, type Fault, PHASES } from './faultTable.ts';
import { isBallFinding } from './findings.ts';
import {
  explainedShare,
  FaultNetwork,
  type FindingLink,
  findingLinks,
  PRIOR,
  readOnOneSide,
} from './network.ts';
import { findNextLooks, lookCandidates, type NextLook } from './nextLook.ts';
import { type Weighed, weighEvidence } from './weigh.ts';

export interface Root {
  readonly fault: string;
  readonly probability: number;
  readonly strength: Strength;
  readonly explains: readonly string[];
  /** Natural-log odds from the prior to the answer; for, against and the rest add up to it. */
  readonly for: readonly Weighed[];
  readonly against: readonly Weighed[];
}

export interface LeftAlone {
  readonly fault: string;
  readonly probability: number;
  readonly why:
    | { readonly code: 'follows'; readonly root: string }
    | { readonly code: 'later' }
    | { readonly code: 'unsure' };
}

export interface Diagnosis {
  readonly enough: boolean;
  readonly roots: readonly Root[];
  readonly workOn: readonly string[];
  readonly leaveAlone: readonly LeftAlone[];
  readonly blockers: readonly string[];
  /** The further look that would settle most. */
  readonly nextLook: NextLook | null;
  /** At most three looks, by what they settle for their time. */
  readonly nextLooks: readonly NextLook[];
  readonly faults: Readonly<Record<string, number>>;
}

/** Believed = more likely than not. */
const BELIEVED = 0.5;
const WORTH_MENTIONING = 0.25;
/** A finding counts as there when what was seen makes it this much likelier than not. */
const PRESENT_RATIO = 3;
/** Causes that account for less than this leave a fault standing on its own. */
const EXPLAINED = 0.5;
/** Looks that found something or nothing, below which silence says little. */
const ENOUGH_LOOKS = 8;

/** Ranked, explained diagnosis of a checked case. */
export function diagnose(file: CaseFile): Diagnosis {
  const evidence = gatherEvidence(file);
  const links = readOnOneSide(findingLinks(file.school), evidence);
  const network = new FaultNetwork(
    links,
    evidence.map((e) => e.finding),
  );
  const posteriors = network.believe(evidence).faults;
  const present = presentFindings(evidence);
  const severities = faultSeverities(evidence, links, present);
  const believed = FAULTS.filter((fault) => (posteriors.get(fault.id) ?? 0) > BELIEVED);
  const rootFaults = rankRoots(
    findRoots(believed, posteriors, links, present, severities),
    posteriors,
    severities,
  );
  const weights = weighEvidence(
    evidence,
    network,
    rootFaults.map((fault) => fault.id),
    posteriors,
  );
  const roots = rootFaults.map(
    (fault): Root => ({
      fault: fault.id,
      probability: posteriors.get(fault.id) as number,
      strength: strengthOf(severities.get(fault.id) ?? 0),
      explains: explainedBy(fault.id, believed, rootFaults),
      ...(weights.get(fault.id) as { for: Weighed[]; against: Weighed[] }),
    }),
  );
  const workOn = chooseWork(file, roots, posteriors);
  const looks = furtherLooks(file, evidence, links, posteriors);
  const enough = roots.length > 0 || looksTaken(evidence) >= ENOUGH_LOOKS;
  return {
    enough,
    roots,
    workOn,
    leaveAlone: leaveAlone(roots, workOn, posteriors),
    blockers: BLOCKERS.filter(({ finding }) => present.has(finding)).map(({ id }) => id),
    nextLook: looks.best,
    nextLooks: looks.offered,
    faults: Object.fromEntries(posteriors),
  };
}

function furtherLooks(
  file: CaseFile,
  evidence: readonly Evidence[],
  links: ReadonlyMap<string, readonly FindingLink[]>,
  posteriors: ReadonlyMap<string, number>,
) {
  const candidates = lookCandidates(evidence, links, posteriors);
  const network = new FaultNetwork(links, [...evidence.map((e) => e.finding), ...candidates]);
  return findNextLooks(file, evidence, candidates, network, network.believe(evidence));
}

export function gatherEvidence(file: CaseFile): Evidence[] {
  const context = bandContextOf(file);
  const measured = file.measures.flatMap((measure) => measuredEvidence(measure, context));
  const doubled =
    file.school.centre === 'slide'
      ? measured.map((e) => (e.finding.startsWith('hip_extension_chest_through') ? squared(e) : e))
      : measured;
  const known = new Set(doubled.map((e) => e.finding));
  const seen = file.findings.map(seenEvidence).filter((e) => !known.has(e.finding));
  return [...doubled, ...seen];
}

/** The slide school lets hip extension count double. */
const squared = (e: Evidence): Evidence => ({
  ...e,
  ifPresent: e.ifPresent ** 2,
  ifAbsent: e.ifAbsent ** 2,
});

const presentFindings = (evidence: readonly Evidence[]): Set<string> =>
  new Set(evidence.filter((e) => e.ifPresent > PRESENT_RATIO * e.ifAbsent).map((e) => e.finding));

/** Steps beyond the band of each fault's own findings; something merely seen counts as clear. */
function faultSeverities(
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
function findRoots(
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

export function hasOwnEvidence(
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

/** A later fault goes first only when it carries clearly more than an earlier one. */
const PHASE_LEAD = 1.6;

function rankRoots(
  roots: readonly Fault[],
  posteriors: ReadonlyMap<string, number>,
  severities: ReadonlyMap<string, number>,
): Fault[] {
  const score = (fault: Fault) => {
    const carried = [fault.id, ...downstreamOf(fault.id)]
      .filter((id) => (posteriors.get(id) ?? 0) > BELIEVED)
      .reduce((sum, id) => sum + (posteriors.get(id) as number), 0);
    const grade = Math.min(3, severities.get(fault.id) ?? 0);
    return carried + grade + PHASE_LEAD * (PHASES.length - PHASES.indexOf(fault.phase));
  };
  return [...roots].sort((a, b) => score(b) - score(a));
}

function explainedBy(root: string, believed: readonly Fault[], roots: readonly Fault[]): string[] {
  const rootIds = new Set(roots.map((fault) => fault.id));
  const below = downstreamOf(root);
  return believed.filter((f) => below.has(f.id) && !rootIds.has(f.id)).map((f) => f.id);
}

/** Two at most; one for a beginner, a child or a short week. */
function chooseWork(
  file: CaseFile,
  roots: readonly Root[],
  posteriors: ReadonlyMap<string, number>,
): string[] {
  const { beginner, ageYears, minutesPerWeek } = file.student;
  const most = beginner || ageYears < 18 || minutesPerWeek < 60 ? 1 : 2;
  return roots
    .filter((root) => (posteriors.get(root.fault) ?? 0) > BELIEVED)
    .slice(0, most)
    .map((root) => root.fault);
}

function leaveAlone(
  roots: readonly Root[],
  workOn: readonly string[],
  posteriors: ReadonlyMap<string, number>,
): LeftAlone[] {
  const left: LeftAlone[] = [];
  for (const { id } of FAULTS) {
    const probability = posteriors.get(id) ?? 0;
    if (workOn.includes(id) || probability < WORTH_MENTIONING) continue;
    const root = roots.find((r) => r.fault === id || r.explains.includes(id));
    if (root && root.fault !== id)
      left.push({ fault: id, probability, why: { code: 'follows', root: root.fault } });
    else if (root) left.push({ fault: id, probability, why: { code: 'later' } });
    else left.push({ fault: id, probability, why: { code: 'unsure' } });
  }
  return left.sort((a, b) => b.probability - a.probability);
}

/** Looks that said something clear, one way or the other. */
const looksTaken = (evidence: readonly Evidence[]): number =>
  evidence.filter((e) => {
    const ratio = e.ifPresent / e.ifAbsent;
    return ratio > PRESENT_RATIO || ratio < 1 / PRESENT_RATIO;
  }).length;

/** How surprising the prior alone is, for callers that show odds: ln(p / (1 - p)). */
export const priorLogOdds = Math.log(PRIOR / (1 - PRIOR));
