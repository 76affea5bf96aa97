import { faultName } from '@inchstep/contract/words';
import type { Phase } from '@inchstep/core/diagnosis';
import { type Aid, hasChoice, type Place, resolveSchool, type SchoolPreset } from '@inchstep/core/intake';
import { type Drill, type LoadClass, loadsOf } from '@inchstep/core/prescription';
import type { DrillLibrary } from './drillLibrary.ts';

export interface LibraryWish {
  readonly words: string;
  readonly fault: string;
  readonly phase: Phase | '';
  readonly place: Place | '';
  /** Only what needs no other aid than these; null = any. */
  readonly aids: readonly Aid[] | null;
  /** Leave out drills that load this. */
  readonly spare: LoadClass | '';
  readonly school: SchoolPreset | '';
}

export const NO_WISH: LibraryWish = {
  words: '',
  fault: '',
  phase: '',
  place: '',
  aids: null,
  spare: '',
  school: '',
};

/** Drills that meet every wish; for a fault the strongest first. */
export function findDrills(wish: LibraryWish, library: DrillLibrary): Drill[] {
  const strength = (drill: Drill) => drill.fixes.find((fix) => fix.fault === wish.fault)?.strength ?? 0;
  return library.drills
    .filter((drill) => meets(drill, wish, library))
    .sort((a, b) => strength(b) - strength(a));
}

function meets(drill: Drill, wish: LibraryWish, library: DrillLibrary): boolean {
  const { aids, spare } = wish;
  return (
    (wish.fault === '' || drill.fixes.some((fix) => fix.fault === wish.fault)) &&
    (wish.phase === '' || drill.phase === wish.phase) &&
    (wish.place === '' || drill.places.includes(wish.place)) &&
    (aids === null || drill.aids.every((group) => group.some((aid) => aids.includes(aid)))) &&
    (spare === '' || !loadsOf(drill).some(([load]) => load === spare)) &&
    (wish.school === '' || suits(drill, wish.school)) &&
    wish.words
      .toLowerCase()
      .split(/\s+/)
      .every((word) => textOf(drill, library).includes(word))
  );
}

function suits(drill: Drill, preset: SchoolPreset): boolean {
  const school = resolveSchool({ preset });
  const against = drill.clashes.some((choice) => hasChoice(school, choice));
  return (
    !against && (drill.schools.length === 0 || drill.schools.some((choice) => hasChoice(school, choice)))
  );
}

function textOf(drill: Drill, library: DrillLibrary): string {
  const words = library.wordsOf(drill.id);
  return [
    words?.name,
    words?.purpose,
    words?.cue,
    ...(words?.steps ?? []),
    ...drill.fixes.map((f) => faultName(f.fault)),
  ]
    .join(' ')
    .toLowerCase();
}
