import { choleskyInPlace } from '../../../foundation/index.ts';
import type { Landmark } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';
import type { Axis } from './teachTable.ts';

/**
 * What the network's errors in one frame have in common, in hundredths of each landmark's own sd: loadings on four things that go wrong
 * together, across and down of a right-hander's picture. A pelvis seen too wide has its hips off to either side and its middle where it is;
 * a heel goes with its ankle; hips go up and down as one. Principal factors of the correlations of sixteen made-up players' errors
 * (seeds 11, 12 and 21; of all of it and of what changes from day to day, which look alike), a tenth drawn off towards none.
 */
const LINES = `
face_on lead_hip: 70 -5 -18 64 / 50 -26 -49 5
face_on trail_hip: -40 26 6 -22 / 55 -37 -46 16
face_on lead_knee: 49 1 5 29 / 62 -5 -26 -17
face_on trail_knee: -29 34 3 1 / 60 -18 -23 19
face_on lead_ankle: 43 -21 84 -5 / 82 19 18 -44
face_on trail_ankle: -82 21 30 36 / 73 21 40 44
face_on neck: 32 84 11 -2 / 5 -88 31 -4
face_on sternum: 34 79 9 3 / 26 -86 9 -4
face_on head: 24 67 5 -6 / -22 -70 38 -1
face_on lead_heel: 20 -19 70 -12 / 80 19 10 -32
face_on trail_heel: -64 0 34 43 / 73 16 31 34
face_on lead_toe: 29 0 20 -9 / 19 1 44 -39
face_on trail_toe: -54 30 10 3 / 1 12 50 21
down_the_line lead_hip: -49 45 33 -24 / 63 -44 -26 30
down_the_line trail_hip: 58 20 -47 -26 / 63 -43 -8 -4
down_the_line seat: -22 50 -17 -56 / 65 -50 -11 11
down_the_line lead_knee: -75 16 41 -2 / 50 18 -47 3
down_the_line trail_knee: 68 -6 -23 -2 / 56 18 -32 -69
down_the_line lead_ankle: -49 -13 16 4 / 32 29 -13 39
down_the_line trail_ankle: 84 14 44 -10 / 53 77 21 8
down_the_line neck: -8 80 -11 21 / 55 -37 57 -4
down_the_line head: 14 65 -15 47 / 34 -38 56 -15
down_the_line trail_heel: 73 17 40 -13 / 51 64 18 13
down_the_line trail_toe: 64 7 44 11 / 26 68 18 -6`;

/** So many things go wrong together along each axis. */
export const FACTORS = 4;

export type Loadings = Readonly<Record<Axis, readonly number[]>>;

const TABLE = new Map<string, Loadings>(
  LINES.trim()
    .split('\n')
    .map((line): [string, Loadings] => {
      const [name = '', numbers = ''] = line.split(': ');
      const [across = [], down = []] = numbers
        .split(' / ')
        .map((half) => half.split(' ').map((hundredths) => Number(hundredths) / 100));
      return [name, { across, down }];
    }),
);

const NONE: Loadings = { across: new Array(FACTORS).fill(0), down: new Array(FACTORS).fill(0) };

/** Nought for a place that nobody has looked at: it goes wrong by itself. */
export const loadingsOf = (view: ViewKind, landmark: Landmark): Loadings =>
  TABLE.get(`${view} ${landmark}`) ?? NONE;

/** Sd of what is a landmark's alone, as a share of its whole sd. */
export const aloneShare = (loadings: readonly number[]): number =>
  Math.sqrt(1 - loadings.reduce((sum, x) => sum + x * x, 0));

/**
 * Rows that make errors of these landmarks, in their own sds, into as many that have nothing to do with each other (the inverse of
 * the lower triangle of their correlations).
 */
export function uncorrelated(view: ViewKind, landmarks: readonly Landmark[], axis: Axis): number[][] {
  const n = landmarks.length;
  const loadings = landmarks.map((landmark) => loadingsOf(view, landmark)[axis]);
  const lower = Float64Array.from({ length: n * n }, (_, at) => {
    const [i, j] = [Math.floor(at / n), at % n];
    return i === j ? 1 : dot(loadings[i] as number[], loadings[j] as number[]);
  });
  choleskyInPlace(lower, n);
  const rows = landmarks.map(() => new Array<number>(n).fill(0));
  for (let j = 0; j < n; j++)
    for (let i = j; i < n; i++) {
      let sum = i === j ? 1 : 0;
      for (let k = j; k < i; k++) sum -= (lower[i * n + k] as number) * (rows[k]?.[j] as number);
      (rows[i] as number[])[j] = sum / (lower[i * n + i] as number);
    }
  return rows;
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, x, i) => sum + x * (b[i] as number), 0);
