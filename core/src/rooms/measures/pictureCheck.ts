import { normalCdf, toRad } from '../../foundation/index.ts';
import type { Landmark } from '../capture/index.ts';
import { BELT_SHARE } from './cameraReport.ts';
import type { SeenBody, SeenPlace } from './proposing/proposals.ts';

/** A picture of the player at address, before anything is filmed. */
export interface Picture {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Standing height of who stands in it. */
  readonly bodyIn: number;
  /** What the phone's own sensors say: + looks up, + lifts the picture's right side; null where it has none. */
  readonly level: { readonly pitchDeg: number; readonly rollDeg: number } | null;
}

/** The one thing to do. Inches are how far the phone goes. */
export type PictureStep =
  | { readonly code: 'step_in' }
  | { readonly code: 'turn_upright' }
  | { readonly code: 'straighten'; readonly deg: number }
  | { readonly code: 'show_feet' | 'show_head' | 'show_side' | 'nearer' | 'farther' }
  | { readonly code: 'raise' | 'lower'; readonly byIn: number };

const PICTURE_ITEMS = ['body', 'upright', 'whole', 'size', 'height'] as const;
type PictureItem = (typeof PICTURE_ITEMS)[number];
export type PictureFinding =
  | { readonly item: PictureItem; readonly state: 'good' | 'cant_tell' }
  | { readonly item: PictureItem; readonly state: 'mend'; readonly step: PictureStep };

/** Places less surely seen than this don't count as in the picture. */
const LEAST_SEEN = 0.5;
const PARTS = {
  show_feet: ['lead_toe', 'trail_toe', 'lead_heel', 'trail_heel', 'lead_ankle', 'trail_ankle'],
  show_head: ['head'],
} as const satisfies Record<string, readonly Landmark[]>;
/** Room wanted around the body, as shares of its height: the hands go over the head. */
const ROOM = { above: 0.14, below: 0.03, beside: 0.08 } as const;
/** Height of the body as a share of the picture's. */
const SIZE = { least: 0.3, most: 0.82 } as const;
/** From the ankles to the ears the body leans no more than this in an upright picture, bent at the hips or not. */
const MOST_LEAN_DEG = 30;
const MOST_ROLL_DEG = 3;
/** Bent at the hips, ankles to ears is less of the standing height than upright (0.88). */
const ANKLE_TO_HEAD_SHARE = 0.8;
const ANKLE_HEIGHT_IN = 3.5;
const FOCAL_SHARE = 0.86;
const FOCAL_SD_SHARE = 0.12;
const SENSOR_SD_DEG = 1.2;
const SCALE_SD_SHARE = 0.06;
/** Further off than this is worth moving the phone for; surer than this is said. */
const HEIGHT_OFF_IN = 8;
const SURE = 0.85;

/**
 * Whether a picture will measure well: is there a body, upright and whole, large enough, the camera at belt height. Each
 * is good, to be mended by one step, or can't be told. What hangs on something that is wrong itself is not judged. The
 * height is told by the phone's level alone, and whether the camera stands square not at all: over 80 made-up cameras
 * the fit of one pose left both open (its sd is 15 in and 9 degrees); the fit of the first swing tells (`reportCameras`).
 */
export function checkPicture(body: SeenBody | null, picture: Picture): PictureFinding[] {
  if (!body || !at(body, 'head') || (!at(body, 'lead_ankle') && !at(body, 'lead_hip')))
    return [{ item: 'body', state: 'mend', step: { code: 'step_in' } }];
  const rows: PictureFinding[] = [{ item: 'body', state: 'good' }];
  const checks = [upright, whole, size];
  for (const check of checks) {
    rows.push(check(body, picture));
    if (rows.at(-1)?.state === 'mend') return rows;
  }
  return [...rows, height(body, picture)];
}

/** What to do first; null where nothing is to be mended. */
export function firstStep(findings: readonly PictureFinding[]): PictureStep | null {
  for (const finding of findings) if (finding.state === 'mend') return finding.step;
  return null;
}

const at = (body: SeenBody, landmark: Landmark): SeenPlace | null => {
  const place = body.places[landmark];
  return place && place.seen >= LEAST_SEEN ? place : null;
};

function middle(body: SeenBody, landmarks: readonly Landmark[]): { u: number; v: number } | null {
  const places = landmarks.flatMap((landmark) => at(body, landmark) ?? []);
  if (places.length === 0) return null;
  const sum = (of: (place: SeenPlace) => number) => places.reduce((total, place) => total + of(place), 0);
  return { u: sum(({ u }) => u) / places.length, v: sum(({ v }) => v) / places.length };
}

const ANKLES = ['lead_ankle', 'trail_ankle'] as const;
const HIPS = ['lead_hip', 'trail_hip'] as const;

function upright(body: SeenBody, { level }: Picture): PictureFinding {
  const [head, foot] = [middle(body, ['head']), middle(body, ANKLES) ?? middle(body, HIPS)];
  if (!head || !foot) return { item: 'upright', state: 'cant_tell' };
  const leanDeg = (Math.atan2(head.u - foot.u, foot.v - head.v) * 180) / Math.PI;
  if (Math.abs(leanDeg) > MOST_LEAN_DEG)
    return { item: 'upright', state: 'mend', step: { code: 'turn_upright' } };
  const roll = level?.rollDeg ?? null;
  if (roll !== null && Math.abs(roll) > MOST_ROLL_DEG)
    return { item: 'upright', state: 'mend', step: { code: 'straighten', deg: roll } };
  return { item: 'upright', state: 'good' };
}

/** Ankles to ears in pixels, as standing height. */
function heightPxOf(body: SeenBody): number | null {
  const [head, foot] = [middle(body, ['head']), middle(body, ANKLES)];
  return head && foot ? (foot.v - head.v) / ANKLE_TO_HEAD_SHARE : null;
}

function whole(body: SeenBody, { widthPx, heightPx }: Picture): PictureFinding {
  const tall = heightPxOf(body);
  const mend = (code: 'show_feet' | 'show_head' | 'show_side'): PictureFinding => ({
    item: 'whole',
    state: 'mend',
    step: { code },
  });
  const feet = PARTS.show_feet.flatMap((landmark) => at(body, landmark) ?? []);
  if (tall === null || feet.length < 4) return mend('show_feet');
  if (feet.some(({ v }) => v > heightPx - ROOM.below * tall)) return mend('show_feet');
  const head = at(body, 'head');
  if (!head || head.v < ROOM.above * tall) return mend('show_head');
  const sides = Object.values(body.places).flatMap((place) =>
    place && place.seen >= LEAST_SEEN ? [place.u] : [],
  );
  const room = ROOM.beside * tall;
  return Math.min(...sides) < room || Math.max(...sides) > widthPx - room
    ? mend('show_side')
    : { item: 'whole', state: 'good' };
}

function size(body: SeenBody, { heightPx }: Picture): PictureFinding {
  const share = (heightPxOf(body) ?? 0) / heightPx;
  if (share < SIZE.least) return { item: 'size', state: 'mend', step: { code: 'nearer' } };
  if (share > SIZE.most) return { item: 'size', state: 'mend', step: { code: 'farther' } };
  return { item: 'size', state: 'good' };
}

interface Told {
  readonly value: number;
  readonly sd: number;
}
/** Chance that a value lies further from zero than `off`. */
const chanceOff = ({ value, sd }: Told, off: number): number =>
  1 - normalCdf((off - value) / sd) + normalCdf((-off - value) / sd);

function height(body: SeenBody, picture: Picture): PictureFinding {
  const told = heightByLevel(body, picture);
  if (!told) return { item: 'height', state: 'cant_tell' };
  const off = { value: told.value - BELT_SHARE * picture.bodyIn, sd: told.sd };
  const chance = chanceOff(off, HEIGHT_OFF_IN);
  if (chance >= SURE) {
    const code = off.value > 0 ? 'lower' : 'raise';
    return { item: 'height', state: 'mend', step: { code, byIn: Math.abs(off.value) } };
  }
  return { item: 'height', state: chance <= 1 - SURE ? 'good' : 'cant_tell' };
}

/**
 * Whatever the distance, the horizon goes through everything that is as high as the camera: with the phone's own level
 * it is a line in the picture, and the body is the ruler.
 */
function heightByLevel(body: SeenBody, { level, widthPx, heightPx, bodyIn }: Picture): Told | null {
  const [tall, foot] = [heightPxOf(body), middle(body, ANKLES)];
  if (!level || !tall || !foot) return null;
  const inPerPx = bodyIn / tall;
  const focalPx = FOCAL_SHARE * Math.max(widthPx, heightPx);
  const rise = focalPx * Math.tan(toRad(level.pitchDeg));
  const horizon = heightPx / 2 + rise;
  const value = (foot.v - horizon) * inPerPx + ANKLE_HEIGHT_IN;
  const bySensor = focalPx * toRad(SENSOR_SD_DEG) * inPerPx;
  const sd = Math.hypot(bySensor, FOCAL_SD_SHARE * rise * inPerPx, SCALE_SD_SHARE * value, 1);
  return { value, sd };
}

/**
 * A phone's tilt from what its motion sensor calls gravity (x to the right, y up, z out of the screen; m/s², either
 * sign, as makers differ), held upright: pitch + where its back looks up, roll + where the picture's right side is
 * lifted. Null where it is shaken or lies flat.
 */
export function levelFromGravity(x: number, y: number, z: number): Picture['level'] {
  const all = Math.hypot(x, y, z);
  const sign = y < 0 ? -1 : 1;
  if (Math.abs(all - 9.81) > 1.5 || sign * y < 0.5 * all) return null;
  const deg = (rad: number) => (rad * 180) / Math.PI;
  return {
    pitchDeg: -deg(Math.atan2(sign * z, Math.hypot(x, y))),
    rollDeg: deg(Math.atan2(sign * x, sign * y)),
  };
}
