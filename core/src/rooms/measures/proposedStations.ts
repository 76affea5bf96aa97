import { mix, type Result, type Vec3 } from '../../foundation/index.ts';
import { type Landmark, MAIN_STATIONS, type Station, stationRank } from '../capture/index.ts';
import type { ViewKind } from '../intake/index.ts';
import { bodyHeightPx, type SeenBody, type SeenPlace } from './proposals.ts';
import { type StationMoments, withOtherView } from './stationsTogether.ts';
import { smoothTrack } from './trackSmooth.ts';
import { findStations, type TrackProblem } from './trackStations.ts';

/**
 * One picture sees the first and the last move of the hands late and early; the body stands still on the
 * other side of both, so that a step to that side costs nothing.
 */
const STILL_SIDE_SECONDS: Readonly<Partial<Record<Station, number>>> = { address: -0.1, finish: 0.1 };
/** Hands less surely seen than this are hidden behind the body. */
const HIDDEN = 0.15;
/**
 * Stations from the picture alone: the body's points, scaled to inches by the player's height, go the
 * same way as a motion track, with nothing known of depth. `other`, where it is known, is when the other view of the same swing has
 * them. Answers frames of `bodies`.
 */
export function proposeStations(
  bodies: readonly SeenBody[],
  kind: ViewKind,
  golfer: { readonly heightIn: number; readonly handedness: 'left' | 'right' },
  other: StationMoments = new Map(),
): Result<ReadonlyMap<Station, number>, TrackProblem> {
  const perPx = golfer.heightIn / Math.max(1, bodyHeightPx(bodies));
  const side = golfer.handedness === 'left' ? -1 : 1;
  const at = (place: SeenPlace | undefined): Vec3 => {
    if (!place) return [Number.NaN, Number.NaN, Number.NaN];
    const across = side * perPx * place.u;
    return kind === 'face_on' ? [across, 0, -perPx * place.v] : [0, across, -perPx * place.v];
  };
  const landmarks: readonly Landmark[] = ['grip', 'lead_hip', 'trail_hip', 'lead_ankle', 'lead_shoulder'];
  const path = (landmark: Landmark): Vec3[] =>
    withoutSpikes(
      bridged(
        bodies.map(({ places }) => at(landmark === 'grip' ? seenWell(places[landmark]) : places[landmark])),
      ),
    );
  const points = new Map<Landmark, Vec3[]>(landmarks.map((landmark) => [landmark, path(landmark)]));
  points.set(
    'sternum',
    bodies.map(({ places }) =>
      chestOf(at(places.lead_shoulder), at(places.trail_shoulder), at(places.lead_hip)),
    ),
  );
  const track = smoothTrack({ times: bodies.map((b) => b.time), points }, { withNoise: false });
  const found = findStations(track);
  if (!found.ok) return found;
  const frameOf = (station: Station, even: number): number => {
    const time = track.startSeconds + even * track.stepSeconds + (STILL_SIDE_SECONDS[station] ?? 0);
    const after = bodies.findIndex((b) => b.time >= time - 0.5 * track.stepSeconds);
    return after < 0 ? bodies.length - 1 : after;
  };
  const stations = MAIN_STATIONS.flatMap((station): [Station, number][] => {
    const even = found.value.get(station);
    return even === undefined ? [] : [[station, frameOf(station, even)]];
  });
  return { ok: true, value: inOrder(togetherWith(bodies, inOrder(new Map(stations)), other)) };
}

/** The same frames as the other view has them, too. */
function togetherWith(
  bodies: readonly SeenBody[],
  found: ReadonlyMap<Station, number>,
  other: StationMoments,
): ReadonlyMap<Station, number> {
  if (other.size === 0) return found;
  const own = new Map([...found].map(([station, frame]) => [station, bodies[frame]?.time ?? 0]));
  const [first = 0, last = 0] = [bodies[0]?.time, bodies.at(-1)?.time];
  const nearest = (time: number): number =>
    bodies.reduce(
      (best, body, i) =>
        Math.abs(body.time - time) < Math.abs((bodies[best] as SeenBody).time - time) ? i : best,
      0,
    );
  return new Map(
    [...withOtherView(own, other)]
      .filter(([, time]) => time >= first && time <= last)
      .map(([station, time]) => [
        station,
        own.get(station) === time ? (found.get(station) as number) : nearest(time),
      ]),
  );
}

/** Found surest first: what moves fast, or stands still, is told by these. */
const SUREST: readonly Station[] = ['impact', 'top', 'address', 'finish', 'delivery'];

/** Two stations in one frame, or the wrong way round, can't both be right: the less sure one is left for a hand to find. */
export function inOrder(found: ReadonlyMap<Station, number>): Map<Station, number> {
  const kept = new Map<Station, number>();
  for (const station of SUREST) {
    const frame = found.get(station);
    if (frame === undefined) continue;
    const fits = [...kept].every(
      ([other, at]) => frame !== at && frame < at === stationRank(station) < stationRank(other),
    );
    if (fits) kept.set(station, frame);
  }
  return new Map([...kept].sort(([a], [b]) => stationRank(a) - stationRank(b)));
}

const seenWell = (place: SeenPlace | undefined) => (place && place.seen >= HIDDEN ? place : undefined);

/** Straight across the frames in which a place was hidden. */
function bridged(path: readonly Vec3[]): Vec3[] {
  const known = path.flatMap((p, i) => (Number.isFinite(p[0] + p[1] + p[2]) ? [i] : []));
  return path.map((p, i) => {
    const after = known.find((k) => k >= i) ?? known.at(-1);
    const before = known.findLast((k) => k <= i) ?? known[0];
    if (after === undefined || before === undefined) return p;
    const share = after === before ? 0 : (i - before) / (after - before);
    return mix(path[before] as Vec3, path[after] as Vec3, Math.min(1, Math.max(0, share)));
  });
}

/** The middle one of five neighbours: hands that are lost for a frame or two must not look like a swing. */
function withoutSpikes(path: readonly Vec3[]): Vec3[] {
  const middle = (i: number, axis: number) => {
    const near = path
      .slice(Math.max(0, i - 2), i + 3)
      .map((p) => p[axis] as number)
      .sort((a, b) => a - b);
    return near[Math.floor(near.length / 2)] as number;
  };
  return path.map((_, i) => [middle(i, 0), middle(i, 1), middle(i, 2)]);
}

/** The breastbone lies a quarter of the way from the shoulders down to the hips. */
function chestOf(lead: Vec3, trail: Vec3, hip: Vec3): Vec3 {
  const shoulders = [(lead[0] + trail[0]) / 2, (lead[1] + trail[1]) / 2, (lead[2] + trail[2]) / 2] as const;
  return [0, 1, 2].map((k) => 0.75 * (shoulders[k] as number) + 0.25 * (hip[k] as number)) as unknown as Vec3;
}
