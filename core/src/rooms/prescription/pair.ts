import type { CaseFile } from '../diagnosis/index.ts';
import { mostAtOnce } from '../intake/index.ts';
import type { Drill } from './drillTable.ts';
import { guards } from './guards.ts';
import type { Library } from './library.ts';
import type { Prescribed, Target } from './offers.ts';
import { drillsClash, type Found, guardsFor, tendsTo, wantsGuard } from './rules.ts';
import type { ScorePart } from './score.ts';

export interface PairAsk {
  /** One or two roots with their offers, the first first. */
  readonly targets: readonly Target[];
  readonly file: CaseFile;
  readonly diagnosis: Found;
  readonly library: Library;
  readonly offerFor: (drill: Drill) => Prescribed;
}

/** A second drill for the same root must earn its place beside the first. */
const SUPPORT_SHARE = 0.55;
const GUARDS = 1.5;

/**
 * At most two drills that can stand side by side and beside those in use. Each of two roots gets its own; where
 * there is one, the second guards the first or helps from another side. What may only be given with a guard is.
 */
export function choosePair(ask: PairAsk): readonly Prescribed[] {
  const { targets, file, library } = ask;
  const [first, second] = targets;
  const offers = first && first.offered.length > 0 ? first.offered : (second?.offered ?? []);
  const kept = offers.filter(({ id }) => file.active.includes(id)).slice(0, 1);
  const room = mostAtOnce(file.student) - file.active.filter((id) => id !== kept[0]?.id).length;
  const drillOf = ({ id }: Prescribed) => library.byId(id) as Drill;
  if (room <= 0) return kept;
  for (const primary of kept.length > 0 ? kept : offers) {
    const drill = drillOf(primary);
    const partner = room > 1 ? partnerOf(drill, primary, ask) : null;
    const isGuarded = [...file.active.map((id) => library.byId(id)), partner && drillOf(partner)].some(
      (other) => other && guards(other, drill),
    );
    if (wantsGuard(drill, ask.diagnosis) && !isGuarded) continue;
    return partner ? [primary, { ...partner, role: 'support' }] : [primary];
  }
  return [];
}

function partnerOf(drill: Drill, primary: Prescribed, ask: PairAsk): Prescribed | null {
  const { targets, diagnosis, library } = ask;
  const canStandBeside = ({ id }: Prescribed): boolean => {
    const other = library.byId(id) as Drill;
    return id !== drill.id && !drillsClash(drill, id, library) && needsNoOther(other, drill, diagnosis);
  };
  const guardians = guardOffers(drill, ask).filter(canStandBeside);
  const [guardian] = guardians;
  if (guardian && wantsGuard(drill, diagnosis)) {
    const others = targets.find((target) => target.fault !== primary.forFault);
    return guardians.find(({ id }) => others?.offered.some((other) => other.id === id)) ?? guardian;
  }
  const other = targets.find((target) => target.fault !== primary.forFault);
  const forOther = other?.offered.find(canStandBeside);
  if (forOther) return forOther;
  const sameRoot = targets[0]?.offered.filter(canStandBeside) ?? [];
  const support = sameRoot.find((one) => helpsFromAnotherSide(one, primary, drill, library)) ?? null;
  // A tendency to overdo is better guarded than the root helped from another side.
  const isTended = tendsTo(drill.overdo, diagnosis);
  const isNamed = guardian !== undefined && guardian.id === drill.guard;
  return isTended || isNamed ? (guardian ?? support) : support;
}

/** A guard that would itself have to be guarded by a third is none. */
const needsNoOther = (other: Drill, beside: Drill, diagnosis: Found): boolean =>
  !wantsGuard(other, diagnosis) || guards(beside, other);

/** Guards of a drill as offers, the named one first, then those that help the root as well, then by fit. */
function guardOffers(drill: Drill, { file, diagnosis, library, offerFor, targets }: PairAsk): Prescribed[] {
  const faults = new Set(targets.map(({ fault }) => fault));
  const rank = (other: Drill) =>
    (other.id === drill.guard ? 4 : 0) + (other.fixes.some(({ fault }) => faults.has(fault)) ? 2 : 0);
  return guardsFor(drill, file, diagnosis, library)
    .map((guard) => ({ guard, offer: withPart(offerFor(guard), drill.id) }))
    .sort((a, b) => rank(b.guard) - rank(a.guard) || b.offer.score - a.offer.score)
    .map(({ offer }) => offer);
}

function withPart(offer: Prescribed, guarded: string): Prescribed {
  const part: ScorePart = { code: 'guards', points: GUARDS, about: guarded };
  return { ...offer, score: offer.score + GUARDS, parts: [...offer.parts, part] };
}

/** Another kind of cue or another use of the ball, and not the same thing made by too much of both. */
function helpsFromAnotherSide(
  other: Prescribed,
  primary: Prescribed,
  drill: Drill,
  library: Library,
): boolean {
  const { cue, ball, overdo } = library.byId(other.id) as Drill;
  const differs = cue.kind !== drill.cue.kind || ball !== drill.ball;
  const sameOverdo = overdo !== null && overdo === drill.overdo;
  return other.score >= SUPPORT_SHARE * primary.score && differs && !sameOverdo;
}
