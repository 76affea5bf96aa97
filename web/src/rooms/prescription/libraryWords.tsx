import { type LibraryWords, wordsFrom } from '@inchstep/contract/words';
import { createContext, type ReactNode, useContext } from 'react';

const Words = createContext<LibraryWords>(wordsFrom(() => undefined));

/** Names and texts of drills; whoever needs no more than these does not fetch the drills themselves. */
export const useLibraryWords = (): LibraryWords => useContext(Words);

export const WordsOf = ({
  words,
  children,
}: {
  readonly words: LibraryWords;
  readonly children: ReactNode;
}) => <Words.Provider value={words}>{children}</Words.Provider>;
