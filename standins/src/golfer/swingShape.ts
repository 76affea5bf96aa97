import type { Station } from '@inchstep/core/capture';

/** What the stand-in's body does at a station; inches for a 70 in golfer, degrees. */
export interface StationShape {
  /** Seconds from the start of the clip. */
  readonly at: number;
  readonly shift: number;
  readonly depth: number;
  readonly rise: number;
  /** + open. */
  readonly turn: number;
  /** + trail hip higher. */
  readonly tilt: number;
  /** Trunk, face-on, + away from the target; and forward from upright. */
  readonly lean: number;
  readonly incline: number;
  readonly shoulders: number;
  /** Where the knees point, degrees from the ball side, + toward the target. */
  readonly leadKnee: number;
  readonly trailKnee: number;
  readonly trailHeelUp: number;
  readonly trailFootTurn: number;
  readonly headX: number;
  /** Hands and the direction of the shaft, relative to the middle of the ankles. */
  readonly gripX: number;
  readonly gripY: number;
  readonly gripZ: number;
  readonly clubX: number;
  readonly clubY: number;
  readonly clubZ: number;
  /** Length drawn, as a share of the club's own. */
  readonly clubLong: number;
}

export type ShapeKey = keyof StationShape;
export type SwingShape = Readonly<Record<Station, StationShape>>;

const COLUMNS: readonly Station[] = [
  'address',
  'shaft_back',
  'arm_back',
  'top',
  'arm_down',
  'delivery',
  'impact',
  'shaft_through',
  'chest_through',
  'finish',
];

// One row a quantity, one column a station: a golfer inside every house band.
const ROWS: Readonly<Record<ShapeKey, readonly number[]>> = {
  // Whole frames at 60 a second, so that a clip shows each station exactly.
  at: [21, 37, 48, 66, 76, 80, 85, 88, 94, 120].map((frame) => frame / 60),
  shift: [0, -0.8, -1.0, 0.1, 2.5, 3.6, 4.7, 5.0, 5.4, 6.0],
  depth: [0, -0.3, -0.4, -0.3, -0.9, -1.4, -1.9, -1.3, 1.1, 1.5],
  rise: [0, 0, -0.1, -0.2, -1.2, -1.0, 0.1, 0.6, 1.0, 1.1],
  turn: [0, -12, -28, -45, -14, 22, 36, 50, 66, 86],
  tilt: [0, 2, 5, 8, 7, -3, -6, -8, -8, -6],
  lean: [4, 4, 4, 4, 6, 7, 11, 12, 9, 3],
  incline: [34, 34, 34, 33, 30, 27, 24, 20, 11.5, 4],
  shoulders: [2, -25, -58, -90, -40, -12, 25, 45, 75, 110],
  leadKnee: [8, 2, -4, -8, 4, 11, 14, 18, 20, 24],
  trailKnee: [-8, -10, -12, -12, 2, 10, 24, 40, 64, 92],
  trailHeelUp: [0, 0, 0, 0, 0, 0.3, 0.8, 1.8, 4.4, 8.2],
  trailFootTurn: [-6, -6, -6, -6, -5, 0, 4, 14, 30, 58],
  headX: [0, 0, 0, -0.2, -0.4, -0.5, -1.2, -1.0, 1, 3],
  gripX: [3, -13, -21, -12, -20, -11, 4, 15, 18, 4],
  gripY: [14, 13, 8, 0, 4, 10, 14, 12, 4, -8],
  gripZ: [29, 33, 48, 63, 46, 34, 30, 34, 47, 60],
  clubX: [-0.25, -0.98, -0.15, 0.85, -0.3, -0.9, -0.1, 0.95, 0.5, -0.55],
  clubY: [0.5, 0.1, -0.25, -0.1, -0.35, -0.15, 0.5, 0.1, -0.1, -0.5],
  clubZ: [-0.83, 0.1, 0.95, 0.15, 0.85, 0.4, -0.83, 0.05, 0.85, -0.6],
  clubLong: [1, 1, 1, 1, 1, 1, 1, 1, 1, 1],
};

export const NEUTRAL: SwingShape = Object.fromEntries(
  COLUMNS.map((station, i) => [
    station,
    Object.fromEntries(Object.entries(ROWS).map(([key, values]) => [key, values[i]])),
  ]),
) as unknown as SwingShape;

export { COLUMNS as SHAPE_STATIONS };
