import type { Capture, Landmark, Mark, Station } from '../capture/index.ts';
import { type BodyFit, fitBody } from './bodyFit.ts';

export interface Swapped {
  readonly view: string;
  readonly station: Station;
}

/** Fewer pairs than this at a station say nothing about sides. */
const PAIRS_NEEDED = 2;
/** A swap must make the whole capture this much likelier (half chi-square) to be spoken of. */
const WORTH_SAYING = 15;

/** The right place settles at once from where the fit stood; the others need not be followed to their end. */
const MOST_ITERATIONS = 24;

/** The same landmark of the other side. */
function otherSide(landmark: Landmark): Landmark {
  if (landmark.startsWith('lead_')) return landmark.replace('lead_', 'trail_') as Landmark;
  if (landmark.startsWith('trail_')) return landmark.replace('trail_', 'lead_') as Landmark;
  return landmark;
}

/** Marks with lead and trail changed about at one station of one view. */
export const swapSides = <M extends Pick<Mark, 'view' | 'station' | 'landmark'>>(
  marks: readonly M[],
  { view, station }: Swapped,
): M[] =>
  marks.map((mark) =>
    mark.view === view && mark.station === station ? { ...mark, landmark: otherSide(mark.landmark) } : mark,
  );

/**
 * Where lead and trail seem to be changed about: places that fit much better the other way round,
 * the clearest first. Asked only where some mark contradicts the rest, since each place is a refit.
 */
export function swappedSides(capture: Capture, fit: BodyFit): Swapped[] {
  if (fit.suspects.length === 0) return [];
  return placesWithPairs(capture.marks)
    .map((place) => {
      const other = fitBody({ ...capture, marks: swapSides(capture.marks, place) }, fit, MOST_ITERATIONS);
      return { place, gain: badness(fit) - badness(other) };
    })
    .filter(({ gain }) => gain > WORTH_SAYING)
    .sort((a, b) => b.gain - a.gain)
    .map(({ place }) => place);
}

/** Cost of the fit, with every mark that had to be left out counted at what it takes to be left out. */
const LEFT_OUT_COST = 10;
export const badness = (fit: BodyFit): number => fit.cost + LEFT_OUT_COST * fit.suspects.length;

function placesWithPairs(marks: readonly Mark[]): Swapped[] {
  const pairs = new Map<string, { place: Swapped; count: number }>();
  const held = new Set(marks.map((m) => `${m.view}/${m.station}/${m.landmark}`));
  for (const { view, station, landmark } of marks) {
    if (!landmark.startsWith('lead_') || !held.has(`${view}/${station}/${otherSide(landmark)}`)) continue;
    const key = `${view}/${station}`;
    const entry = pairs.get(key) ?? { place: { view, station }, count: 0 };
    entry.count++;
    pairs.set(key, entry);
  }
  return [...pairs.values()].filter(({ count }) => count >= PAIRS_NEEDED).map(({ place }) => place);
}
