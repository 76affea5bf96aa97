import type { Landmark } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';
import type { SeenBody, SeenPlace } from '../proposing/proposals.ts';

/** How far off in time a frame may lie that is asked: three frames of sixty a second on either side. */
const FARTHEST_SECONDS = 0.055;
/** Rounds of weighing anew, and from how many times the usual distance on a frame counts for nothing. */
const ROUNDS = 6;
const CUT = 3;
/** Distances below this are what any frame is off by, pixels. */
const LEAST_PX = 0.7;

/** What else was seen of the same frames: in the mirror, in a wider crop. */
interface MoreLooks {
  readonly kind: ViewKind;
  readonly again: readonly SeenBody[];
}

/**
 * Places smoothed over the neighbouring frames, and over all looks at each of them: a line in time through each landmark, places
 * that stray from it counting for less and less (Tukey's weights). A leg that is taken for the other in one frame, or a hand
 * lost for one, is passed over; what is wrong in most of the frames stays so. Face-on, looks that draw the legs into one
 * another are left out first.
 */
export function steadyPlaces(bodies: readonly SeenBody[], more?: MoreLooks): SeenBody[] {
  const looks = [...bodies, ...(more?.again ?? [])].sort((a, b) => a.time - b.time);
  return bodies.map((body) => {
    const near = looks.filter(({ time }) => Math.abs(time - body.time) <= FARTHEST_SECONDS);
    const apart = more?.kind === 'face_on' ? legsApart(near) : near;
    const places: Partial<Record<Landmark, SeenPlace>> = {};
    for (const landmark of Object.keys(body.places) as Landmark[]) {
      const own = body.places[landmark];
      const path = (ONE_ALONE.includes(landmark) ? near : apart).flatMap(({ time, places: all }) => {
        const place = all[landmark];
        return place ? [{ t: time - body.time, ...place }] : [];
      });
      if (!own) continue;
      const line = path.length < 4 ? null : lineThrough(path);
      places[landmark] = line
        ? { ...line, seen: own.seen, scatterPx: scatterOf(near, body.time, landmark, line) }
        : own;
    }
    return { time: body.time, places };
  });
}

/** Landmarks that have no fellow to be taken for. */
const ONE_ALONE: readonly Landmark[] = ['head', 'grip', 'neck', 'sternum', 'seat'];
/** Ankles nearer to each other than this share of how far apart they are in the better looks are drawn into one another. */
const DRAWN_TOGETHER = 0.7;
const BETTER_LOOKS = 0.85;

/**
 * A network that can't tell which leg is which puts each somewhere between both: the pair shrinks towards its middle, hips and
 * knees with the ankles. Face-on no leg hides the other, so looks with the ankles well apart are the ones that could tell.
 */
function legsApart(near: readonly SeenBody[]): readonly SeenBody[] {
  const apart = near.map(({ places: { lead_ankle: lead, trail_ankle: trail } }) =>
    lead && trail ? Math.abs(lead.u - trail.u) : 0,
  );
  const sorted = [...apart].sort((a, b) => a - b);
  const usual = sorted[Math.floor(BETTER_LOOKS * (sorted.length - 1))] ?? 0;
  return near.filter((_, i) => (apart[i] as number) >= DRAWN_TOGETHER * usual);
}

/** How far all looks lie from a line: those, too, that it passed over. */
function scatterOf(near: readonly SeenBody[], at: number, landmark: Landmark, line: Line): number {
  let [sum, n] = [0, 0];
  for (const { time, places } of near) {
    const place = places[landmark];
    if (!place) continue;
    const t = time - at;
    sum += (place.u - line.u - line.uPerS * t) ** 2 + (place.v - line.v - line.vPerS * t) ** 2;
    n++;
  }
  return Math.sqrt(sum / Math.max(1, n));
}

interface Line {
  readonly u: number;
  readonly v: number;
  readonly uPerS: number;
  readonly vPerS: number;
}

interface Dated {
  readonly t: number;
  readonly u: number;
  readonly v: number;
}

function lineThrough(path: readonly Dated[]): Line {
  // Begun at the middle place of all, so that a few that stray together don't draw it away.
  let at = { u: middle(path.map(({ u }) => u)), v: middle(path.map(({ v }) => v)), du: 0, dv: 0 };
  for (let round = 0; round < ROUNDS; round++) {
    const off = path.map(({ t, u, v }) => Math.hypot(u - at.u - at.du * t, v - at.v - at.dv * t));
    const usual = Math.max(LEAST_PX, middle(off) * 1.5);
    const weights = off.map((d) => Math.max(0, 1 - (d / (CUT * usual)) ** 2) ** 2);
    at = weighted(path, weights);
  }
  return { u: at.u, v: at.v, uPerS: at.du, vPerS: at.dv };
}

function weighted(path: readonly Dated[], weights: readonly number[]) {
  let [w, t, tt, u, v, tu, tv] = [0, 0, 0, 0, 0, 0, 0];
  path.forEach((one, i) => {
    const k = weights[i] as number;
    w += k;
    t += k * one.t;
    tt += k * one.t * one.t;
    u += k * one.u;
    v += k * one.v;
    tu += k * one.t * one.u;
    tv += k * one.t * one.v;
  });
  const det = w * tt - t * t;
  if (w <= 0) return { u: 0, v: 0, du: 0, dv: 0 };
  if (det <= 1e-12 * w) return { u: u / w, v: v / w, du: 0, dv: 0 };
  const [du, dv] = [(w * tu - t * u) / det, (w * tv - t * v) / det];
  return { u: (u - du * t) / w, v: (v - dv * t) / w, du, dv };
}

function middle(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1
    ? (sorted[half] as number)
    : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2;
}
