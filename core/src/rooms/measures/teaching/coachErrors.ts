import type { Landmark, Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';
import type { TaughtPlace } from './places.ts';
import { type Axis, ERROR_ROWS, HAND_SD, learntTimes, restTimes, WORLD_SHARE } from './teachTable.ts';
import { usualError } from './usualErrors.ts';

/** One student's checked places of a kind: by how much the network was off beyond what is usual, the mean over his clips; shares of the body. */
export interface PlaceMean {
  readonly view: ViewKind;
  readonly station: Station;
  readonly landmark: Landmark;
  readonly across: number;
  readonly down: number;
  readonly clips: number;
}

const keyOf = ({ view, station, landmark }: Pick<PlaceMean, 'view' | 'station' | 'landmark'>): string =>
  `${view} ${station} ${landmark}`;

export function placeMeans(taught: readonly TaughtPlace[]): PlaceMean[] {
  const sums = new Map<string, { place: TaughtPlace; across: number; down: number; clips: number }>();
  for (const place of taught) {
    const usual = usualError(place.view, place.landmark, place.station);
    const before = sums.get(keyOf(place)) ?? { place, across: 0, down: 0, clips: 0 };
    sums.set(keyOf(place), {
      place,
      across: before.across + place.across - usual.across,
      down: before.down + place.down - usual.down,
      clips: before.clips + 1,
    });
  }
  return [...sums.values()].map(({ place: { view, station, landmark }, across, down, clips }) => ({
    view,
    station,
    landmark,
    across: across / clips,
    down: down / clips,
    clips,
  }));
}

/** What the network errs by with this coach's students beyond what is usual, and the share of the doubt about it that is left. */
interface CoachError {
  readonly mean: number;
  readonly left: number;
}
export type CoachErrors = (view: ViewKind, landmark: Landmark, station: Station, axis: Axis) => CoachError;

const UNKNOWN: CoachError = { mean: 0, left: 1 };
/** Before any student of the coach's has been checked. */
export const NO_STUDENTS: CoachErrors = () => UNKNOWN;

/**
 * How the network errs with a coach's students, from those that were checked (others than the one who is asked about): a coach's cameras,
 * light and people have their own part in its errors, the same for all. Each student is one sight of that part, as unsure as students differ
 * beside it and as his clips leave open (a Gaussian's mean, exactly).
 */
export function coachErrors(students: readonly (readonly PlaceMean[])[]): CoachErrors {
  const seen = new Map<string, PlaceMean[]>();
  for (const means of students)
    for (const mean of means) seen.set(keyOf(mean), [...(seen.get(keyOf(mean)) ?? []), mean]);
  return (view, landmark, station, axis) => {
    const spread = ERROR_ROWS.find((row) => row.view === view && row.landmark === landmark)?.[axis];
    const means = seen.get(keyOf({ view, station, landmark })) ?? [];
    if (!spread || means.length === 0) return UNKNOWN;
    const learnt = Math.max(0, spread.all ** 2 - spread.rest ** 2) * learntTimes(view, station, axis);
    const rest = spread.rest ** 2 * restTimes(view, landmark, station, axis);
    const world = WORLD_SHARE * learnt;
    if (world <= 0) return UNKNOWN;
    let [precision, sum] = [1 / world, 0];
    for (const mean of means) {
      const own = learnt - world + (rest + HAND_SD ** 2) / mean.clips;
      precision += 1 / own;
      sum += mean[axis] / own;
    }
    return { mean: sum / precision, left: 1 / precision / world };
  };
}
