import type { Landmark, Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';

/**
 * How far the body network strays from what it errs by with everybody (`usualErrors.ts`), in hundredths of the body's height, measured on
 * made-up players (seeds 11, 12 and 21). Across: sd of all of it, and of what is new in every clip; then the same down.
 */
const LINES = `
face_on head: 0.62 0.27 / 1.03 0.25
face_on lead_hip: 0.95 0.32 / 1.05 0.30
face_on trail_hip: 0.92 0.29 / 1.03 0.30
face_on lead_knee: 0.85 0.35 / 1.15 0.37
face_on trail_knee: 0.89 0.34 / 1.12 0.33
face_on lead_ankle: 0.68 0.26 / 0.98 0.35
face_on trail_ankle: 0.73 0.31 / 0.96 0.38
face_on lead_heel: 0.77 0.29 / 1.14 0.44
face_on trail_heel: 0.77 0.32 / 1.15 0.47
face_on lead_toe: 0.86 0.45 / 0.91 0.37
face_on trail_toe: 0.89 0.51 / 0.94 0.36
face_on neck: 0.50 0.25 / 0.76 0.22
face_on sternum: 0.49 0.25 / 0.68 0.22
down_the_line neck: 0.78 0.18 / 0.66 0.23
down_the_line seat: 0.84 0.24 / 0.72 0.34
down_the_line head: 0.86 0.22 / 0.77 0.26
down_the_line lead_hip: 1.34 0.30 / 0.85 0.37
down_the_line trail_hip: 1.56 0.29 / 0.90 0.38
down_the_line lead_knee: 1.77 0.39 / 1.08 0.37
down_the_line trail_knee: 1.55 0.32 / 1.13 0.34
down_the_line lead_ankle: 1.46 0.33 / 1.08 0.38
down_the_line trail_ankle: 1.34 0.34 / 1.04 0.42
down_the_line trail_heel: 1.35 0.39 / 1.11 0.50
down_the_line trail_toe: 1.51 0.42 / 1.34 0.46`;

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
/** Of the variance of the rest, so much is the same at every station of the clip. */
export const CLIP_SHARE = 0.15;

/** The rest at a station, beside its share: at address and in the finish a network takes one leg for the other more often. */
export const REST_TIMES: Readonly<Partial<Record<Station, number>>> = {
  address: 1.1,
  delivery: 0.85,
  impact: 0.9,
  finish: 1.2,
};

/** In so many days clothes, season and camera have made what was taught worth a third of it. */
export const FADES_IN_DAYS = 240;

/** What a hand's own mark leaves open, as a share of the body's height. */
export const HAND_SD = 0.003;
