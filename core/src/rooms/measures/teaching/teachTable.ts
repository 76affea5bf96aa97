import type { Landmark, Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';

/**
 * How far the body network strays from what it errs by with everybody (`usualErrors.ts`), in hundredths of the body's height, measured on
 * made-up players (seeds 11, 12 and 21). Across: sd of all of it, and of what is new in every clip; then the same down.
 */
const LINES = `
face_on head: 0.56 0.27 / 0.93 0.25
face_on lead_hip: 0.85 0.32 / 0.95 0.30
face_on trail_hip: 0.83 0.29 / 0.93 0.30
face_on lead_knee: 0.77 0.35 / 1.03 0.37
face_on trail_knee: 0.80 0.34 / 1.01 0.33
face_on lead_ankle: 0.61 0.26 / 0.88 0.35
face_on trail_ankle: 0.66 0.31 / 0.86 0.38
face_on lead_heel: 0.69 0.29 / 1.03 0.44
face_on trail_heel: 0.69 0.32 / 1.03 0.47
face_on lead_toe: 0.77 0.45 / 0.82 0.37
face_on trail_toe: 0.80 0.51 / 0.85 0.36
face_on neck: 0.45 0.25 / 0.68 0.22
face_on sternum: 0.44 0.25 / 0.61 0.22
down_the_line neck: 0.70 0.18 / 0.59 0.23
down_the_line seat: 0.76 0.24 / 0.65 0.34
down_the_line head: 0.77 0.22 / 0.69 0.26
down_the_line lead_hip: 1.21 0.30 / 0.77 0.37
down_the_line trail_hip: 1.40 0.29 / 0.81 0.38
down_the_line lead_knee: 1.59 0.39 / 0.97 0.37
down_the_line trail_knee: 1.40 0.32 / 1.02 0.34
down_the_line lead_ankle: 1.31 0.33 / 0.97 0.38
down_the_line trail_ankle: 1.21 0.34 / 0.94 0.42
down_the_line trail_heel: 1.22 0.39 / 1.00 0.50
down_the_line trail_toe: 1.36 0.42 / 1.21 0.46`;

/** Of one landmark along one axis of the picture; shares of the body's height. */
export interface ErrorSpread {
  /** Sd of all of it before anything is taught. */
  readonly all: number;
  /** Sd of what no teaching takes away: new in every clip. */
  readonly rest: number;
}
export interface ErrorRow {
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

/** Of what a player's body and clothes do to a landmark (all but the rest), so much is the same at every station. */
export const PLAYER_SHARE: Readonly<Record<Axis, number>> = { across: 0.1, down: 0.35 };
/**
 * Of what differs between players (all but the rest), so much is taken to be the same with all students of one coach: his cameras, his light, the
 * people who come to him. A judgement: made-up players have one world between them.
 */
export const WORLD_SHARE = 0.35;
/** Of the variance of the rest, so much is the same at every station of the clip. */
export const CLIP_SHARE = 0.15;

/**
 * The rest at a station (its variance), beside its share: at address a network takes one leg for the other more often, and in the finish it errs
 * otherwise from swing to swing; most of all across the hips, once the pelvis is turned so far that its width stands edge on.
 */
const REST_TIMES: Readonly<Partial<Record<Station, number>>> = {
  address: 1.1,
  delivery: 0.85,
  impact: 0.9,
  finish: 2.4,
};
const TURNED_HIPS: Readonly<Record<ViewKind, Readonly<Partial<Record<Station, number>>>>> = {
  face_on: { impact: 2.2, finish: 6.5 },
  down_the_line: { impact: 1.4, finish: 11 },
};
const HIPS: readonly Landmark[] = ['lead_hip', 'trail_hip'];

export const restTimes = (view: ViewKind, landmark: Landmark, station: Station, axis: Axis): number =>
  (axis === 'across' && HIPS.includes(landmark) ? TURNED_HIPS[view][station] : undefined) ??
  REST_TIMES[station] ??
  1;

/** In so many days clothes, season and camera have made what was taught worth a third of it. */
export const FADES_IN_DAYS = 240;

/** What a hand's own mark leaves open, as a share of the body's height. */
export const HAND_SD = 0.003;
