import type { ViewKind } from '../intake/index.ts';

/** Why the program could propose nothing for a clip: it can't be read, nobody stands in it, nobody swings, or more than one does. */
export const LOOK_TROUBLES = ['clip', 'nobody', 'no_swing', 'two_swing'] as const;
export type LookTrouble = (typeof LOOK_TROUBLES)[number];

/** What of a swing says whether its clips were looked through. */
export interface Lookable {
  readonly track: unknown;
  readonly discardedAt: string | null;
  readonly views: readonly {
    readonly kind: ViewKind;
    readonly clipId: string | null;
    readonly stationTimes: Readonly<Record<string, number | undefined>>;
    readonly looked?: LookTrouble | undefined;
  }[];
  readonly marks: readonly { readonly view: string }[];
}

/**
 * Views whose clip nobody has looked through: no station named, no mark put, not yet tried in vain. What a coach has
 * begun is his; a measured track needs no looking.
 */
export function viewsToLook({ track, discardedAt, views, marks }: Lookable): ViewKind[] {
  if (track !== null || discardedAt !== null) return [];
  return views
    .filter(({ clipId, looked }) => clipId !== null && looked === undefined)
    .filter(({ stationTimes }) => Object.keys(stationTimes).length === 0)
    .filter(({ kind }) => !marks.some(({ view }) => view === kind))
    .map(({ kind }) => kind);
}

/** How far a take has come: it waits to be looked through, it has its measures, or nothing could be seen in it. */
type TakeState =
  | { readonly code: 'waits'; readonly views: readonly ViewKind[] }
  | { readonly code: 'unseen'; readonly view: ViewKind; readonly trouble: LookTrouble }
  | { readonly code: 'reading' }
  | { readonly code: 'read'; readonly measures: number; readonly unsure: number };

/** `reading` of the swing's present marks; null while there is none. */
export function takeState(
  swing: Lookable,
  reading: { readonly stale: boolean; readonly measures: readonly { readonly verdict: string }[] } | null,
): TakeState {
  const views = viewsToLook(swing);
  if (views.length > 0) return { code: 'waits', views };
  if (reading && !reading.stale) {
    const unsure = reading.measures.filter(({ verdict }) => verdict === 'cant_tell').length;
    return { code: 'read', measures: reading.measures.length, unsure };
  }
  const [vain] = swing.views.filter(({ looked }) => looked !== undefined);
  return vain?.looked && swing.marks.length === 0
    ? { code: 'unseen', view: vain.kind, trouble: vain.looked }
    : { code: 'reading' };
}
