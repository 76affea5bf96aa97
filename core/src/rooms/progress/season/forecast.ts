import { gaussian, type IsoDay, plusDays, seededRandom } from '../../../foundation/index.ts';
import { type Belief, knownOf, type Weighed } from './belief.ts';
import { allOf, type Edges, levelOf } from './levelBelief.ts';
import { FORECAST } from './seasonTable.ts';

/** Dates by which a level is where it is wanted: as likely before as after, and the ends of what 8 of 10 lie between. */
export interface Forecast {
  readonly likely: IsoDay;
  readonly lo80: IsoDay;
  readonly hi80: IsoDay;
}

/**
 * When the level comes into the band, or a day after which it is owned, if the work goes on at `practicePerDay`. Paths are drawn
 * from what is believed (the same ones for the same belief); where too few of them arrive within the horizon there is no
 * trend yet, and null.
 */
export function forecastOf(
  belief: Belief,
  edges: Edges,
  today: IsoDay,
  practicePerDay: number,
): { readonly inBand: Forecast | null; readonly owned: Forecast | null } {
  const all = allOf(belief);
  const paths = pathsOf(goingOn(belief));
  const { sd } = levelOf(all);
  if (belief.movedShare < FORECAST.movedAtLeast) return { inBand: null, owned: null };
  const inside = (by: number): Edges => ({
    lo: edges.lo === null ? null : edges.lo + by,
    hi: edges.hi === null ? null : edges.hi - by,
  });
  const sure = inside(Math.min(FORECAST.sureBySds * sd, halfOf(edges)));
  return {
    inBand: datesOf(paths, edges, today, practicePerDay, 0),
    owned: datesOf(paths, sure, today, practicePerDay, FORECAST.ownedAfterDays),
  };
}

/** The ways in which something goes on; a level that has jumped has no trend to speak of. */
function goingOn({ moved }: Belief): Weighed[] {
  const trends = moved.filter(({ way }) => way.kind === 'trend');
  const all = trends.reduce((sum, { weight }) => sum + weight, 0);
  return trends.map((one) => ({ ...one, weight: one.weight / all }));
}

interface Path {
  readonly level: number;
  readonly slope: number;
  readonly lasts: number;
}

/** So many of each way as it weighs, the rest by chance; level and slope together as they are believed. */
function pathsOf(all: readonly Weighed[]): Path[] {
  const random = seededRandom(FORECAST.seed);
  let owing = 0;
  return all.flatMap((one) => {
    const { weight, way } = one;
    const at = knownOf(one);
    owing += weight * FORECAST.paths;
    const many = Math.floor(owing);
    owing -= many;
    const sd = Math.sqrt(at.levelVariance);
    const along = sd > 0 ? at.covariance / sd : 0;
    const rest = Math.sqrt(Math.max(0, at.slopeVariance - along ** 2));
    return Array.from({ length: many }, () => {
      const z = gaussian(random);
      return {
        level: at.level + sd * z,
        slope: at.slope + along * z + rest * gaussian(random),
        lasts: way.motion.lasts,
      };
    });
  });
}

function datesOf(
  paths: readonly Path[],
  edges: Edges,
  today: IsoDay,
  practicePerDay: number,
  after: number,
): Forecast | null {
  const days = paths
    .map((path) => daysTo(path, edges, practicePerDay) + after)
    .filter((day) => day <= FORECAST.horizonDays)
    .sort((a, b) => a - b);
  if (days.length === 0 || days.length < FORECAST.arriveAtLeast * paths.length) return null;
  const at = (share: number) => days[Math.min(days.length - 1, Math.floor(share * days.length))] as number;
  const date = (share: number) => plusDays(today, Math.round(at(share)));
  return { likely: date(0.5), lo80: date(FORECAST.tail), hi80: date(1 - FORECAST.tail) };
}

/** Days until a path is inside; without end where it never gets there. */
function daysTo({ level, slope, lasts }: Path, { lo, hi }: Edges, practicePerDay: number): number {
  const edge = lo !== null && level < lo ? lo : hi !== null && level > hi ? hi : null;
  if (edge === null) return 0;
  // level + slope * (1 - lasts^u) / (1 - lasts) = edge, solved for u.
  const left = 1 - ((edge - level) * (1 - lasts)) / slope;
  if ((edge - level) * slope <= 0 || left <= 0) return Number.POSITIVE_INFINITY;
  return Math.log(left) / Math.log(lasts) / Math.max(1e-9, practicePerDay);
}

const halfOf = ({ lo, hi }: Edges): number =>
  lo !== null && hi !== null ? (hi - lo) / 2 : Number.POSITIVE_INFINITY;
