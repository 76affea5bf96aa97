import { mostAtOnce } from '../intake/index.ts';
import { type Strength, strengthOf } from '../measures/index.ts';
import { bandContextOf, type CaseFile } from './caseFile.ts';
import { downstreamOf } from './causeTable.ts';
import { type Contradiction, contradictionsIn, excludedBy } from './contradictions.ts';
import { type Evidence, measuredEvidence, seenEvidence } from './evidence.ts';
import { BLOCKERS, FAULTS, type Fault } from './faultTable.ts';
import { honestFaults, honestWeights } from './honestOdds.ts';
import { FaultNetwork, type FindingLink, findingLinks, readOnOneSide } from './network.ts';
import { findNextLooks, lookAgain, lookCandidates, type NextLook } from './nextLook.ts';
import {
  BELIEVED,
  contradictedRoots,
  faultSeverities,
  findRoots,
  PRESENT_RATIO,
  presentFindings,
  rankRoots,
  standsOn,
} from './roots.ts';
import { type Weighed, type Weights, weighEvidence } from './weigh.ts';

export interface Root {
  readonly fault: string;
  readonly probability: number;
  readonly strength: Strength;
  readonly explains: readonly string[];
  /** Natural-log odds taken apart: start, for, against and rest add up to the answer. */
  readonly start: number;
  readonly for: readonly Weighed[];
  readonly against: readonly Weighed[];
  readonly rest: number;
  /** Findings that are there and that nothing else believed would account for. */
  readonly onlyExplains: readonly string[];
}

interface LeftAlone {
  readonly fault: string;
  readonly probability: number;
  readonly why:
    | { readonly code: 'follows'; readonly root: string }
    | { readonly code: 'later' }
    /** It rests on a look that another one excludes. */
    | { readonly code: 'contradicted'; readonly findings: readonly [string, string] }
    | { readonly code: 'unsure' };
}

export interface Diagnosis {
  readonly enough: boolean;
  readonly roots: readonly Root[];
  readonly workOn: readonly string[];
  readonly leaveAlone: readonly LeftAlone[];
  readonly blockers: readonly string[];
  /** Looks of which one must be wrong. */
  readonly contradictions: readonly Contradiction[];
  /** The further look that would settle most. */
  readonly nextLook: NextLook | null;
  /** At most three looks, by what they settle for their time. */
  readonly nextLooks: readonly NextLook[];
  readonly faults: Readonly<Record<string, number>>;
  /** Findings that are there, measured or seen. */
  readonly present: readonly string[];
  /** Steps beyond the band of each fault's own clearest finding, where one is there. */
  readonly strengths: Readonly<Record<string, number>>;
}

const WORTH_MENTIONING = 0.25;
/** Looks that found something or nothing, below which silence says little. */
const ENOUGH_LOOKS = 8;

/** Ranked, explained diagnosis of a checked case. */
export function diagnose(file: CaseFile): Diagnosis {
  const { evidence, links, posteriors, ...answer } = reason(file);
  const looks = furtherLooks(file, evidence, links, posteriors, answer.contradictions);
  return { ...answer, nextLook: looks.best, nextLooks: looks.offered };
}

/** The diagnosis without what to look at next, for callers that only need the faults. */
export function reason(file: CaseFile) {
  const evidence = gatherEvidence(file);
  const links = readOnOneSide(findingLinks(file.school), evidence);
  const network = new FaultNetwork(
    links,
    evidence.map((e) => e.finding),
  );
  const given = network.believe(evidence).faults;
  const posteriors = honestFaults(given);
  const present = presentFindings(evidence);
  const severities = faultSeverities(evidence, links, present);
  const believed = FAULTS.filter((fault) => (posteriors.get(fault.id) ?? 0) > BELIEVED);
  const contradictions = contradictionsIn(evidence, present);
  const found = findRoots(believed, posteriors, links, present, severities);
  const doubted = contradictedRoots(found, contradictions, links, posteriors);
  const rootFaults = rankRoots(
    found.filter(({ id }) => !doubted.has(id)),
    posteriors,
    severities,
    file.school,
  );
  const weights = weighEvidence(
    evidence,
    network,
    links,
    rootFaults.map((fault) => fault.id),
  );
  const roots = rootFaults.map(
    (fault): Root => ({
      fault: fault.id,
      probability: posteriors.get(fault.id) as number,
      strength: strengthOf(severities.get(fault.id) ?? 0),
      explains: explainedBy(fault.id, believed, rootFaults),
      ...honestWeights(weights.get(fault.id) as Weights, given.get(fault.id) as number),
      onlyExplains: [...present].filter((finding) => standsOn(finding, fault.id, links, posteriors)),
    }),
  );
  const workOn = chooseWork(file, roots, posteriors);
  const enough = roots.length > 0 || looksTaken(evidence) >= ENOUGH_LOOKS;
  return {
    evidence,
    links,
    posteriors,
    enough,
    roots,
    workOn,
    contradictions,
    leaveAlone: leaveAlone(roots, workOn, posteriors, doubted),
    blockers: BLOCKERS.filter(({ finding }) => present.has(finding)).map(({ id }) => id),
    faults: Object.fromEntries(posteriors),
    present: [...present],
    strengths: Object.fromEntries(severities),
  };
}

function furtherLooks(
  file: CaseFile,
  evidence: readonly Evidence[],
  links: ReadonlyMap<string, readonly FindingLink[]>,
  posteriors: ReadonlyMap<string, number>,
  contradictions: readonly Contradiction[],
) {
  const candidates = lookCandidates(evidence, links, posteriors);
  const network = new FaultNetwork(links, [...evidence.map((e) => e.finding), ...candidates]);
  const looks = findNextLooks(file, evidence, candidates, network, network.believe(evidence));
  const [first] = contradictions;
  if (!first) return looks;
  // Before anything new is looked at, it is cleared up which of the two is so.
  const again = lookAgain(file, first, evidence, network);
  const others = looks.offered.filter(({ kind, id }) => kind !== again.kind || id !== again.id);
  return { best: again, offered: [again, ...others].slice(0, looks.offered.length || 1) };
}

function gatherEvidence(file: CaseFile): Evidence[] {
  const context = bandContextOf(file);
  const measured = file.measures.flatMap((measure) => measuredEvidence(measure, context));
  const doubled =
    file.school.centre === 'slide'
      ? measured.map((e) => (e.finding.startsWith('hip_extension_chest_through') ? squared(e) : e))
      : measured;
  const known = new Set(doubled.map((e) => e.finding));
  const seen = file.findings.map(seenEvidence).filter((e) => !known.has(e.finding));
  const taken = [...doubled, ...seen];
  return [...taken, ...saidAgainst(file, new Set(taken.map((e) => e.finding)))];
}

/** What a look that found something says against those that nobody took. */
function saidAgainst(file: CaseFile, looked: ReadonlySet<string>): Evidence[] {
  const excluded = file.findings.flatMap(({ id, seen }) => (seen === 'present' ? excludedBy(id) : []));
  return [...new Set(excluded)]
    .filter((finding) => !looked.has(finding))
    .map((id) => seenEvidence({ id, seen: 'absent' }));
}

/** The slide school lets hip extension count double. */
const squared = (e: Evidence): Evidence => ({
  ...e,
  ifPresent: e.ifPresent ** 2,
  ifAbsent: e.ifAbsent ** 2,
});

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
  return roots
    .filter((root) => (posteriors.get(root.fault) ?? 0) > BELIEVED)
    .slice(0, mostAtOnce(file.student))
    .map((root) => root.fault);
}

function leaveAlone(
  roots: readonly Root[],
  workOn: readonly string[],
  posteriors: ReadonlyMap<string, number>,
  doubted: ReadonlyMap<string, Contradiction>,
): LeftAlone[] {
  const left: LeftAlone[] = [];
  for (const { id } of FAULTS) {
    const probability = posteriors.get(id) ?? 0;
    if (workOn.includes(id) || probability < WORTH_MENTIONING) continue;
    const root = roots.find((r) => r.fault === id || r.explains.includes(id));
    const doubt = doubted.get(id);
    if (doubt) left.push({ fault: id, probability, why: { code: 'contradicted', findings: doubt.findings } });
    else if (root && root.fault !== id)
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
