import { mix, type Result, type Vec3 } from '../../../foundation/index.ts';
import { type Landmark, type Station, stationRank } from '../../capture/index.ts';
import type { ViewKind } from '../../intake/index.ts';
import { type SmoothTrack, smoothTrack } from '../trackSmooth.ts';
import { findStations, type LevelStation, type Levels, type TrackProblem } from '../trackStations.ts';
import { bodyHeightPx, type SeenBody, type SeenPlace } from './proposals.ts';
import { type FoundStation, type StationMoments, withOtherView } from './stationsTogether.ts';

/**
 * One picture sees the first and the last move of the hands late and early; the body stands still on the
 * other side of both, so that a step to that side costs nothing.
 */
const STILL_SIDE_SECONDS: Readonly<Partial<Record<Station, number>>> = { address: -0.1, finish: 0.1 };
/**
 * How far a station found in a picture may be early or late, seconds (one sd): of eight clips of four made-up players, seed 22, that were filmed in every
 * frame; see docs/measures.md. Where the body stands a moment more or less says nothing of where it is.
 */
const MOMENT_SD_SECONDS: Readonly<Record<Station, number>> = {
  address: 0.05,
  shaft_back: 0.025,
  arm_back: 0.025,
  top: 0.015,
  arm_down: 0.013,
  delivery: 0.011,
  impact: 0.012,
  shaft_through: 0.015,
  chest_through: 0.015,
  finish: 0.08,
};
/** Hands less surely seen than this are hidden behind the body. */
const HIDDEN = 0.15;
/**
 * How far below the neck the hands are at a station, as a share of the body's height in the picture: means over twelve made-up players
 * (seeds 21 and 22). A network's neck is steadier than either of its shoulders.
 */
const BELOW_NECK: Readonly<Record<ViewKind, Readonly<Record<LevelStation, number>>>> = {
  face_on: { arm_back: 0.085, arm_down: 0.085, delivery: 0.222, chest_through: 0.137 },
  down_the_line: { arm_back: 0.058, arm_down: 0.067, delivery: 0.232, chest_through: 0.132 },
};
/** From behind the body hides the hands once the ball is gone: the moment helps to find the finish and is not answered. */
const UNSURE: Readonly<Partial<Record<ViewKind, readonly Station[]>>> = { down_the_line: ['chest_through'] };

/** What is known of the stations before the picture is asked, seconds of the clip: from the other view of the same swing, and by hand. */
interface KnownStations {
  readonly other?: StationMoments;
  readonly named?: StationMoments;
}

interface Player {
  readonly heightIn: number;
  readonly handedness: 'left' | 'right';
}

/**
 * Stations from the picture alone: the body's points, scaled to inches by the player's height, go the
 * same way as a motion track, with nothing known of depth. What a hand has named stays as it is. Answers frames of `bodies`.
 */
export function proposeStations(
  bodies: readonly SeenBody[],
  kind: ViewKind,
  golfer: Player,
  { other = new Map(), named = new Map() }: KnownStations = {},
): Result<ReadonlyMap<Station, FoundStation>, TrackProblem> {
  const found = momentsInPicture(bodies, kind, golfer);
  const own = found.ok ? found.value : new Map<Station, number>();
  const both = other.size > 0 ? withOtherView(own, other) : own;
  const [first = 0, last = 0] = [bodies[0]?.time, bodies.at(-1)?.time];
  const frames = new Map<Station, number>();
  for (const [station, time] of [...both, ...named])
    if (time >= first && time <= last) frames.set(station, nearestFrame(bodies, time));
  if (!found.ok && frames.size === 0) return found;
  const byHand = new Set(named.keys());
  const sdS = (station: Station) => (byHand.has(station) ? 0 : MOMENT_SD_SECONDS[station]);
  const kept = inOrder(frames, byHand);
  return {
    ok: true,
    value: new Map([...kept].map(([station, frame]) => [station, { frame, sdS: sdS(station) }])),
  };
}

function momentsInPicture(
  bodies: readonly SeenBody[],
  kind: ViewKind,
  golfer: Player,
): Result<Map<Station, number>, TrackProblem> {
  const perPx = golfer.heightIn / Math.max(1, bodyHeightPx(bodies));
  const track = smoothTrack(
    { times: bodies.map((b) => b.time), points: pathsInInches(bodies, kind, golfer, perPx) },
    { withNoise: false },
  );
  const found = findStations(track, levelsInPicture(track, kind, golfer.heightIn));
  if (!found.ok) return found;
  const frameOf = (station: Station, even: number): number => {
    const time = track.startSeconds + even * track.stepSeconds + (STILL_SIDE_SECONDS[station] ?? 0);
    const after = bodies.findIndex((b) => b.time >= time - 0.5 * track.stepSeconds);
    return after < 0 ? bodies.length - 1 : after;
  };
  const frames = [...found.value]
    .filter(([station]) => !UNSURE[kind]?.includes(station))
    .map(([station, even]): [Station, number] => [station, frameOf(station, even)]);
  const times = [...inOrder(new Map(frames))].map(([station, frame]): [Station, number] => [
    station,
    bodies[frame]?.time ?? 0,
  ]);
  return { ok: true, value: new Map(times) };
}

/** Paths of what stations are told by, inches, x toward the target or y away from the player, z up. */
function pathsInInches(
  bodies: readonly SeenBody[],
  kind: ViewKind,
  { handedness }: Player,
  perPx: number,
): Map<Landmark, Vec3[]> {
  const side = handedness === 'left' ? -1 : 1;
  const at = (place: SeenPlace | undefined): Vec3 => {
    if (!place) return [Number.NaN, Number.NaN, Number.NaN];
    const across = side * perPx * place.u;
    return kind === 'face_on' ? [across, 0, -perPx * place.v] : [0, across, -perPx * place.v];
  };
  const path = (landmark: Landmark): Vec3[] =>
    withoutSpikes(
      bridged(
        bodies.map(({ places }) => at(landmark === 'grip' ? seenWell(places[landmark]) : places[landmark])),
      ),
    );
  return new Map(TOLD_BY.map((landmark) => [landmark, path(landmark)]));
}
const TOLD_BY: readonly Landmark[] = ['grip', 'lead_hip', 'trail_hip', 'lead_shoulder', 'neck'];

function levelsInPicture({ points }: SmoothTrack, kind: ViewKind, heightIn: number): Levels {
  const [hands, neck] = [points.get('grip'), points.get('neck')];
  if (!hands || !neck) return {};
  const level = (station: LevelStation) => () => (i: number) =>
    (hands[i] as Vec3)[2] - (neck[i] as Vec3)[2] + BELOW_NECK[kind][station] * heightIn;
  return {
    arm_back: level('arm_back'),
    arm_down: level('arm_down'),
    delivery: level('delivery'),
    chest_through: level('chest_through'),
  };
}

const nearestFrame = (bodies: readonly SeenBody[], time: number): number =>
  bodies.reduce(
    (best, body, i) =>
      Math.abs(body.time - time) < Math.abs((bodies[best] as SeenBody).time - time) ? i : best,
    0,
  );

/** Found surest first: what moves fast, or stands still, is told by these. */
const SUREST: readonly Station[] = [
  'impact',
  'top',
  'address',
  'finish',
  'delivery',
  'arm_back',
  'arm_down',
  'chest_through',
  'shaft_back',
  'shaft_through',
];

/**
 * Two stations in one frame, or the wrong way round, can't both be right: the less sure one is left for a hand to find. What a hand
 * has named is surest of all.
 */
export function inOrder(
  found: ReadonlyMap<Station, number>,
  byHand: ReadonlySet<Station> = new Set(),
): Map<Station, number> {
  const kept = new Map<Station, number>();
  const sure = (station: Station) => (byHand.has(station) ? -1 : 1);
  for (const station of [...SUREST].sort((a, b) => sure(a) - sure(b))) {
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
