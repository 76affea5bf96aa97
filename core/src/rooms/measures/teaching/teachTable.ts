import { FOUND_STATIONS, type Landmark, type Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';

/**
 * How far the body network strays from what it errs by with everybody (`usualErrors.ts`), in hundredths of the body's height, read from
 * made-up players (`./inchstep bench errors 21,22,31`, as all tables here). Across: sd of all of it, and of what is new in every clip; then the
 * same down.
 */
const LINES = `
face_on lead_hip: 0.70 0.34 / 1.32 0.22
face_on trail_hip: 0.72 0.35 / 1.31 0.20
face_on lead_knee: 0.76 0.39 / 1.15 0.27
face_on trail_knee: 0.78 0.35 / 1.14 0.25
face_on lead_ankle: 0.58 0.30 / 0.94 0.32
face_on trail_ankle: 0.65 0.32 / 0.93 0.33
face_on neck: 0.42 0.25 / 0.71 0.19
face_on sternum: 0.42 0.27 / 0.72 0.19
face_on head: 0.49 0.28 / 0.87 0.30
face_on lead_heel: 0.63 0.34 / 1.09 0.36
face_on trail_heel: 0.70 0.35 / 1.10 0.39
face_on lead_toe: 0.86 0.42 / 0.77 0.35
face_on trail_toe: 0.89 0.48 / 0.88 0.36
down_the_line lead_hip: 1.18 0.35 / 0.87 0.31
down_the_line trail_hip: 1.11 0.32 / 0.93 0.33
down_the_line seat: 0.69 0.26 / 0.83 0.34
down_the_line lead_knee: 1.00 0.35 / 0.91 0.33
down_the_line trail_knee: 0.92 0.36 / 1.04 0.31
down_the_line lead_ankle: 0.90 0.31 / 0.99 0.43
down_the_line trail_ankle: 0.85 0.34 / 0.92 0.38
down_the_line neck: 0.56 0.19 / 0.58 0.20
down_the_line head: 0.62 0.23 / 0.64 0.22
down_the_line trail_heel: 0.89 0.39 / 0.97 0.37
down_the_line trail_toe: 1.25 0.41 / 1.12 0.45`;

/** Of one landmark along one axis of the picture; shares of the body's height. */
interface ErrorSpread {
  /** Sd of all of it before anything is taught. */
  readonly all: number;
  /** Sd of what no teaching takes away: new in every clip. */
  readonly rest: number;
}
interface ErrorRow {
  readonly view: ViewKind;
  readonly landmark: Landmark;
  readonly across: ErrorSpread;
  readonly down: ErrorSpread;
}

export const ERROR_ROWS: readonly ErrorRow[] = LINES.trim()
  .split('\n')
  .map((line) => {
    const [name = '', numbers = ''] = line.split(': ');
    const [view, landmark] = name.split(' ') as [ViewKind, Landmark];
    const [across, down] = numbers.split(' / ').map((half): ErrorSpread => {
      const [all = 0, rest = 0] = half.split(' ').map((hundredths) => Number(hundredths) / 100);
      return { all, rest };
    }) as [ErrorSpread, ErrorSpread];
    return { view, landmark, across, down };
  });

export type Axis = 'across' | 'down';

/**
 * Of what differs between players (all but the rest), so much is taken to be the same with all students of one coach: his cameras, his light, the
 * people who come to him. A judgement: made-up players have one world between them.
 */
export const WORLD_SHARE = 0.2;
/**
 * Of what is new in every clip (its variance), so much stays over a day's clips of one view: cameras, light and clothes do. Two swings of one day
 * differ by 0.3 of what two of different days do, on twelve made-up players; a coach who moves the phone between swings has less of it.
 */
export const DAY_SHARE = 0.6;

/** Parts of the body whose places go wrong alike at a station. */
export const PARTS_OF_BODY = ['hips', 'knees', 'lead foot', 'trail foot', 'trunk'] as const;
type PartOfBody = (typeof PARTS_OF_BODY)[number];

export function partOfBody(landmark: Landmark): PartOfBody {
  if (landmark.endsWith('_hip')) return 'hips';
  if (landmark.endsWith('_knee')) return 'knees';
  if (/_(ankle|heel|toe)$/.test(landmark)) return landmark.startsWith('lead') ? 'lead foot' : 'trail foot';
  return 'trunk';
}

/** What is new in a clip at each of `FOUND_STATIONS`, times its landmark's own (variance), across and down. */
const REST_LINES = `
face_on hips: 1.4 0.8 0.9 0.3 0.6 0.6 2.4 3.9 / 1.0 0.6 0.7 0.5 0.6 0.6 2.1 6.6
face_on knees: 1.1 0.8 0.7 0.6 0.9 0.8 2.1 2.2 / 0.7 0.5 0.5 1.0 1.2 1.0 1.3 3.5
face_on lead foot: 1.2 0.9 1.0 0.9 0.6 0.7 1.3 1.9 / 1.2 1.0 0.5 0.8 0.9 1.1 1.3 1.7
face_on trail foot: 1.2 0.6 1.2 0.9 0.6 0.9 0.9 2.8 / 0.9 0.7 1.4 0.7 1.0 1.2 1.1 1.1
face_on trunk: 0.6 0.6 0.8 1.0 1.3 1.6 1.1 1.5 / 0.8 1.8 0.5 1.0 0.6 0.6 1.2 3.4
down_the_line hips: 0.5 1.4 2.2 1.5 1.0 1.0 1.5 0.3 / 1.0 1.1 1.2 1.7 1.1 1.3 0.6 0.5
down_the_line knees: 0.8 1.7 0.9 1.1 1.1 0.6 1.0 1.2 / 0.8 1.9 1.4 1.3 0.7 0.9 0.7 1.0
down_the_line lead foot: 2.7 1.3 0.4 0.8 0.6 0.8 0.9 2.4 / 1.6 1.5 1.1 0.9 1.2 1.1 0.6 0.6
down_the_line trail foot: 0.7 1.3 1.2 0.9 0.6 1.3 1.2 1.1 / 0.9 1.3 1.1 1.1 0.7 0.6 1.1 1.8
down_the_line trunk: 1.4 1.3 0.8 1.0 1.3 1.6 0.6 0.6 / 1.0 1.3 0.8 2.1 1.1 0.8 0.9 0.6`;
/** What differs between players at each of them, times its landmark's own. */
const LEARNT_LINES = `
face_on: 0.8 0.5 1.1 0.5 0.8 1.6 1.8 2.2 / 1.6 1.0 1.0 0.9 1.0 1.0 0.7 0.9
down_the_line: 0.9 0.8 2.2 1.0 0.6 0.7 0.9 1.8 / 0.9 1.2 1.8 1.0 0.7 0.5 0.9 1.8`;

/** Numbers of each line along both axes, one for each of `FOUND_STATIONS`. */
function byStation(lines: string): ReadonlyMap<string, number> {
  return new Map(
    lines
      .trim()
      .split('\n')
      .flatMap((line) => {
        const [name = '', numbers = ''] = line.split(': ');
        const halves = numbers.split(' / ').map((half) => half.split(' ').map(Number));
        return FOUND_STATIONS.flatMap((station, i): [string, number][] => [
          [`${name} ${station} across`, halves[0]?.[i] ?? 1],
          [`${name} ${station} down`, halves[1]?.[i] ?? 1],
        ]);
      }),
  );
}
const REST_TIMES = byStation(REST_LINES);
const LEARNT_TIMES = byStation(LEARNT_LINES);

/** The rest at a station (its variance), beside its landmark's own. */
export const restTimes = (view: ViewKind, landmark: Landmark, station: Station, axis: Axis): number =>
  REST_TIMES.get(`${view} ${partOfBody(landmark)} ${station} ${axis}`) ?? 1;

/** What differs between players at a station (its variance), beside its landmark's own. */
export const learntTimes = (view: ViewKind, station: Station, axis: Axis): number =>
  LEARNT_TIMES.get(`${view} ${station} ${axis}`) ?? 1;

/** How alike the errors of two stations are (their correlation), of one landmark: what differs between players, and what is new in a clip. */
const ALIKE_LINES = `
learnt across address: 1 0.2 0.17 0.23 0.31 0.23 0.06 0.03
learnt across arm_back: 0.2 1 0.38 0.48 0.31 0.14 0.14 0.03
learnt across top: 0.17 0.38 1 0.38 0.24 0.19 0.16 0.04
learnt across arm_down: 0.23 0.48 0.38 1 0.54 0.33 0.24 0.1
learnt across delivery: 0.31 0.31 0.24 0.54 1 0.48 0.29 0.16
learnt across impact: 0.23 0.14 0.19 0.33 0.48 1 0.36 0.12
learnt across chest_through: 0.06 0.14 0.16 0.24 0.29 0.36 1 0.25
learnt across finish: 0.03 0.03 0.04 0.1 0.16 0.12 0.25 1
learnt down address: 1 0.38 0.43 0.46 0.57 0.54 0.38 0.31
learnt down arm_back: 0.38 1 0.66 0.72 0.61 0.43 0.32 0.24
learnt down top: 0.43 0.66 1 0.64 0.55 0.42 0.41 0.28
learnt down arm_down: 0.46 0.72 0.64 1 0.79 0.51 0.32 0.27
learnt down delivery: 0.57 0.61 0.55 0.79 1 0.7 0.42 0.29
learnt down impact: 0.54 0.43 0.42 0.51 0.7 1 0.48 0.24
learnt down chest_through: 0.38 0.32 0.41 0.32 0.42 0.48 1 0.45
learnt down finish: 0.31 0.24 0.28 0.27 0.29 0.24 0.45 1
rest across address: 1 0.21 0.09 0.13 0.13 0.18 0.07 0.1
rest across arm_back: 0.21 1 0.17 0.27 0.1 0.07 0.13 0.14
rest across top: 0.09 0.17 1 0.19 0.1 0.02 0.17 0.11
rest across arm_down: 0.13 0.27 0.19 1 0.29 0.23 0.1 0.02
rest across delivery: 0.13 0.1 0.1 0.29 1 0.24 0.12 0.07
rest across impact: 0.18 0.07 0.02 0.23 0.24 1 0.12 0.06
rest across chest_through: 0.07 0.13 0.17 0.1 0.12 0.12 1 0.15
rest across finish: 0.1 0.14 0.11 0.02 0.07 0.06 0.15 1
rest down address: 1 0.2 0.18 0.17 0.21 0.15 0.18 0.06
rest down arm_back: 0.2 1 0.26 0.36 0.25 0.16 0.1 0.05
rest down top: 0.18 0.26 1 0.29 0.15 0.19 0.1 0.13
rest down arm_down: 0.17 0.36 0.29 1 0.58 0.27 0.16 0.03
rest down delivery: 0.21 0.25 0.15 0.58 1 0.54 0.22 0.02
rest down impact: 0.15 0.16 0.19 0.27 0.54 1 0.38 0.03
rest down chest_through: 0.18 0.1 0.1 0.16 0.22 0.38 1 0.27
rest down finish: 0.06 0.05 0.13 0.03 0.02 0.03 0.27 1`;
const ALIKE = new Map<string, number>(
  ALIKE_LINES.trim()
    .split('\n')
    .flatMap((line) => {
      const [name = '', numbers = ''] = line.split(': ');
      return numbers
        .split(' ')
        .map((number, i): [string, number] => [`${name} ${FOUND_STATIONS[i]}`, Number(number)]);
    }),
);
export const alike = (what: 'learnt' | 'rest', axis: Axis, a: Station, b: Station): number =>
  a === b ? 1 : (ALIKE.get(`${what} ${axis} ${a} ${b}`) ?? 0);

/** In so many days clothes, season and camera have made what was taught worth a third of it. */
export const FADES_IN_DAYS = 240;

/** What a hand's own mark leaves open, as a share of the body's height. */
export const HAND_SD = 0.003;
