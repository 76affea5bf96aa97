import type { OwnDrillDocument } from '@inchstep/contract/formats';
import { createContext, type ReactNode, useContext, useMemo } from 'react';
import { DrillNamesOf } from '../../platform/drillNames.tsx';
import { type DrillLibrary, drillLibrary } from './drillLibrary.ts';
import { WordsOf } from './libraryWords.tsx';
import { useOwnDrills } from './queries.ts';

const InUse = createContext<DrillLibrary>(drillLibrary([]));
export const useLibrary = (): DrillLibrary => useContext(InUse);

/** Drills and their words for whatever is inside. */
export function LibraryOf({
  own,
  children,
}: {
  readonly own: readonly OwnDrillDocument[];
  readonly children: ReactNode;
}) {
  const library = useMemo(() => drillLibrary(own), [own]);
  const ids = useMemo(() => library.drills.map(({ id }) => id), [library]);
  return (
    <InUse.Provider value={library}>
      <DrillNamesOf ids={ids} nameOf={library.nameOf}>
        <WordsOf words={library}>{children}</WordsOf>
      </DrillNamesOf>
    </InUse.Provider>
  );
}

const NONE: readonly OwnDrillDocument[] = [];

/** For the coach's screens: until the own drills are here, the built-in ones are. */
export function CoachLibrary({ children }: { readonly children: ReactNode }) {
  const own = useOwnDrills();
  return <LibraryOf own={own.data ?? NONE}>{children}</LibraryOf>;
}
