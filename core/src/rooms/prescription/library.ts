import { DRILLS, type Drill } from './drillTable.ts';

/** A drill the coach wrote, alone or from a copy of another. */
export interface OwnDrill {
  readonly drill: Drill;
  /** The drill it was copied from. */
  readonly basedOn: string | null;
  /** Stands in for the drill it was copied from, which is then no longer offered. */
  readonly replaces: boolean;
  /** Put aside: known to old plans, offered to nobody. */
  readonly retired: boolean;
}

/** The drills a match may offer, and every drill that a plan or a record may name. */
export interface Library {
  readonly drills: readonly Drill[];
  readonly byId: (id: string) => Drill | undefined;
}

/** The built-in drills with the coach's own beside or in place of them. */
export function libraryWith(own: readonly OwnDrill[]): Library {
  const live = own.filter((entry) => !entry.retired);
  const replaced = new Set(live.filter((entry) => entry.replaces).map((entry) => entry.basedOn));
  const drills = [
    ...DRILLS.filter((drill) => !replaced.has(drill.id)),
    ...live.map((entry) => entry.drill).filter((drill) => !replaced.has(drill.id)),
  ];
  const known = new Map<string, Drill>(
    [...DRILLS, ...own.map((entry) => entry.drill)].map((drill) => [drill.id, drill]),
  );
  return { drills, byId: (id) => known.get(id) };
}

/** The coach's own drills among those named, to go along with a record that is read elsewhere. */
export const ownDrillsOf = (library: Library, named: Iterable<string>): Drill[] =>
  [...new Set(named)].flatMap((id) => {
    const drill = library.byId(id);
    return drill && id.startsWith('own_') ? [drill] : [];
  });

/** The house's drills with those that came along. */
export const libraryAlong = (own: readonly Drill[]): Library =>
  libraryWith(own.map((drill) => ({ drill, basedOn: null, replaces: false, retired: false })));

export const HOUSE_LIBRARY: Library = libraryWith([]);
