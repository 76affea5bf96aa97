import { type Landmark, MARKS_WANTED, type Moving, type Station } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';
import { ownSdOf } from '../teaching/seenHow.ts';
import type { ErrorEntry, NetPlace } from '../teaching/taughtPlaces.ts';
import type { FoundStation } from './stationsTogether.ts';

/** A place in one frame and how surely it was seen there, 0 to 1. */
export interface SeenPlace {
  readonly u: number;
  readonly v: number;
  readonly seen: number;
  /** How fast it moves there, pixels a second; known once places are smoothed. */
  readonly uPerS?: number;
  readonly vPerS?: number;
  /** How far its looks lie from the line through them, pixels, root mean square. */
  readonly scatterPx?: number;
}

/** What a body network found in one frame, by landmark; empty where it found nobody. */
export interface SeenBody {
  readonly time: number;
  readonly places: Readonly<Partial<Record<Landmark, SeenPlace>>>;
}

interface ProposedMark {
  readonly station: Station;
  readonly landmark: Landmark;
  readonly u: number;
  readonly v: number;
  readonly sdPx: number;
  readonly sdDownPx: number;
  /** Sd of what all proposals of this landmark in this clip are off by together, across and down. */
  readonly sharedSdPx: number;
  readonly sharedSdDownPx: number;
  /** Of the sds the part that hands left open which taught it. */
  readonly handSdPx: number;
  /** Where the network saw it, before what it is known to err by was taken off. */
  readonly net: NetPlace;
  readonly moving: Moving;
}

/** Numbers of the network's body points, left then right; several are averaged. */
type Pair = readonly [left: number, right: number];
const PAIRED_POINTS: Readonly<Record<string, Pair>> = {
  shoulder: [11, 12],
  hip: [23, 24],
  knee: [25, 26],
  ankle: [27, 28],
  heel: [29, 30],
  toe: [31, 32],
};
const EARS = [7, 8];
const WRISTS = [15, 16];

/** Places less surely seen than this are not proposed. */
const LEAST_SEEN = 0.3;
/** Ankles to the middle of the head, as a share of standing height. */
const ANKLE_TO_HEAD_SHARE = 0.88;

/**
 * What no network sees, from what it does: neck and breastbone hang from the middle of the shoulders, the seat from that of the hips;
 * so much of the way up from the hips to the shoulders, and on to the ears. Least squares over sixteen made-up players (seeds 11, 12
 * and 21); what stays over at each station and in each view is an offset like all others.
 */
const DERIVED: readonly {
  readonly landmark: Landmark;
  readonly from: 'shoulder' | 'hip';
  readonly trunk: number;
  readonly toEars: number;
}[] = [
  { landmark: 'neck', from: 'shoulder', trunk: -0.15, toEars: 0.35 },
  { landmark: 'sternum', from: 'shoulder', trunk: -0.3, toEars: 0.2 },
  { landmark: 'seat', from: 'hip', trunk: 0.27, toEars: 0 },
];

/** The network's points as landmarks; its left is the player's own left. */
export function seenBody(
  time: number,
  points: { readonly u: ArrayLike<number>; readonly v: ArrayLike<number>; readonly seen: ArrayLike<number> },
  leftHanded: boolean,
): SeenBody {
  const mean = (ids: readonly number[]): SeenPlace => {
    const sum = (of: ArrayLike<number>) =>
      ids.reduce((total, i) => total + (of[i] as number), 0) / ids.length;
    return { u: sum(points.u), v: sum(points.v), seen: sum(points.seen) };
  };
  // Both hands hold one club: the wrist that is better seen counts for more.
  const surest = (ids: readonly number[]): SeenPlace => {
    const weights = ids.map((i) => 0.02 + (points.seen[i] as number) ** 2);
    const whole = weights.reduce((a, b) => a + b, 0);
    const sum = (of: ArrayLike<number>) =>
      ids.reduce((total, i, k) => total + ((of[i] as number) * (weights[k] as number)) / whole, 0);
    return { u: sum(points.u), v: sum(points.v), seen: sum(points.seen) };
  };
  const places: Partial<Record<Landmark, SeenPlace>> = { head: mean(EARS), grip: surest(WRISTS) };
  for (const [part, [left, right]] of Object.entries(PAIRED_POINTS)) {
    places[`lead_${part}` as Landmark] = mean([leftHanded ? right : left]);
    places[`trail_${part}` as Landmark] = mean([leftHanded ? left : right]);
  }
  const middle = { shoulder: mean(PAIRED_POINTS.shoulder as Pair), hip: mean(PAIRED_POINTS.hip as Pair) };
  const ears = mean(EARS);
  for (const { landmark, from, trunk, toEars } of DERIVED) {
    const { shoulder, hip } = middle;
    const along = (axis: 'u' | 'v') =>
      middle[from][axis] + trunk * (shoulder[axis] - hip[axis]) + toEars * (ears[axis] - shoulder[axis]);
    places[landmark] = { u: along('u'), v: along('v'), seen: Math.min(shoulder.seen, hip.seen) };
  }
  return { time, places };
}

const SIDED = Object.keys(PAIRED_POINTS);
const otherWay = (places: SeenBody['places']): SeenBody['places'] => ({
  ...places,
  ...Object.fromEntries(
    SIDED.flatMap((part) => [
      [`lead_${part}`, places[`trail_${part}` as Landmark]],
      [`trail_${part}`, places[`lead_${part}` as Landmark]],
    ]),
  ),
});

/**
 * Networks take one leg for the other now and then. Face-on the lead ankle is always nearer the target;
 * from behind nothing as plain tells them apart, and the network's word stands.
 */
export function steadySides(bodies: readonly SeenBody[], kind: ViewKind, leftHanded: boolean): SeenBody[] {
  if (kind !== 'face_on') return [...bodies];
  return bodies.map((body) => {
    const { lead_ankle: lead, trail_ankle: trail } = body.places;
    if (!lead || !trail) return body;
    const wrong = (lead.u - trail.u) * (leftHanded ? -1 : 1) < 0;
    return wrong ? { ...body, places: otherWay(body.places) } : body;
  });
}

/** Height of the body in the picture, pixels: from the first frames, in which it stands. */
export function bodyHeightPx(bodies: readonly SeenBody[]): number {
  const heights = bodies
    .flatMap(({ places: { head, lead_ankle: lead, trail_ankle: trail } }) =>
      head && lead && trail ? [(lead.v + trail.v) / 2 - head.v] : [],
    )
    .sort((a, b) => a - b);
  // Bending shortens a body, so a tall quarter of the frames is nearer to how it stands.
  return (heights[Math.floor(0.75 * heights.length)] ?? 0) / ANKLE_TO_HEAD_SHARE;
}

/**
 * Marks at the named frames: what the network saw, less what it is known to err by on this player, each with what that leaves
 * open. What is too badly seen is left to the fit.
 */
export function proposeMarks(
  bodies: readonly SeenBody[],
  kind: ViewKind,
  stations: ReadonlyMap<Station, FoundStation>,
  errors: readonly ErrorEntry[],
  leftHanded: boolean,
): ProposedMark[] {
  const heightPx = bodyHeightPx(bodies);
  const side = leftHanded ? -1 : 1;
  return [...stations].flatMap(([station, { frame, sdS }]) =>
    MARKS_WANTED[kind].flatMap((landmark): ProposedMark[] => {
      const { places = {}, time = 0 } = bodies[frame] ?? {};
      const place = places[landmark];
      const error = errors.find(
        (one) => one.view === kind && one.station === station && one.landmark === landmark,
      );
      if (!place || !error || place.seen < LEAST_SEEN) return [];
      const { seen, scatterPx } = place;
      const how = { seen, ...(scatterPx !== undefined && { scatter: scatterPx / heightPx }) };
      return [
        {
          station,
          landmark,
          u: place.u - side * error.across * heightPx,
          v: place.v - error.down * heightPx,
          sdPx: heightPx * ownSdOf(error.sharedSd, error.ownSd, how),
          sdDownPx: heightPx * ownSdOf(error.sharedSdDown, error.ownSdDown, how),
          sharedSdPx: error.sharedSd * heightPx,
          sharedSdDownPx: error.sharedSdDown * heightPx,
          handSdPx: error.handSd * heightPx,
          net: { u: place.u, v: place.v, heightPx, ...how },
          moving: {
            uPerS: place.uPerS ?? 0,
            vPerS: place.vPerS ?? 0,
            sdS,
            atS: time,
          },
        },
      ];
    }),
  );
}
