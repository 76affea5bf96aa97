import { FOUND_STATIONS, type Landmark, MARKS_WANTED } from '@inchstep/core/capture';
import { backwardInPlace, choleskyInPlace, forwardInPlace } from '@inchstep/core/foundation';
import { VIEW_KINDS, type ViewKind } from '@inchstep/core/intake';
import { type ErrorAxis, FACTORS, FRAME_KINDS, type FrameKind, frameKindOf } from '@inchstep/core/measures';
import { AXES, type ErrorReading, mean, type Sight } from './errorReading.ts';

/** So much of a correlation is taken to be there. */
const TAKEN = 0.9;
/** The same of stations, which many landmarks tell. */
const ALIKE_TAKEN = 0.95;
/** As many sights of a kind of frame as the word of all frames is worth. */
const ALL_FRAMES_WORTH = 15;
/** Of a landmark's variance, so much at most is shared with others. */
const MOST_SHARED = 0.8;
/** An error counts at most as so many sds. */
const MOST_SDS = 3;
const ROUNDS = 300;

const capped = (z: number): number => Math.max(-MOST_SDS, Math.min(MOST_SDS, z));

interface Correlations {
  readonly of: readonly (readonly number[])[];
  readonly sights: number;
}

/** Correlations of the errors of one frame, or of what changes in it from day to day, which look alike: the mean of both. */
function correlations(
  reading: ErrorReading,
  view: ViewKind,
  axis: ErrorAxis,
  isOf: (sight: Sight) => boolean,
): Correlations {
  const landmarks = MARKS_WANTED[view];
  const ways = [reading.strays, reading.changes].map((way) => {
    const by = landmarks.map(
      (landmark) =>
        new Map(
          way
            .call(reading, view, landmark, axis)
            .filter(isOf)
            .map((one) => [one.of, capped(one.z)]),
        ),
    );
    return landmarks.map((_, i) => landmarks.map((__, j) => correlation(by[i] as Zs, by[j] as Zs)));
  });
  const sights = Math.max(...landmarks.map((one) => reading.strays(view, one, axis).filter(isOf).length));
  const of = landmarks.map((_, i) =>
    landmarks.map((__, j) => (i === j ? 1 : TAKEN * mean(ways.map((way) => way[i]?.[j] as number)))),
  );
  return { of, sights };
}

type Zs = ReadonlyMap<string, number>;

function correlation(a: Zs, b: Zs): number {
  let [xy, xx, yy] = [0, 0, 0];
  for (const [of, x] of a) {
    const y = b.get(of);
    if (y === undefined) continue;
    xy += x * y;
    xx += x * x;
    yy += y * y;
  }
  return xx > 0 && yy > 0 ? xy / Math.sqrt(xx * yy) : 0;
}

/** Loadings on so many factors that leave least of the correlations over (least squares, a landmark at a time). */
export function leastResiduals(of: readonly (readonly number[])[], factors: number): number[][] {
  const n = of.length;
  // From anywhere that is not alike for all.
  const loadings = of.map((_, i) =>
    Array.from({ length: factors }, (__, k) => 0.5 * Math.cos(i * (k + 1) + k)),
  );
  for (let round = 0; round < ROUNDS; round++)
    for (let i = 0; i < n; i++) {
      const normal = new Float64Array(factors * factors);
      const right = new Array<number>(factors).fill(0);
      for (let j = 0; j < n; j++) {
        if (j === i) continue;
        const other = loadings[j] as number[];
        for (let k = 0; k < factors; k++) {
          right[k] = (right[k] as number) + (other[k] as number) * (of[i]?.[j] as number);
          for (let m = 0; m < factors; m++)
            normal[k * factors + m] =
              (normal[k * factors + m] as number) + (other[k] as number) * (other[m] as number);
        }
      }
      for (let k = 0; k < factors; k++) normal[k * factors + k] = (normal[k * factors + k] as number) + 1e-6;
      const own = solved(normal, right);
      const shared = own.reduce((sum, x) => sum + x * x, 0);
      const held = shared > MOST_SHARED ? Math.sqrt(MOST_SHARED / shared) : 1;
      loadings[i] = own.map((x) => x * held);
    }
  return loadings;
}

function solved(normal: Float64Array, right: readonly number[]): readonly number[] {
  const x = Float64Array.from(right);
  choleskyInPlace(normal, x.length);
  forwardInPlace(normal, x.length, x);
  backwardInPlace(normal, x.length, x);
  return [...x];
}

/** The factors of each kind of frame, its correlations drawn towards those of all frames. */
export const togetherLines = (reading: ErrorReading): string[] =>
  VIEW_KINDS.flatMap((view) => {
    const landmarks = MARKS_WANTED[view];
    const along = AXES.map((axis) => {
      const all = correlations(reading, view, axis, () => true);
      return (kind: FrameKind) => {
        if (kind === 'any') return leastResiduals(all.of, FACTORS);
        const own = correlations(reading, view, axis, ({ station }) => frameKindOf(station) === kind);
        const share = own.sights / (own.sights + ALL_FRAMES_WORTH);
        const drawn = own.of.map((row, i) =>
          row.map((x, j) => share * x + (1 - share) * (all.of[i]?.[j] as number)),
        );
        return leastResiduals(drawn, FACTORS);
      };
    });
    return FRAME_KINDS.flatMap((kind) => {
      const loadings = along.map((of) => of(kind));
      return landmarks.map((landmark: Landmark, i) => {
        const halves = loadings.map((of) =>
          (of[i] as number[]).map((x) => (Math.round(100 * x) || 0).toString()).join(' '),
        );
        return `${kind} ${view} ${landmark}: ${halves.join(' / ')}`;
      });
    });
  });

/** How alike the errors of two stations are, over all landmarks and both views: what differs between players, and what changes from day to day. */
export const alikeLines = (reading: ErrorReading): string[] =>
  (['learnt', 'rest'] as const).flatMap((what) =>
    AXES.flatMap((axis) => {
      const way = what === 'learnt' ? reading.strays : reading.changes;
      const at = FOUND_STATIONS.map(
        (station) =>
          new Map(
            VIEW_KINDS.flatMap((view) =>
              MARKS_WANTED[view].flatMap((landmark) =>
                way
                  .call(reading, view, landmark, axis)
                  .filter((one) => one.station === station)
                  .map(({ of, z }): [string, number] => [
                    `${view} ${landmark} ${of.slice(0, of.lastIndexOf(' '))}`,
                    capped(z),
                  ]),
              ),
            ),
          ),
      );
      return FOUND_STATIONS.map((station, i) => {
        const row = at.map((other, j) => (i === j ? 1 : ALIKE_TAKEN * correlation(at[i] as Zs, other)));
        return `${what} ${axis} ${station}: ${row.map((x) => String(Math.round(100 * x) / 100)).join(' ')}`;
      });
    }),
  );
