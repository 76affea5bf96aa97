import { type CaseFile, faultById, reason } from '../diagnosis/index.ts';
import { mostAtOnce } from '../intake/index.ts';
import type { AnyDrillId, Drill } from './drillTable.ts';
import { HOUSE_LIBRARY, type Library } from './library.ts';
import { offer, offersFor, type Prescribed, type Reasoned, type Target } from './offers.ts';
import { type Opening, openings } from './openings.ts';
import { choosePair, type PairAsk } from './pair.ts';
import { type Refusal, refuse } from './rules.ts';

/** What stands before drills of turning through the ball, and a drill that is a start on it. */
interface FirstThing {
  readonly blocker: string;
  readonly start: AnyDrillId | null;
}

export interface Prescription {
  readonly workOn: readonly string[];
  readonly drills: readonly Prescribed[];
  readonly alternatives: readonly Prescribed[];
  readonly rejected: readonly Refusal[];
  readonly blockers: readonly string[];
  /** The coach's own task comes before drills that were refused for it. */
  readonly firstThings: readonly FirstThing[];
  /** Drills in use that stay beside what is offered. */
  readonly beside: readonly string[];
  /** Filled only when nothing can be offered: what the student could get to change that. */
  readonly wouldOpen: readonly Opening[];
}

/**
 * One drill, at most two, for what comes first. `given` replaces the diagnosis's own choice of
 * what to work on (the coach's word goes).
 */
export const prescribe = (
  file: CaseFile,
  given?: readonly string[],
  library: Library = HOUSE_LIBRARY,
): Prescription => matchDrills(file, reason(file), given, library);

/** The same from a diagnosis already made. */
export function matchDrills(
  file: CaseFile,
  diagnosis: Reasoned,
  given?: readonly string[],
  library: Library = HOUSE_LIBRARY,
): Prescription {
  const workOn = given ?? diagnosis.workOn;
  const { blockers } = diagnosis;
  const nothing = { drills: [], alternatives: [], rejected: [], firstThings: [], beside: [], wouldOpen: [] };
  if (workOn.length === 0) return { workOn: [], blockers, ...nothing };
  const asked = workOn
    .slice(0, mostAtOnce(file.student))
    .map((fault) => offersFor(fault, file, diagnosis, library));
  const targets = depthFirst(asked, file, diagnosis, library);
  const drills = choosePair(pairAsk(targets, file, diagnosis, library));
  const taken = new Set(drills.map(({ id }) => id));
  const rejected = unique(targets.flatMap((target) => target.rejected)).filter(({ id }) => !taken.has(id));
  const isShut = asked[0]?.offered.length === 0;
  return {
    workOn,
    drills,
    alternatives: unique(targets.flatMap((target) => target.offered)).filter(({ id }) => !taken.has(id)),
    rejected,
    blockers,
    firstThings: firstThings(rejected, file, diagnosis, library),
    beside: file.active.filter((id) => !drills.some((drill) => drill.id === id)),
    wouldOpen: isShut ? openings(file, workOn[0] as string, diagnosis, library) : [],
  };
}

/** Where drills were refused because depth at the top is missing, its own drill goes before all of them. */
function depthFirst(
  asked: readonly Target[],
  file: CaseFile,
  diagnosis: Reasoned,
  library: Library,
): readonly Target[] {
  const missing = asked[0]?.rejected.find(
    ({ code, about }) => code === 'prerequisite' && faultById(about) !== undefined,
  )?.about;
  if (!missing || asked.some(({ fault }) => fault === missing)) return asked;
  const depth = offersFor(missing, file, diagnosis, library);
  return depth.offered.length > 0 ? [depth, ...asked] : asked;
}

function pairAsk(targets: readonly Target[], file: CaseFile, diagnosis: Reasoned, library: Library): PairAsk {
  const offerFor = (drill: Drill) => {
    const fix =
      drill.fixes.find(({ fault }) => targets.some((target) => target.fault === fault)) ?? drill.fixes[0];
    return offer(drill, fix as Drill['fixes'][number], file, diagnosis);
  };
  return { targets, file, diagnosis, library, offerFor };
}

/** A start on what must be put right before more turn can help. */
const START_OF: Readonly<Record<string, AnyDrillId>> = {
  face_open_top: 'impact_press',
  arms_not_deep: 'round_the_corner',
};

function firstThings(
  rejected: readonly Refusal[],
  file: CaseFile,
  diagnosis: Reasoned,
  library: Library,
): FirstThing[] {
  if (!rejected.some(({ code, about }) => code === 'prerequisite' && diagnosis.blockers.includes(about)))
    return [];
  return diagnosis.blockers.map((blocker) => {
    const drill = library.byId(START_OF[blocker] ?? '');
    return { blocker, start: drill && !refuse(drill, file, diagnosis, library) ? drill.id : null };
  });
}

const unique = <T extends { readonly id: string }>(list: readonly T[]): T[] => [
  ...new Map(list.map((entry) => [entry.id, entry])).values(),
];
