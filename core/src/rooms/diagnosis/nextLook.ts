import type { CaseFile } from './caseFile.ts';
import type { Evidence } from './evidence.ts';
import { FAULTS } from './faultTable.ts';
import { isBallFinding } from './findings.ts';
import { type FindingLink, faultPosteriors } from './network.ts';

export interface NextLook {
  readonly kind: 'measure' | 'view' | 'object_test' | 'question';
  /** A measure id, a view, or a finding id. */
  readonly id: string;
  readonly gainBits: number;
  /** The faults whose odds it would move most. */
  readonly between: readonly string[];
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
const CANDIDATES = 10;
const WORTHWHILE_BITS = 0.02;
// What a look at a finding says when it is there, and when it is not.
const LOOK: readonly [hit: number, falseAlarm: number] = [0.93, 0.04];

/**
 * The single further look that is expected to settle most: fall of entropy over all faults,
 * averaged over what the look may show. Null when nothing would help.
 */
export function findNextLook(
  file: CaseFile,
  evidence: readonly Evidence[],
  links: ReadonlyMap<string, readonly FindingLink[]>,
  posteriors: ReadonlyMap<string, number>,
): NextLook | null {
  const looked = new Set(evidence.map((e) => e.finding));
  const before = entropy(posteriors);
  const candidates = [...links]
    .filter(([finding]) => !looked.has(finding) && !isBallFinding(finding))
    .map(([finding, parents]) => ({ finding, promise: promise(parents, posteriors) }))
    .sort((a, b) => b.promise - a.promise || (a.finding < b.finding ? -1 : 1))
    .slice(0, CANDIDATES);
  let best: NextLook | null = null;
  for (const { finding } of candidates) {
    const { gainBits, between } = expectedGain(finding, evidence, links, posteriors, before);
    if (gainBits > WORTHWHILE_BITS && gainBits > (best?.gainBits ?? 0)) {
      best = { ...lookAt(file, finding), gainBits, between };
    }
  }
  return best;
}

/** Cheap guide to which findings deserve the exact sum: doubt about the faults they speak for. */
const promise = (parents: readonly FindingLink[], posteriors: ReadonlyMap<string, number>): number =>
  parents.reduce((sum, { fault, strength }) => sum + strength * bits(posteriors.get(fault) ?? 0), 0);

function expectedGain(
  finding: string,
  evidence: readonly Evidence[],
  links: ReadonlyMap<string, readonly FindingLink[]>,
  posteriors: ReadonlyMap<string, number>,
  before: number,
) {
  const [hit, falseAlarm] = LOOK;
  const yes: Evidence = { finding, ifPresent: hit, ifAbsent: falseAlarm, source: 'seen' };
  const no: Evidence = { finding, ifPresent: 1 - hit, ifAbsent: 1 - falseAlarm, source: 'seen' };
  const ifYes = faultPosteriors([...evidence, yes], links);
  const ifNo = faultPosteriors([...evidence, no], links);
  const chance = chanceOfYes(posteriors, ifYes, ifNo);
  const gainBits = before - chance * entropy(ifYes) - (1 - chance) * entropy(ifNo);
  const between = FAULTS.map(({ id }) => ({
    id,
    moved: Math.abs((ifYes.get(id) ?? 0) - (ifNo.get(id) ?? 0)),
  }))
    .sort((a, b) => b.moved - a.moved)
    .slice(0, 2)
    .map(({ id }) => id);
  return { gainBits, between };
}

/** From p = c * yes + (1 - c) * no, read off the fault that the look moves most. */
function chanceOfYes(
  now: ReadonlyMap<string, number>,
  yes: ReadonlyMap<string, number>,
  no: ReadonlyMap<string, number>,
): number {
  let widest = 0;
  let chance = 0;
  for (const [id, p] of now) {
    const gap = (yes.get(id) ?? 0) - (no.get(id) ?? 0);
    if (Math.abs(gap) <= Math.abs(widest)) continue;
    widest = gap;
    chance = (p - (no.get(id) ?? 0)) / gap;
  }
  return Math.min(1, Math.max(0, chance));
}

const bits = (p: number): number => (p <= 0 || p >= 1 ? 0 : -(p * Math.log2(p) + (1 - p) * Math.log2(1 - p)));

const entropy = (posteriors: ReadonlyMap<string, number>): number =>
  [...posteriors.values()].reduce((sum, p) => sum + bits(p), 0);

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
