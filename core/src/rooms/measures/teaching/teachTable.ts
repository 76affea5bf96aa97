import type { Landmark, Station } from '../../capture/index.ts';

/**
 * How the body network errs, as shares of the body's height in the picture, measured on the stand-ins
 * (`./inchstep bench proposals`). An error has four parts: what a player's body and clothes do to a landmark, what they do to it at
 * one station, what a clip's camera and light add, and the rest, which is new in every frame.
 */
export interface ErrorRow {
  readonly landmark: Landmark;
  /** Sd of all of it before anything is taught. */
  readonly all: number;
}
export const ERROR_ROWS: readonly ErrorRow[] = [
  { landmark: 'head', all: 0.008 },
  { landmark: 'lead_hip', all: 0.0128 },
  { landmark: 'trail_hip', all: 0.0128 },
  { landmark: 'lead_knee', all: 0.0144 },
  { landmark: 'trail_knee', all: 0.0144 },
  { landmark: 'lead_ankle', all: 0.0144 },
  { landmark: 'trail_ankle', all: 0.0144 },
  { landmark: 'lead_heel', all: 0.0136 },
  { landmark: 'trail_heel', all: 0.0136 },
  { landmark: 'lead_toe', all: 0.0168 },
  { landmark: 'trail_toe', all: 0.0168 },
];

/** Of the variance of an error: the player's, the player's at one station, the clip's. The rest is new in every frame. */
export const ERROR_SHARES = { player: 0.25, station: 0.62, clip: 0.04 } as const;

/** The rest at a station, beside its share: where limbs are hidden or quick it is more. */
export const REST_TIMES: Readonly<Partial<Record<Station, number>>> = {
  address: 0.7,
  top: 1.3,
  impact: 1.8,
  finish: 1.3,
};

/** In so many days clothes, season and camera have made what was taught worth a third of it. */
export const FADES_IN_DAYS = 240;

/** What a hand's own mark leaves open, as a share of the body's height. */
export const HAND_SD = 0.003;
