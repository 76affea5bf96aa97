import { choleskyInPlace } from '../../../foundation/index.ts';
import type { Landmark, Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';
import type { Axis } from './teachTable.ts';

/**
 * What the network's errors in one frame have in common, in hundredths of each landmark's own sd: loadings on four things that go wrong
 * together, across and down of a right-hander's picture, for each kind of frame. A pelvis seen too wide has its hips off to either side and its middle where it is;
 * a heel goes with its ankle; hips go up and down as one. Read from made-up players
 * (`./inchstep bench errors 21,22,31`): factors of the correlations of all of it and of what changes from day to day, which look alike, a tenth drawn off.
 */
const LINES = `
any face_on lead_hip: -33 -69 -7 -3 / -21 14 -50 54
any face_on trail_hip: 8 22 4 29 / -22 11 -43 63
any face_on lead_knee: -12 -44 -22 -3 / -20 40 -36 48
any face_on trail_knee: -10 22 23 33 / -18 22 -8 66
any face_on lead_ankle: -42 -5 -79 -3 / 10 78 -29 33
any face_on trail_ankle: -56 47 45 26 / 16 33 35 74
any face_on neck: 10 -34 -14 81 / 40 -32 -63 38
any face_on sternum: 1 -33 -20 78 / 14 -22 -67 53
any face_on head: 10 -23 -17 60 / 57 -36 -40 10
any face_on lead_heel: -33 7 -70 5 / 4 75 -30 38
any face_on trail_heel: -60 29 53 14 / 8 39 26 74
any face_on lead_toe: -15 -15 -45 -4 / 41 38 -7 -13
any face_on trail_toe: -19 38 10 31 / 40 0 40 12
address face_on lead_hip: -30 41 -37 10 / 73 24 42 -6
address face_on trail_hip: 23 -63 20 11 / 70 27 43 -9
address face_on lead_knee: -17 54 -49 18 / 72 23 18 -27
address face_on trail_knee: 23 -67 13 29 / 68 16 24 -36
address face_on lead_ankle: -20 49 13 71 / 68 43 -28 -29
address face_on trail_ankle: -9 -88 5 11 / 66 23 -5 -53
address face_on neck: 39 -14 -50 61 / -34 68 39 28
address face_on sternum: 37 -15 -45 64 / 14 61 60 18
address face_on head: 35 0 -47 49 / -53 56 18 26
address face_on lead_heel: 2 30 44 62 / 68 44 -30 -23
address face_on trail_heel: -30 -83 -8 10 / 70 27 -11 -42
address face_on lead_toe: -26 30 -26 37 / -11 28 -4 -28
address face_on trail_toe: 29 -62 4 23 / -49 11 24 -70
back face_on lead_hip: 9 -9 -50 13 / 70 36 -2 -9
back face_on trail_hip: 27 -7 46 7 / 64 35 -22 -22
back face_on lead_knee: 3 -1 -60 14 / 67 4 -3 -21
back face_on trail_knee: 25 -9 60 23 / 48 10 -39 -34
back face_on lead_ankle: 16 43 -61 46 / 66 -30 25 -47
back face_on trail_ankle: -17 -30 53 63 / 35 -17 -45 -67
back face_on neck: 66 -53 -25 -16 / 33 74 34 -16
back face_on sternum: 73 -36 -27 1 / 48 72 22 -8
back face_on head: 40 -28 -19 2 / 11 59 40 -24
back face_on lead_heel: 37 42 -37 38 / 71 -31 23 -39
back face_on trail_heel: -32 -37 46 51 / 52 -17 -36 -54
back face_on lead_toe: -10 9 -59 34 / -14 -16 32 -49
back face_on trail_toe: 10 6 20 27 / -42 -16 -22 -62
down face_on lead_hip: -7 -32 -36 10 / 62 -29 26 -12
down face_on trail_hip: -4 -18 -12 41 / 70 -27 22 -13
down face_on lead_knee: -8 -42 -18 26 / 49 -24 11 -47
down face_on trail_knee: -23 -1 7 63 / 61 -2 1 -54
down face_on lead_ankle: -48 -13 -72 -18 / 18 -37 59 -53
down face_on trail_ankle: -47 66 15 35 / 34 28 34 -70
down face_on neck: 40 15 -63 46 / 49 4 55 51
down face_on sternum: 30 6 -62 57 / 69 -16 46 29
down face_on head: 48 36 -62 22 / 6 24 34 53
down face_on lead_heel: -41 2 -70 -26 / 26 -44 55 -48
down face_on trail_heel: -47 47 20 30 / 37 14 38 -69
down face_on lead_toe: 5 0 -25 -12 / -34 22 50 -6
down face_on trail_toe: -9 56 -3 19 / -27 73 24 -22
chest-high face_on lead_hip: 51 -9 -1 -38 / 13 -26 59 -35
chest-high face_on trail_hip: -16 -14 14 18 / 18 -27 69 -30
chest-high face_on lead_knee: 49 -13 42 -61 / 34 -21 37 -63
chest-high face_on trail_knee: 0 -15 30 -9 / 0 -8 63 -17
chest-high face_on lead_ankle: -10 44 -42 -65 / 52 25 -8 -68
chest-high face_on trail_ankle: -65 -56 -24 -3 / 5 63 60 20
chest-high face_on neck: 65 -36 -47 13 / 59 -33 54 23
chest-high face_on sternum: 56 -39 -40 2 / 41 -37 70 11
chest-high face_on head: 48 -18 -35 17 / 58 -30 30 41
chest-high face_on lead_heel: -18 41 -50 -49 / 54 30 -6 -65
chest-high face_on trail_heel: -50 -67 -25 0 / 14 66 57 9
chest-high face_on lead_toe: -11 36 -32 -53 / 13 7 -35 -47
chest-high face_on trail_toe: -42 -30 -31 0 / -28 24 17 37
finish face_on lead_hip: 75 -24 4 19 / 34 0 -65 17
finish face_on trail_hip: -64 26 -40 -1 / 38 -14 -67 21
finish face_on lead_knee: 45 20 -15 43 / 29 -9 -59 46
finish face_on trail_knee: -21 -36 -3 -29 / 45 -12 -47 27
finish face_on lead_ankle: 21 66 -51 26 / 3 -9 -34 82
finish face_on trail_ankle: 30 -19 21 -80 / 45 -48 41 45
finish face_on neck: -7 -49 -73 15 / 68 42 -27 29
finish face_on sternum: 2 -34 -75 26 / 69 28 -42 26
finish face_on head: -9 -46 -55 23 / 58 62 0 28
finish face_on lead_heel: 1 62 -49 18 / 12 -10 -24 85
finish face_on trail_heel: 44 -16 32 -69 / 42 -52 46 39
finish face_on lead_toe: 10 43 -42 36 / -19 8 -33 66
finish face_on trail_toe: 5 -19 -2 -64 / 17 -6 2 32
any down_the_line lead_hip: 18 -14 -78 -26 / 14 18 -49 -56
any down_the_line trail_hip: 7 -39 46 46 / -17 20 -42 -60
any down_the_line seat: 21 -50 -46 7 / 0 13 -61 -64
any down_the_line lead_knee: 1 14 -64 -14 / 34 76 21 -27
any down_the_line trail_knee: 3 -27 50 -1 / -12 52 -8 -16
any down_the_line lead_ankle: -11 6 -21 -9 / 4 35 3 11
any down_the_line trail_ankle: 24 -25 33 -75 / -56 57 -16 36
any down_the_line neck: 74 -2 -33 38 / -47 -4 12 -63
any down_the_line head: 72 34 -7 33 / -61 -21 28 -55
any down_the_line trail_heel: 24 -28 20 -74 / -58 52 -18 40
any down_the_line trail_toe: 21 -3 29 -60 / -38 44 -12 35
address down_the_line lead_hip: -17 11 -43 51 / -57 -51 2 36
address down_the_line trail_hip: 14 33 -35 -61 / -26 -33 -7 70
address down_the_line seat: -9 28 -59 22 / -44 -42 -4 59
address down_the_line lead_knee: -71 -20 -25 43 / -71 -9 24 -48
address down_the_line trail_knee: 17 -24 -29 -36 / -49 -8 8 25
address down_the_line lead_ankle: -23 -61 -51 1 / -23 14 41 -33
address down_the_line trail_ankle: 79 -40 -12 0 / -23 69 36 37
address down_the_line neck: -33 55 -45 41 / 31 -39 48 45
address down_the_line head: -24 40 -11 43 / 57 -24 55 35
address down_the_line trail_heel: 63 -45 -11 4 / -18 72 26 42
address down_the_line trail_toe: 63 -23 -2 -12 / -19 53 58 24
back down_the_line lead_hip: -39 13 -23 -66 / 48 -69 -23 -12
back down_the_line trail_hip: 29 38 29 42 / 1 -29 -61 -42
back down_the_line seat: -9 66 26 -50 / 20 -47 -45 -34
back down_the_line lead_knee: -40 3 -40 -48 / -6 -24 -40 16
back down_the_line trail_knee: 24 3 61 28 / -45 -6 -73 -10
back down_the_line lead_ankle: 3 -7 -13 -28 / 11 -45 25 15
back down_the_line trail_ankle: -2 -50 59 -45 / -78 -40 17 -4
back down_the_line neck: 59 36 -25 -51 / 10 -16 6 -77
back down_the_line head: 72 11 -35 -20 / -9 18 8 -85
back down_the_line trail_heel: 2 -48 55 -50 / -76 -34 25 1
back down_the_line trail_toe: -21 -46 46 -30 / -60 -36 33 14
down down_the_line lead_hip: -60 -66 11 6 / 63 -49 -16 6
down down_the_line trail_hip: 57 9 23 -52 / 46 -41 -37 -23
down down_the_line seat: -38 -45 13 -28 / 73 -46 -23 -3
down down_the_line lead_knee: -63 -6 -6 1 / -36 -63 -16 50
down down_the_line trail_knee: 41 14 12 8 / -19 -50 -14 -5
down down_the_line lead_ankle: -8 6 -18 25 / -30 -30 21 2
down down_the_line trail_ankle: 22 -24 39 74 / -46 -52 24 -51
down down_the_line neck: -45 -3 55 -54 / 19 -4 -76 -23
down down_the_line head: -41 34 60 -40 / 10 16 -76 -44
down down_the_line trail_heel: 12 -35 38 70 / -48 -52 20 -50
down down_the_line trail_toe: 16 -13 39 60 / -28 -36 42 -37
chest-high down_the_line lead_hip: 32 61 2 43 / -42 -20 -53 -53
chest-high down_the_line trail_hip: -37 -44 5 -55 / -52 -31 -29 -48
chest-high down_the_line seat: 21 45 -4 -16 / -43 -21 -42 -54
chest-high down_the_line lead_knee: 18 57 -4 55 / -26 -61 -40 -12
chest-high down_the_line trail_knee: -1 -47 0 -52 / -34 -78 27 8
chest-high down_the_line lead_ankle: 11 32 14 19 / -20 3 -45 18
chest-high down_the_line trail_ankle: 71 -40 -7 -36 / -63 3 28 57
chest-high down_the_line neck: 2 -4 70 16 / -38 8 28 -60
chest-high down_the_line head: 1 -21 80 35 / -36 22 45 -61
chest-high down_the_line trail_heel: 75 -10 -3 -47 / -56 18 22 64
chest-high down_the_line trail_toe: 51 -63 -22 31 / -35 -29 30 21
finish down_the_line lead_hip: 32 -19 -79 -17 / -43 -62 32 5
finish down_the_line trail_hip: -33 23 0 69 / -35 -65 45 -23
finish down_the_line seat: -15 7 -57 25 / -49 -57 41 -5
finish down_the_line lead_knee: 27 -25 -36 -22 / -8 -21 73 46
finish down_the_line trail_knee: -52 10 27 1 / 28 -44 40 -10
finish down_the_line lead_ankle: 53 -25 -20 17 / 21 -7 55 30
finish down_the_line trail_ankle: -87 -5 -6 -19 / 67 -35 42 -22
finish down_the_line neck: 3 63 -25 -13 / -27 -4 65 -46
finish down_the_line head: 3 73 12 -51 / -42 22 58 -50
finish down_the_line trail_heel: -79 -6 -16 -8 / 67 -35 41 -24
finish down_the_line trail_toe: -72 -1 11 -49 / 62 -27 35 -21`;

/** Frames in which places go wrong together alike; `any` for what stays over a clip. */
export const FRAME_KINDS = ['any', 'address', 'back', 'down', 'chest-high', 'finish'] as const;
export type FrameKind = (typeof FRAME_KINDS)[number];
const KINDS: Readonly<Partial<Record<Station, FrameKind>>> = {
  address: 'address',
  arm_back: 'back',
  top: 'back',
  arm_down: 'down',
  delivery: 'down',
  impact: 'down',
  chest_through: 'chest-high',
  finish: 'finish',
};
export const frameKindOf = (station: Station): FrameKind => KINDS[station] ?? 'any';

/** So many things go wrong together along each axis. */
export const FACTORS = 4;

type Loadings = Readonly<Record<Axis, readonly number[]>>;

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
export const loadingsOf = (view: ViewKind, landmark: Landmark, kind: FrameKind = 'any'): Loadings =>
  TABLE.get(`${kind} ${view} ${landmark}`) ?? TABLE.get(`any ${view} ${landmark}`) ?? NONE;

/** How much of two landmarks' errors goes together in one frame: their correlation. */
export const togetherOf = (view: ViewKind, a: Landmark, b: Landmark, axis: Axis): number =>
  a === b ? 1 : dot(loadingsOf(view, a)[axis], loadingsOf(view, b)[axis]);

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
