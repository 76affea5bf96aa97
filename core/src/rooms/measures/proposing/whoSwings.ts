import type { Hand, ViewKind } from '../../intake/index.ts';
import { bodyHeightPx, type SeenBody, steadySides } from './proposals.ts';
import { proposeStations } from './proposedStations.ts';

/** A body in one frame of a clip, and a square of the picture that holds it: its middle and side, pixels. */
export interface Sighting {
  readonly at: { readonly u: number; readonly v: number; readonly side: number };
  readonly body: SeenBody;
}
/** Sightings of one body, in the order of the clip. */
export type BodyTrack<S extends Sighting = Sighting> = readonly S[];

/** A body not seen for longer is somebody else when it comes again. */
const LONGEST_AWAY_SECONDS = 0.5;
/** From one sighting to the next a body moves and grows by less than this share of its square, both together. */
const FARTHEST_STEP = 0.5;

/** Who is seen frame by frame, as bodies that are followed: the nearest and most alike first. Two that cross keep apart by their size. */
export function bodyTracks<S extends Sighting>(frames: readonly (readonly S[])[]): BodyTrack<S>[] {
  const tracks: S[][] = [];
  for (const sightings of frames) {
    const open = new Set(sightings);
    const pairs = tracks
      .flatMap((track) => sightings.map((one) => ({ track, one, step: stepTo(track, one) })))
      .filter(({ step }) => step < FARTHEST_STEP)
      .sort((a, b) => a.step - b.step);
    const taken = new Set<S[]>();
    for (const { track, one } of pairs) {
      if (taken.has(track) || !open.has(one)) continue;
      track.push(one);
      taken.add(track);
      open.delete(one);
    }
    for (const one of open) tracks.push([one]);
  }
  return tracks;
}

function stepTo(track: BodyTrack, { at, body }: Sighting): number {
  const last = track.at(-1) as Sighting;
  if (body.time - last.body.time > LONGEST_AWAY_SECONDS) return Number.POSITIVE_INFINITY;
  const moved = Math.hypot(at.u - last.at.u, at.v - last.at.v) / last.at.side;
  return moved + Math.abs(Math.log(at.side / last.at.side));
}

type WhoSwings<S extends Sighting> =
  | { readonly code: 'player'; readonly track: BodyTrack<S> }
  /** From left to right in the picture. */
  | { readonly code: 'two_swing'; readonly tracks: readonly BodyTrack<S>[] }
  | { readonly code: 'nobody' };

/** A body found in fewer of the frames only passes. */
const LEAST_FOUND = 0.6;
/** Hands slower than this share of the quickest, each by its own body's height, only swing along as one walks. */
const SWINGS_ALIKE = 0.4;
/** Two whose tops and impacts come together within so many seconds are one in a mirror: and a mirror shows nobody taller than he is. */
const TOGETHER_SECONDS = 0.06;
const CLEARLY_TALLER = 1.08;

/**
 * The player is who swings. Of two who swing at the same moments one is the other's reflection, and the taller of them stands here; of
 * two who swing each by himself nobody can tell. `frames`: how many were looked at. `chosen` names one of those who swing, from left
 * to right.
 */
export function whoSwings<S extends Sighting>(
  tracks: readonly BodyTrack<S>[],
  frames: number,
  kind: ViewKind,
  golfer: { readonly heightIn: number; readonly handedness: Hand },
  chosen?: number,
): WhoSwings<S> {
  const present = tracks.filter((track) => track.length >= LEAST_FOUND * frames);
  const [alone, second] = present;
  if (!alone) return { code: 'nobody' };
  if (!second) return { code: 'player', track: alone };
  const swings = present.flatMap((track) => swingOf(track, kind, golfer) ?? []);
  const quickest = Math.max(...swings.map(({ handsPerS }) => handsPerS));
  const swingers = swings
    .filter(({ handsPerS }) => handsPerS >= SWINGS_ALIKE * quickest)
    .sort((a, b) => a.u - b.u);
  const [first] = swingers;
  // Nobody swings as far as a coarse pass tells: every frame of who stands nearest will.
  if (!first) return { code: 'player', track: tallest(present) };
  const named = chosen === undefined ? undefined : swingers[chosen];
  const player = named ?? (swingers.length === 1 ? first : reflected(swingers));
  return player
    ? { code: 'player', track: player.track }
    : { code: 'two_swing', tracks: swingers.map(({ track }) => track) };
}

interface Swinger<S extends Sighting> {
  readonly track: BodyTrack<S>;
  /** Where he stands across the picture. */
  readonly u: number;
  readonly heightPx: number;
  /** Top speed of the hands, his own heights a second. */
  readonly handsPerS: number;
  readonly top: number;
  readonly impact: number;
}

function swingOf<S extends Sighting>(
  track: BodyTrack<S>,
  kind: ViewKind,
  golfer: { readonly heightIn: number; readonly handedness: Hand },
): Swinger<S> | null {
  const bodies = steadySides(
    track.map(({ body }) => body),
    kind,
    golfer.handedness === 'left',
  );
  const stations = proposeStations(bodies, kind, golfer);
  if (!stations.ok) return null;
  const when = (station: 'top' | 'impact') =>
    bodies[stations.value.get(station)?.frame ?? -1]?.time ?? Number.NaN;
  const heightPx = bodyHeightPx(bodies);
  return {
    track,
    u: middleOf(track),
    heightPx,
    handsPerS: handSpeed(bodies) / Math.max(1, heightPx),
    top: when('top'),
    impact: when('impact'),
  };
}

/** The nearest of those who are one body and its reflections; undefined where they swing each by himself. */
function reflected<S extends Sighting>(swingers: readonly Swinger<S>[]): Swinger<S> | undefined {
  const [first, second] = [...swingers].sort((a, b) => b.heightPx - a.heightPx);
  if (!first || !second) return undefined;
  const together = swingers.every(
    ({ top, impact }) =>
      Math.abs(top - first.top) <= TOGETHER_SECONDS && Math.abs(impact - first.impact) <= TOGETHER_SECONDS,
  );
  return together && first.heightPx >= CLEARLY_TALLER * second.heightPx ? first : undefined;
}

const middleOf = (track: BodyTrack): number => track.reduce((sum, { at }) => sum + at.u, 0) / track.length;

const tallest = <S extends Sighting>(tracks: readonly BodyTrack<S>[]): BodyTrack<S> =>
  tracks.reduce((most, track) =>
    bodyHeightPx(track.map(({ body }) => body)) > bodyHeightPx(most.map(({ body }) => body)) ? track : most,
  );

/** Top speed of the hands, pixels a second: the third quickest step, so that a hand lost for a frame is no swing. */
function handSpeed(bodies: readonly SeenBody[]): number {
  const speeds = bodies.slice(1).flatMap((body, i) => {
    const [a, b] = [(bodies[i] as SeenBody).places.grip, body.places.grip];
    const seconds = body.time - (bodies[i] as SeenBody).time;
    return a && b && seconds > 0 ? [Math.hypot(b.u - a.u, b.v - a.v) / seconds] : [];
  });
  return speeds.sort((a, b) => b - a)[2] ?? 0;
}
