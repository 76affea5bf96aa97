import type { Landmark } from '../../capture/index.ts';
import type { SeenBody, SeenPlace } from '../proposals.ts';

/** Frames on either side that are asked, and how far off in time they may lie. */
const ABOUT = 3;
const FARTHEST_SECONDS = 0.06;
/** Rounds of weighing anew, and from how many times the usual distance on a frame counts for nothing. */
const ROUNDS = 6;
const CUT = 3;
/** Distances below this are what any frame is off by, pixels. */
const LEAST_PX = 0.7;

/**
 * Places smoothed over the neighbouring frames: a line in time through each landmark, frames that stray from it counting for less
 * and less (Tukey's weights). A leg that is taken for the other in one frame, or a hand lost for one, is passed over; what is
 * wrong in most of the frames stays so.
 */
export const steadyPlaces = (bodies: readonly SeenBody[]): SeenBody[] =>
  bodies.map((body, i) => {
    const near = bodies
      .slice(Math.max(0, i - ABOUT), i + ABOUT + 1)
      .filter(({ time }) => Math.abs(time - body.time) <= FARTHEST_SECONDS);
    const places: Partial<Record<Landmark, SeenPlace>> = {};
    for (const landmark of Object.keys(body.places) as Landmark[]) {
      const own = body.places[landmark];
      const path = near.flatMap(({ time, places: all }) => {
        const place = all[landmark];
        return place ? [{ t: time - body.time, ...place }] : [];
      });
      if (own) places[landmark] = path.length < 4 ? own : { ...lineThrough(path), seen: own.seen };
    }
    return { time: body.time, places };
  });

interface Dated {
  readonly t: number;
  readonly u: number;
  readonly v: number;
}

function lineThrough(path: readonly Dated[]): { u: number; v: number } {
  // Begun at the middle place of all, so that a few that stray together don't draw it away.
  let at = { u: middle(path.map(({ u }) => u)), v: middle(path.map(({ v }) => v)), du: 0, dv: 0 };
  for (let round = 0; round < ROUNDS; round++) {
    const off = path.map(({ t, u, v }) => Math.hypot(u - at.u - at.du * t, v - at.v - at.dv * t));
    const usual = Math.max(LEAST_PX, middle(off) * 1.5);
    const weights = off.map((d) => Math.max(0, 1 - (d / (CUT * usual)) ** 2) ** 2);
    at = weighted(path, weights);
  }
  return { u: at.u, v: at.v };
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
