import type { TaughtPlace } from './places.ts';

/** Three whole clips of a view: solving goes with the third power of places, and what more of them say is little. */
export const MOST_PLACES = 312;

/**
 * The places that say most, where there are too many: of each day first the clip with most of them, from the last day back, then the second
 * ones. Clips of one day share its cameras and light, and say less beside each other than those of two days.
 */
export function mostTelling(places: readonly TaughtPlace[]): readonly TaughtPlace[] {
  if (places.length <= MOST_PLACES) return places;
  const clips = [...groupedBy(places, ({ clip }) => clip).values()].map((own) => ({
    own,
    on: (own[0] as TaughtPlace).on,
  }));
  const ranked = [...groupedBy(clips, ({ on }) => on).values()].flatMap((ofDay) =>
    ofDay.sort((a, b) => b.own.length - a.own.length).map((clip, rank) => ({ ...clip, rank })),
  );
  ranked.sort((a, b) => a.rank - b.rank || (a.on < b.on ? 1 : a.on > b.on ? -1 : 0));
  return ranked.flatMap(({ own }) => own).slice(0, MOST_PLACES);
}

function groupedBy<T>(list: readonly T[], key: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of list) {
    const had = groups.get(key(one));
    if (had) had.push(one);
    else groups.set(key(one), [one]);
  }
  return groups;
}
