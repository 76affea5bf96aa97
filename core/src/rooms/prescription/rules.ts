import { BELIEVED, type CaseFile, type Diagnosis, type DrillHistory, FAULTS } from '../diagnosis/index.ts';
import { hasChoice, isChild, type Limit, mostAtOnce } from '../intake/index.ts';
import type { AnyDrillId, Drill, LoadClass } from './drillTable.ts';
import { guards, meetsBothSides } from './guards.ts';
import { HOUSE_LIBRARY, type Library } from './library.ts';
import { depthMissing, needsDepthAtTop, trainsTurnThrough } from './prerequisites.ts';

type RuleCode = 'clash' | 'limit' | 'aid' | 'place' | 'school' | 'overdo' | 'prerequisite' | 'weak';

/** Why a drill is not offered; `about` is the id the sentence needs (a limit, an aid, a drill ..). */
export interface Refusal {
  readonly id: AnyDrillId;
  readonly code: RuleCode;
  readonly about: string;
}

export const LIMIT_OF_LOAD: Record<LoadClass, Limit> = {
  B: 'back',
  H: 'hip',
  K: 'knee',
  A: 'ankle',
  T: 'balance',
};

/** What the rules read of a diagnosis. */
export type Found = Pick<Diagnosis, 'faults' | 'blockers' | 'present'>;

/** The first hard rule that refuses a drill for this case, or null. Safety is asked first. */
export function refuse(
  drill: Drill,
  file: CaseFile,
  diagnosis: Found,
  library: Library = HOUSE_LIBRARY,
): Refusal | null {
  const refusal = refuseAlone(drill, file, diagnosis, library);
  if (refusal || !overdone(drill, diagnosis)) return refusal;
  if (meetsBothSides(drill)) return null;
  const roomForOne = mostAtOnce(file.student) > 1;
  const guarded = guardsFor(drill, file, diagnosis, library).some(
    ({ id }) => roomForOne || file.active.includes(id),
  );
  if (guarded) return null;
  return { id: drill.id, code: 'overdo', about: drill.overdo as string };
}

/** A fault that is believed is shown already; from here on a tendency to it is watched and guarded. */
const TENDENCY = 0.2;
export const tendsTo = (fault: string | null, { faults }: Pick<Found, 'faults'>): boolean =>
  fault !== null && (faults[fault] ?? 0) > TENDENCY;

/** What too much of it makes is there already. */
const overdone = (drill: Drill, { faults }: Pick<Found, 'faults'>): boolean =>
  drill.overdo !== null && (faults[drill.overdo] ?? 0) > BELIEVED;

/** Whether it may only be given with a guard beside it. */
export const wantsGuard = (drill: Drill, diagnosis: Found): boolean =>
  overdone(drill, diagnosis) && !meetsBothSides(drill);

/** Drills that may stand beside this one and hold its overdoing in check; one in use will do. */
export function guardsFor(drill: Drill, file: CaseFile, diagnosis: Found, library: Library): Drill[] {
  return library.drills.filter(
    (other) =>
      guards(other, drill) &&
      !overdone(other, diagnosis) &&
      !drillsClash(drill, other.id, library) &&
      !refuseAlone(other, file, diagnosis, library),
  );
}

/**
 * What the rules say against drills that the coach picked, whatever they are for: each alone, one that wants a
 * guard without any beside it, and two that quarrel.
 */
export function refusalsOf(
  picked: readonly Drill[],
  file: CaseFile,
  diagnosis: Found,
  library: Library = HOUSE_LIBRARY,
): Refusal[] {
  const active = file.active.map((id) => library.byId(id)).filter((drill) => drill !== undefined);
  return picked.flatMap((drill): Refusal[] => {
    const refusal = refuse(drill, file, diagnosis, library);
    if (refusal) return [refusal];
    const isGuarded = [...picked, ...active].some((other) => guards(other, drill));
    if (wantsGuard(drill, diagnosis) && !isGuarded)
      return [{ id: drill.id, code: 'overdo', about: drill.overdo as string }];
    const quarrel = picked.find((other) => other !== drill && drillsClash(drill, other.id, library));
    return quarrel ? [{ id: drill.id, code: 'clash', about: quarrel.id }] : [];
  });
}

/** Every hard rule but the one that a guard can lift. */
function refuseAlone(drill: Drill, file: CaseFile, diagnosis: Found, library: Library): Refusal | null {
  const say = (code: RuleCode, about: string): Refusal => ({ id: drill.id, code, about });
  const limit = limitRefusal(drill, file);
  if (limit) return say('limit', limit);
  const aid = drill.aids.find((group) => !group.some((one) => file.student.aids.includes(one)));
  if (aid) return say('aid', aid.join('/'));
  if (!drill.places.some((place) => file.student.places.includes(place))) {
    return say('place', drill.places.join('/'));
  }
  const school = schoolRefusal(drill, file);
  if (school) return say('school', school);
  const clash = file.active.find((other) => other !== drill.id && drillsClash(drill, other, library));
  if (clash) return say('clash', clash);
  if (trainsTurnThrough(drill) && diagnosis.blockers.length > 0) {
    return say('prerequisite', diagnosis.blockers[0] as string);
  }
  const depth = needsDepthAtTop(drill) ? depthMissing(diagnosis) : null;
  if (depth) return say('prerequisite', depth);
  if (drill.after && !file.active.includes(drill.after) && !historyHas(file, drill.after))
    return say('prerequisite', drill.after);
  return null;
}

/** Pain closes every drill; a limit closes marked loads; balance trouble closes light ones too. */
function limitRefusal(drill: Drill, file: CaseFile): Limit | null {
  const { limits } = file.student;
  if (limits.includes('pain')) return 'pain';
  for (const [load, grade] of loadsOf(drill)) {
    const limit = LIMIT_OF_LOAD[load];
    if (limits.includes(limit) && (grade === 2 || limit === 'balance')) return limit;
  }
  return null;
}

export const loadsOf = (drill: Drill): [LoadClass, 1 | 2][] =>
  Object.entries(drill.loads) as [LoadClass, 1 | 2][];

function schoolRefusal(drill: Drill, file: CaseFile): string | null {
  const against = drill.clashes.find((choice) => hasChoice(file.school, choice));
  if (against) return against;
  if (drill.schools.length === 0) return null;
  return drill.schools.some((choice) => hasChoice(file.school, choice)) ? null : (drill.schools[0] as string);
}

/** Two drills quarrel when the table keeps them apart, or the coach who wrote one of them does. */
export function drillsClash(a: Drill, otherId: string, library: Library = HOUSE_LIBRARY): boolean {
  const b = library.byId(otherId);
  return b !== undefined && (a.notWith.includes(b.id) || b.notWith.includes(a.id));
}

export interface Caution {
  readonly code:
    | 'light_load'
    | 'overruled_load'
    | 'marked_load'
    | 'object_near_swing'
    | 'stick_cap'
    | 'clear_space'
    | 'child'
    | 'hazard';
  readonly about: string;
}

/** The few cautions this drill needs for this student. */
export function cautionsFor(drill: Drill, file: CaseFile): Caution[] {
  const cautions: Caution[] = [];
  for (const [load, grade] of loadsOf(drill)) {
    const limit = LIMIT_OF_LOAD[load];
    const limited = file.student.limits.includes(limit);
    // Only a coach who overruled the limit can have brought a marked load here.
    if (limited && (grade === 2 || limit === 'balance'))
      cautions.push({ code: 'overruled_load', about: limit });
    else if (limited) cautions.push({ code: 'light_load', about: limit });
    else if (grade === 2) cautions.push({ code: 'marked_load', about: limit });
  }
  const aids = drill.aids.flat();
  if (aids.includes('stick') && drill.ball !== 'no') cautions.push({ code: 'stick_cap', about: 'stick' });
  const near = (['chair', 'basket', 'box'] as const).find((aid) => aids.includes(aid));
  if (near && drill.ball !== 'no') cautions.push({ code: 'object_near_swing', about: near });
  if (aids.includes('bucket')) cautions.push({ code: 'clear_space', about: 'bucket' });
  if (isChild(file.student)) cautions.push({ code: 'child', about: 'guardian' });
  return cautions;
}

/** Measures that show early whether the drill is being overdone. */
export function watchesFor(drill: Drill, diagnosis: Pick<Diagnosis, 'faults'>): string[] {
  if (!drill.overdo) return [];
  const fault = FAULTS.find((candidate) => candidate.id === drill.overdo);
  if (!fault) return [];
  const measured = fault.evidence
    .filter((link) => link.strength === 3 && !link.finding.startsWith('obs.'))
    .map((link) => link.finding.replace(/\.(low|high)$/, ''));
  return tendsTo(drill.overdo, diagnosis) ? measured : measured.slice(0, 1);
}

const historyHas = (file: CaseFile, drill: string): boolean =>
  file.history.some((entry) => entry.drill === drill);

export const historyWith = (drill: Drill, history: readonly DrillHistory[]) =>
  history.filter((entry) => entry.drill === drill.id).at(-1)?.outcome ?? null;
