import { type OwnDrillDocument, toDrill } from '@inchstep/contract/formats';
import { type LibraryWords, wordsWith } from '@inchstep/contract/words';
import { type Library, libraryWith } from '@inchstep/core/prescription';

/** Drills with their words, built-in and the coach's own, as every screen reads them. */
export type DrillLibrary = Library & LibraryWords & { readonly own: readonly OwnDrillDocument[] };

export const drillLibrary = (own: readonly OwnDrillDocument[]): DrillLibrary => ({
  ...libraryWith(own.map((entry) => ({ ...entry, drill: toDrill(entry.drill) }))),
  ...wordsWith(own),
  own,
});
