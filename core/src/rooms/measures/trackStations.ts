import { bad, distance, good, problem, type Result, type Vec3 } from '../../foundation/index.ts';
import type { Landmark, Station } from '../capture/index.ts';
import type { SmoothTrack } from './trackSmooth.ts';

export type TrackProblem = 'track_no_swing' | 'track_needs_hands';

/** Frame of each station that the track allows; shaft stations need the club and are left out. */
export type StationFrames = ReadonlyMap<Station, number>;

/**
 * How far a station found this way may lie from where a coach would stop the clip, seconds (one sd):
 * hands alone tell the turn best and the chest-high hands worst.
 */
export const STATION_SD_SECONDS: Readonly<Partial<Record<Station, number>>> = {
  address: 0.01,
  arm_back: 0.012,
  top: 0.01,
  arm_down: 0.018,
  delivery: 0.01,
  impact: 0.008,
  chest_through: 0.03,
  finish: 0.03,
};

/** Stations at which the hands come to a level. */
export type LevelStation = 'arm_back' | 'arm_down' | 'delivery' | 'chest_through';
/** How far the hands are above the level in each frame, once the frame of address is known. */
export type Levels = Readonly<Partial<Record<LevelStation, (address: number) => (frame: number) => number>>>;

/** Shares of the hands' top speed. */
const STILL = 0.04;
const TURNING = 0.3;
const RESTING = 0.08;
/** The hands meet the ball within this time after their top speed. */
const TO_IMPACT_SECONDS = 0.2;
const DOWNSWING_SECONDS = 0.7;
/** Hands waist high: above the hip joints by this share of the leg (hip to ankle). */
const WAIST_ABOVE_HIPS = 0.04;
/** Hands chest high: below the breastbone by this share of its height over the hips. */
const CHEST_BELOW = 0.25;
/** The hands meet the ball a little ahead of where they stood at address, inches. */
const HANDS_AHEAD_IN = 2.5;
/** A ball that went this far has been hit, inches. */
const BALL_GONE_IN = 1;
/** Slower hands than these make no swing, inches a second. */
const SLOWEST_SWING = 60;

/**
 * Finds the stations from hands, shoulder, chest and hips alone: top speed of the hands first, the turn
 * before it is the top, the return to their place at address is impact; arm and waist stations are where the hands come to
 * `levels` between these.
 */
export function findStations(
  track: SmoothTrack,
  levels: Levels = levelsOfBody(track),
): Result<StationFrames, TrackProblem> {
  const { points, frames, stepSeconds } = track;
  const get = (landmark: Landmark) => points.get(landmark);
  const [grip, leadHip, trailHip, shoulder] = [
    get('grip'),
    get('lead_hip'),
    get('trail_hip'),
    get('lead_shoulder'),
  ];
  if (!grip || !leadHip || !trailHip) return bad([problem('track_needs_hands', 'markers')]);
  const speed = speeds(grip, stepSeconds);
  const fastest = theBlow(grip, leadHip, shoulder, speed);
  const most = speed[fastest] as number;
  const top = turnBefore(speed, fastest, Math.round(DOWNSWING_SECONDS / stepSeconds), TURNING * most);
  if (most < SLOWEST_SWING || top === null) return bad([problem('track_no_swing', 'frames')]);
  const backFastest = indexOfMost(speed, 0, top);
  const address = lastBelow(speed, backFastest, STILL * most) ?? 0;
  const home = grip[address] as Vec3;
  const meets: Vec3 = [home[0] + HANDS_AHEAD_IN, home[1], home[2]];
  const until = Math.min(frames - 1, fastest + Math.round(TO_IMPACT_SECONDS / stepSeconds));
  const passing = indexOfLeast(
    grip.map((p) => distance(p, meets)),
    Math.round((top + fastest) / 2),
    until,
  );
  const impact = ballGone(get('ball'), address) ?? passing;
  const found = new Map<Station, number>([
    ['address', address],
    ['top', top],
    ['impact', impact],
  ]);
  for (const { station, from, to, way } of CROSSINGS) {
    const above = levels[station]?.(address);
    const frame = above && crossing(above, found.get(from) ?? address, found.get(to) ?? frames - 1, way);
    if (frame !== undefined && frame !== null) found.set(station, frame);
  }
  found.set('finish', firstBelow(speed, found.get('chest_through') ?? impact, RESTING * most) ?? frames - 1);
  return good(found);
}

/** Between which stations the hands come to a level, and whether they rise (1) or fall to it. */
const CROSSINGS: readonly {
  readonly station: LevelStation;
  readonly from: Station;
  readonly to: Station;
  readonly way: 1 | -1;
}[] = [
  { station: 'arm_back', from: 'address', to: 'top', way: 1 },
  { station: 'arm_down', from: 'top', to: 'impact', way: -1 },
  { station: 'delivery', from: 'top', to: 'impact', way: -1 },
  { station: 'chest_through', from: 'impact', to: 'finish', way: 1 },
];

/** A body in space: lead arm level when hands are as high as its shoulder, delivery at the waist, the chest a little below the breastbone. */
function levelsOfBody({ points }: SmoothTrack): Levels {
  const heights = (landmark: Landmark) => points.get(landmark)?.map((p) => p[2]);
  const [hands, leadHip, trailHip] = [heights('grip'), heights('lead_hip'), heights('trail_hip')];
  const [shoulder, chest, ankle] = [
    heights('lead_shoulder'),
    heights('sternum'),
    heights('lead_ankle') ?? heights('trail_ankle'),
  ];
  if (!hands || !leadHip || !trailHip) return {};
  const at = (of: readonly number[], i: number) => of[i] as number;
  const hips = (i: number) => (at(leadHip, i) + at(trailHip, i)) / 2;
  const arm = shoulder && (() => (i: number) => at(hands, i) - at(shoulder, i));
  const waist = (address: number) => {
    const leg = ankle ? hips(address) - at(ankle, address) : 0;
    return (i: number) => at(hands, i) - hips(i) - WAIST_ABOVE_HIPS * leg;
  };
  const breast =
    chest && (() => (i: number) => at(hands, i) - at(chest, i) + CHEST_BELOW * (at(chest, i) - hips(i)));
  return {
    ...(arm && { arm_back: arm, arm_down: arm }),
    delivery: waist,
    ...(breast && { chest_through: breast }),
  };
}

/**
 * When the hands are fastest on the way down. The blow falls and is struck low: hands that jerk about on the way
 * to the finish are no downswing.
 */
function theBlow(
  grip: readonly Vec3[],
  leadHip: readonly Vec3[],
  shoulder: readonly Vec3[] | undefined,
  speed: readonly number[],
): number {
  const chestHeight = (i: number) =>
    ((leadHip[i] as Vec3)[2] + (shoulder?.[i]?.[2] ?? Number.POSITIVE_INFINITY)) / 2;
  const falls = (i: number) => ((grip[i + 1] ?? grip[i]) as Vec3)[2] < ((grip[i - 1] ?? grip[i]) as Vec3)[2];
  const low = speed.map((v, i) => ((grip[i] as Vec3)[2] > chestHeight(i) || !falls(i) ? 0 : v));
  return indexOfMost(low, 0, speed.length - 1);
}

/** The first frame in which the ball has left its place, if the track has a ball. */
function ballGone(ball: readonly Vec3[] | undefined, address: number): number | null {
  if (!ball) return null;
  const tee = ball[address] as Vec3;
  const gone = ball.findIndex((p, i) => i > address && distance(p, tee) > BALL_GONE_IN);
  return gone > 0 ? gone - 1 : null;
}

function speeds(path: readonly Vec3[], stepSeconds: number): number[] {
  return path.map((_, i) => {
    const [a, b] = [Math.max(0, i - 1), Math.min(path.length - 1, i + 1)];
    return distance(path[a] as Vec3, path[b] as Vec3) / ((b - a) * stepSeconds);
  });
}

const indexOfMost = (values: readonly number[], from: number, to: number): number => {
  let best = from;
  for (let i = from; i <= to; i++) if ((values[i] as number) > (values[best] as number)) best = i;
  return best;
};
const indexOfLeast = (values: readonly number[], from: number, to: number): number =>
  indexOfMost(
    values.map((v) => -v),
    from,
    to,
  );

/** The slowest moment in the time before the top speed, if the hands truly slow down there. */
function turnBefore(speed: readonly number[], fastest: number, window: number, below: number): number | null {
  const from = Math.max(0, fastest - window);
  // The nearest dip, not the rest before the start: go back while it gets slower, ripples apart.
  let turn = fastest;
  for (let i = fastest; i >= from; i--) {
    if ((speed[i] as number) < (speed[turn] as number)) turn = i;
    else if ((speed[turn] as number) < below && (speed[i] as number) > 1.5 * (speed[turn] as number) + 2)
      break;
  }
  return turn > 0 && (speed[turn] as number) < below ? turn : null;
}

function lastBelow(speed: readonly number[], before: number, limit: number): number | null {
  for (let i = before; i >= 0; i--) if ((speed[i] as number) < limit) return i;
  return null;
}
function firstBelow(speed: readonly number[], after: number, limit: number): number | null {
  for (let i = after; i < speed.length; i++) if ((speed[i] as number) < limit) return i;
  return null;
}

/** Frame nearest to where `value` crosses zero upward (1) or downward (-1). */
function crossing(value: (i: number) => number, from: number, to: number, way: 1 | -1): number | null {
  for (let i = from + 1; i <= to; i++) {
    const [a, b] = [way * value(i - 1), way * value(i)];
    if (a < 0 && b >= 0) return -a < b ? i - 1 : i;
  }
  return null;
}
