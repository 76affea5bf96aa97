import type { CaseFile } from './caseFile.ts';
import type { Contradiction } from './contradictions.ts';
import type { Evidence } from './evidence.ts';
import { FAULTS } from './faultTable.ts';
import { isBallFinding } from './findings.ts';
import type { Belief, FaultNetwork, FindingLink } from './network.ts';

export interface NextLook {
  readonly kind: 'measure' | 'view' | 'object_test' | 'question';
  /** A measure id, a view, or a finding id. */
  readonly id: string;
  /** Expected fall of the doubt over all faults. */
  readonly gainBits: number;
  /** The coach's time for it. */
  readonly seconds: number;
  /** The faults whose odds it would move most. */
  readonly between: readonly string[];
}

interface NextLooks {
  /** The look that would settle most, whatever it costs; null when nothing would help. */
  readonly best: NextLook | null;
  /** At most three, by what they settle for the time they take. */
  readonly offered: readonly NextLook[];
}

/** Findings that an object in contact answers, and those that must be asked. */
const OBJECT_TESTS = new Set(['obs.pushes_aid_away', 'obs.leaves_aid']);
const QUESTIONS = new Set(['obs.low_back_ache_after_practice', 'obs.self_reports_still_head']);
/** Seen only from behind the line. */
const DOWN_THE_LINE_ONLY = new Set([
  'seat_drift_top',
  'seat_loss_arm_down',
  'seat_loss_delivery',
  'seat_loss_impact',
]);
/** Asking takes a moment, an object must be fetched, marks placed, a second view filmed. */
const SECONDS: Record<NextLook['kind'], number> = { question: 15, object_test: 60, measure: 45, view: 120 };
/** A look this long is worth half of one that takes no time. */
const HALF_WORTH_SECONDS = 120;
const OFFERED = 3;
const CANDIDATES = 10;
const WORTHWHILE_BITS = 0.02;
// What a look at a finding says when it is there, and when it is not.
const LOOK: readonly [hit: number, falseAlarm: number] = [0.93, 0.04];

/** Findings nobody looked at whose faults are in doubt; a cheap guide to where the exact sum pays. */
export function lookCandidates(
  evidence: readonly Evidence[],
  links: ReadonlyMap<string, readonly FindingLink[]>,
  faults: ReadonlyMap<string, number>,
): string[] {
  const looked = new Set(evidence.map((e) => e.finding));
  const promise = (parents: readonly FindingLink[]): number =>
    parents.reduce((sum, { fault, strength }) => sum + strength * bits(faults.get(fault) ?? 0), 0);
  return [...links]
    .filter(([finding]) => !looked.has(finding) && !isBallFinding(finding))
    .map(([finding, parents]) => ({ finding, promise: promise(parents) }))
    .sort((a, b) => b.promise - a.promise || (a.finding < b.finding ? -1 : 1))
    .slice(0, CANDIDATES)
    .map(({ finding }) => finding);
}

/**
 * Looks by expected fall of entropy over all faults, averaged over what the look may show.
 * `network` must hold the candidates, `belief` is what it says of the evidence now.
 */
export function findNextLooks(
  file: CaseFile,
  evidence: readonly Evidence[],
  candidates: readonly string[],
  network: FaultNetwork,
  belief: Belief,
): NextLooks {
  const best = new Map<string, NextLook>();
  for (const finding of candidates) {
    const gain = expectedGain(finding, evidence, network, belief);
    if (gain.gainBits <= WORTHWHILE_BITS) continue;
    const at = lookAt(file, finding);
    const look = { ...at, ...gain, seconds: SECONDS[at.kind] };
    // Both sides of a measure, and several marks in one missing view, are a single look.
    const key = `${at.kind}/${at.id}`;
    if (look.gainBits > (best.get(key)?.gainBits ?? 0)) best.set(key, look);
  }
  const looks = [...best.values()].sort((a, b) => b.gainBits - a.gainBits);
  const worth = (look: NextLook) => look.gainBits / (1 + look.seconds / HALF_WORTH_SECONDS);
  return {
    best: looks[0] ?? null,
    offered: [...looks].sort((a, b) => worth(b) - worth(a)).slice(0, OFFERED),
  };
}

/** The cheaper of two looks that contradict each other, taken once more: what it would settle if it were new. */
export function lookAgain(
  file: CaseFile,
  { repeat }: Contradiction,
  evidence: readonly Evidence[],
  network: FaultNetwork,
): NextLook {
  const without = evidence.filter((e) => e.finding !== repeat);
  const at = lookAt(file, repeat);
  const gain = expectedGain(repeat, without, network, network.believe(without));
  return { ...at, ...gain, seconds: SECONDS[at.kind] };
}

function expectedGain(
  finding: string,
  evidence: readonly Evidence[],
  network: FaultNetwork,
  now: Belief,
): { gainBits: number; between: string[] } {
  const [hit, falseAlarm] = LOOK;
  const yes: Evidence = { finding, ifPresent: hit, ifAbsent: falseAlarm, source: 'seen' };
  const { faults: ifYes, likelihood } = network.believe([...evidence, yes]);
  const chance = likelihood / now.likelihood;
  const ifNo = withoutIt(now.faults, ifYes, chance);
  const gainBits = entropy(now.faults) - chance * entropy(ifYes) - (1 - chance) * entropy(ifNo);
  const between = FAULTS.map(({ id }) => ({
    id,
    moved: Math.abs((ifYes.get(id) ?? 0) - (ifNo.get(id) ?? 0)),
  }))
    .sort((a, b) => b.moved - a.moved)
    .slice(0, 2)
    .map(({ id }) => id);
  return { gainBits, between };
}

/**
 * What is believed when the look shows nothing. What is known now is the mean of both answers by their chances, so
 * that the second one needs no sums of its own.
 */
function withoutIt(
  now: ReadonlyMap<string, number>,
  ifYes: ReadonlyMap<string, number>,
  chance: number,
): ReadonlyMap<string, number> {
  const no = (id: string, p: number) => (p - chance * (ifYes.get(id) ?? 0)) / (1 - chance);
  return new Map([...now].map(([id, p]) => [id, Math.min(1, Math.max(0, no(id, p)))]));
}

const bits = (p: number): number => (p <= 0 || p >= 1 ? 0 : -(p * Math.log2(p) + (1 - p) * Math.log2(1 - p)));

const entropy = (faults: ReadonlyMap<string, number>): number =>
  [...faults.values()].reduce((sum, p) => sum + bits(p), 0);

function lookAt(file: CaseFile, finding: string): Pick<NextLook, 'kind' | 'id'> {
  if (OBJECT_TESTS.has(finding)) return { kind: 'object_test', id: finding };
  if (QUESTIONS.has(finding)) return { kind: 'question', id: finding };
  const measure = finding.split('.')[0] as string;
  const isMeasure = finding.endsWith('.low') || finding.endsWith('.high');
  if (!isMeasure) return { kind: 'question', id: finding };
  const filmed = file.student.films.includes('down_the_line');
  if (DOWN_THE_LINE_ONLY.has(measure) && !filmed) return { kind: 'view', id: 'down_the_line' };
  return { kind: 'measure', id: measure };
}
