import type { Landmark, Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';

/**
 * What the network errs by with everybody, in hundredths of the body's height: right and down of a right-hander's picture, at address, top,
 * delivery, impact and finish. It means other places by its names than a coach does (a hip is higher in the trousers, an ankle lower in
 * the body). Means of made-up players (`npm run see -w standins -- 11 ..`), drawn towards the landmark's own.
 */
const LINES = `
face_on head: 0.1 0.0 -0.3 0.3 -0.2 / 3.0 3.4 2.7 2.1 2.0
face_on lead_hip: 0.2 0.1 0.2 -0.3 0.2 / 1.6 2.2 1.6 2.9 3.5
face_on trail_hip: -0.9 -1.2 -1.4 -1.3 -1.3 / 1.9 4.1 1.0 2.2 1.5
face_on lead_knee: -0.1 0.5 -0.2 -0.3 0.9 / 0.2 -0.1 0.0 2.0 1.6
face_on trail_knee: 0.4 -0.2 -0.2 0.0 0.1 / 0.7 3.0 -0.6 0.9 -0.4
face_on lead_ankle: 0.0 -0.3 -0.0 0.0 -0.1 / -2.9 -2.3 -2.8 -2.1 -2.8
face_on trail_ankle: 0.5 0.7 0.6 1.1 1.2 / -2.3 -1.7 -1.8 -1.3 -2.3
face_on lead_heel: 0.5 0.4 0.2 0.3 -0.5 / -1.5 -1.0 -1.3 -0.6 -1.0
face_on trail_heel: 0.4 0.4 0.2 0.6 0.8 / -1.0 -0.6 0.1 0.6 1.5
face_on lead_toe: -1.6 -2.3 -1.9 -1.9 0.4 / -1.8 -1.8 -2.0 -2.0 -2.0
face_on trail_toe: 0.6 0.9 0.3 0.2 0.4 / -1.1 -1.0 -1.6 -1.7 -5.8
down_the_line head: -0.0 -0.6 -0.3 -0.2 -0.2 / 1.8 1.8 1.7 2.0 1.4
down_the_line lead_hip: 0.0 1.2 2.4 2.0 0.8 / 1.4 2.4 1.5 2.9 2.6
down_the_line trail_hip: -0.3 -0.4 -1.6 -1.1 0.0 / 0.9 0.7 0.6 2.2 1.8
down_the_line lead_knee: -0.7 -0.5 -0.4 0.3 -0.6 / 1.2 0.5 0.4 1.6 2.2
down_the_line trail_knee: -1.5 0.1 -2.3 -1.0 -0.4 / -0.2 -1.0 -0.5 0.9 0.6
down_the_line lead_ankle: -0.5 1.2 0.4 -0.2 0.3 / -0.8 1.0 -2.0 -1.4 -1.2
down_the_line trail_ankle: -0.9 0.3 -0.6 -0.6 -0.6 / -2.1 -2.2 -2.4 -2.1 -0.3
down_the_line trail_heel: 0.6 2.1 0.9 1.3 1.6 / 0.3 -0.0 -0.1 0.2 3.8
down_the_line trail_toe: -2.3 -1.9 -2.0 -2.1 -1.2 / -2.6 0.2 -2.1 -2.8 -4.8`;

const AT: readonly Station[] = ['address', 'top', 'delivery', 'impact', 'finish'];
const HUNDREDTH = 0.01;

export interface UsualError {
  readonly across: number;
  readonly down: number;
}

const USUAL = new Map<string, UsualError>(
  LINES.trim()
    .split('\n')
    .flatMap((line) => {
      const [name = '', numbers = ''] = line.split(': ');
      const [across, down] = numbers.split(' / ').map((half) => half.split(' ').map(Number));
      return AT.map((station, i): [string, UsualError] => [
        `${name} ${station}`,
        { across: HUNDREDTH * (across?.[i] ?? 0), down: HUNDREDTH * (down?.[i] ?? 0) },
      ]);
    }),
);

const NONE: UsualError = { across: 0, down: 0 };

/** Nought for a place that nobody has looked at. */
export const usualError = (view: ViewKind, landmark: Landmark, station: Station): UsualError =>
  USUAL.get(`${view} ${landmark} ${station}`) ?? NONE;
