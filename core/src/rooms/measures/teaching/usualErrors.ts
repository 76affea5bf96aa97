import { FOUND_STATIONS, type Landmark, type Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';

/**
 * What the network errs by with everybody, in hundredths of the body's height: right and down of a right-hander's picture, at each
 * of `FOUND_STATIONS`. It means other places by its names than a coach does (a hip is higher in the trousers, an ankle lower in
 * the body). Read from made-up players (`./inchstep bench errors 21,22,31`): trimmed means, drawn towards the landmark's own.
 */
const LINES = `
face_on lead_hip: -0.2 0.2 0.6 -0.2 0.1 -0.2 -0.7 -0.9 / 2.3 1.5 1.8 0.6 1.8 2.8 3.6 4.0
face_on trail_hip: -0.3 -0.9 -1.2 -1.1 -1.3 -2.1 -0.0 -0.3 / 2.7 2.8 3.7 1.8 1.3 2.2 1.5 1.3
face_on lead_knee: -0.5 0.4 1.0 -0.0 -0.7 -0.2 0.4 1.1 / 0.4 -0.3 -0.4 -0.8 0.3 2.1 2.4 1.9
face_on trail_knee: 0.9 -0.1 -0.6 -0.2 -0.3 -0.7 0.9 0.9 / 0.9 1.3 2.1 -0.0 -0.8 0.8 0.5 -0.7
face_on lead_ankle: 0.0 -0.8 -0.5 -0.2 -0.1 0.6 0.5 -0.0 / -2.5 -2.6 -2.2 -2.4 -2.3 -1.3 -2.0 -2.4
face_on trail_ankle: 0.6 0.0 0.2 -0.0 0.9 1.5 1.9 2.1 / -1.8 -2.4 -2.2 -2.5 -2.0 -1.0 -1.0 -1.7
face_on neck: 0.1 -0.5 -0.3 -0.4 -0.5 -0.4 0.8 1.6 / 2.1 1.4 1.5 1.7 1.8 2.0 2.8 2.5
face_on sternum: -0.0 -0.5 -0.4 -0.6 -0.7 -0.8 0.2 0.7 / 0.7 0.0 0.1 -0.0 0.2 0.6 1.4 1.1
face_on head: 0.1 0.2 0.4 -0.1 -0.4 0.3 -0.8 -0.3 / 2.6 2.2 2.4 2.4 2.0 1.5 1.7 2.0
face_on lead_heel: 0.6 -0.3 0.1 -0.2 -0.1 0.7 -0.1 -1.0 / -0.8 -1.1 -0.6 -0.9 -0.6 0.4 -0.3 -0.5
face_on trail_heel: 0.5 0.1 0.2 -0.3 0.4 0.7 1.1 1.4 / -0.2 -1.1 -1.0 -1.1 -0.1 1.0 1.5 2.5
face_on lead_toe: -1.5 -2.1 -2.2 -2.0 -2.1 -1.6 1.1 2.1 / -2.1 -1.5 -1.9 -1.3 -1.6 -1.8 -1.4 -1.9
face_on trail_toe: 1.4 0.9 0.9 0.4 0.4 0.4 -0.6 1.4 / -1.2 -1.2 -1.4 -1.3 -1.7 -2.1 -2.9 -5.2
down_the_line lead_hip: -1.0 2.3 1.6 2.0 2.9 0.8 0.8 0.7 / 1.0 3.1 2.7 1.6 1.4 2.8 3.7 2.7
down_the_line trail_hip: -0.2 0.1 0.0 0.0 -1.8 -0.7 -0.2 0.7 / 1.2 1.5 0.7 1.6 0.8 2.8 2.8 1.7
down_the_line seat: 11.3 13.2 13.9 11.9 11.6 11.4 11.4 11.5 / -6.8 -6.7 -6.7 -7.2 -7.2 -5.9 -6.2 -7.2
down_the_line lead_knee: -2.3 -1.6 -1.3 -2.8 -0.8 -0.2 -0.9 -1.4 / 0.0 0.2 -0.2 -0.3 0.3 1.1 2.2 1.6
down_the_line trail_knee: -1.9 -0.8 0.3 -0.3 -2.8 -0.2 -1.1 -0.1 / -0.3 -0.8 -1.9 -0.9 -0.7 0.7 0.5 -0.1
down_the_line lead_ankle: -0.2 0.6 1.8 1.1 0.4 -0.5 1.1 0.7 / -2.8 -0.3 0.2 -1.7 -2.8 -2.5 -2.1 -2.5
down_the_line trail_ankle: -0.9 0.0 0.5 -0.2 -0.8 -0.8 -0.9 -0.4 / -3.1 -3.8 -4.1 -3.6 -3.3 -2.6 -2.5 -0.8
down_the_line neck: -1.3 -2.1 -1.4 -1.5 -0.7 -0.4 0.7 1.8 / 2.1 0.7 1.9 1.0 1.9 2.7 2.7 2.5
down_the_line head: 0.3 -0.8 -1.0 -0.7 -0.2 -0.2 -0.3 0.3 / 1.7 0.7 2.1 0.9 1.4 2.0 1.4 1.2
down_the_line trail_heel: 0.4 1.9 2.6 0.9 0.5 1.1 2.2 2.0 / -0.6 -1.6 -2.1 -1.4 -1.0 -0.1 -0.2 3.3
down_the_line trail_toe: -2.2 -2.1 -2.3 -1.8 -2.1 -2.4 -3.8 -0.2 / -3.4 -2.6 -1.4 -2.2 -3.0 -3.4 -4.0 -4.6`;

const HUNDREDTH = 0.01;

interface UsualError {
  readonly across: number;
  readonly down: number;
}

const USUAL = new Map<string, UsualError>(
  LINES.trim()
    .split('\n')
    .flatMap((line) => {
      const [name = '', numbers = ''] = line.split(': ');
      const [across, down] = numbers.split(' / ').map((half) => half.split(' ').map(Number));
      return FOUND_STATIONS.map((station, i): [string, UsualError] => [
        `${name} ${station}`,
        { across: HUNDREDTH * (across?.[i] ?? 0), down: HUNDREDTH * (down?.[i] ?? 0) },
      ]);
    }),
);

const NONE: UsualError = { across: 0, down: 0 };

/** Nought for a place that nobody has looked at. */
export const usualError = (view: ViewKind, landmark: Landmark, station: Station): UsualError =>
  USUAL.get(`${view} ${landmark} ${station}`) ?? NONE;
