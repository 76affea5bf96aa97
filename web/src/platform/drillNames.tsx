import { createContext, type ReactNode, useContext, useMemo } from 'react';

/** Drills by name, for rooms that come before the one that knows drills. */
export interface DrillNames {
  /** Those that can be picked, by name. */
  readonly all: readonly { readonly id: string; readonly name: string }[];
  /** Of one that was put aside, too. */
  readonly nameOf: (id: string) => string;
}

const namesOf = (ids: readonly string[], nameOf: (id: string) => string): DrillNames => ({
  all: ids.map((id) => ({ id, name: nameOf(id) })).sort((a, b) => a.name.localeCompare(b.name)),
  nameOf,
});

/** Nothing to pick from, as on a student's page, which does not carry the names of all drills. */
const Names = createContext<DrillNames>({ all: [], nameOf: (id) => id });
export const useDrillNames = (): DrillNames => useContext(Names);

export function DrillNamesOf({
  ids,
  nameOf,
  children,
}: {
  readonly ids: readonly string[];
  readonly nameOf: (id: string) => string;
  readonly children: ReactNode;
}) {
  const names = useMemo(() => namesOf(ids, nameOf), [ids, nameOf]);
  return <Names.Provider value={names}>{children}</Names.Provider>;
}
