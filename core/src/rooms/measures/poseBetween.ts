import { add, distance, scale, sub, type Vec3 } from '../../foundation/index.ts';
import type { FitLandmark } from './bodyPriors.ts';
import { type Pose, segmentPairs } from './targetPose.ts';

/** Rounds in which segments are pulled back to their length; a body is within a tenth of an inch by then. */
const ROUNDS = 12;
const STILL_IN = 0.01;

/**
 * A body drawn between two measured stations: `position` counts stations from 0 with a fraction between
 * them. Each coordinate goes a smooth way that never overshoots a station, so that planted feet stay; then
 * segments take back the length they have at the stations beside. A picture of the way, not a measure.
 */
export function poseBetween(poses: readonly Pose[], position: number): Pose {
  const before = Math.min(Math.max(0, Math.floor(position)), poses.length - 1);
  const share = position - before;
  const [from, to] = [poses[before], poses[before + 1]];
  if (!from) return {};
  if (share <= 0 || !to) return from;
  const landmarks = (Object.keys(from) as FitLandmark[]).filter((l) => to[l]);
  const places = new Map(
    landmarks.map((l): [FitLandmark, Vec3] => {
      const path = poses.map((pose) => pose[l]);
      return [l, [0, 1, 2].map((axis) => smooth(path, axis, before, share)) as unknown as Vec3];
    }),
  );
  keepLengths(places, from, to, share);
  return Object.fromEntries(places);
}

/** Hermite between two stations with slopes that turn no rise into a fall (harmonic mean of the sides). */
function smooth(path: readonly (Vec3 | undefined)[], axis: number, at: number, share: number): number {
  const value = (i: number) => path[i]?.[axis];
  const rise = (i: number): number | null => {
    const [a, b] = [value(i), value(i + 1)];
    return a === undefined || b === undefined ? null : b - a;
  };
  const slope = (i: number): number => {
    const [left, right] = [rise(i - 1), rise(i)];
    if (left === null || right === null || left * right <= 0) return 0;
    return (2 * left * right) / (left + right);
  };
  const [p, q] = [value(at) as number, value(at + 1) as number];
  const [s, u] = [share, 1 - share];
  return p * u * u * (1 + 2 * s) + q * s * s * (3 - 2 * s) + s * u * (u * slope(at) - s * slope(at + 1));
}

function keepLengths(places: Map<FitLandmark, Vec3>, from: Pose, to: Pose, share: number): void {
  const length = (pose: Pose, a: FitLandmark, b: FitLandmark) => distance(pose[a] as Vec3, pose[b] as Vec3);
  const segments = segmentPairs()
    .filter(([a, b]) => places.has(a) && places.has(b))
    .map(([a, b]) => ({ a, b, length: (1 - share) * length(from, a, b) + share * length(to, a, b) }));
  // What hardly moves from one station to the next gives way least.
  const loose = (l: FitLandmark) => distance(from[l] as Vec3, to[l] as Vec3) + STILL_IN;
  for (let round = 0; round < ROUNDS; round++)
    for (const { a, b, length: wanted } of segments) {
      const [p, q] = [places.get(a) as Vec3, places.get(b) as Vec3];
      const apart = distance(p, q);
      if (apart < 1e-9) continue;
      const by = scale(sub(q, p), (apart - wanted) / (apart * (loose(a) + loose(b))));
      places.set(a, add(p, scale(by, loose(a))));
      places.set(b, sub(q, scale(by, loose(b))));
    }
}
