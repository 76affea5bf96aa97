import {
  bad,
  cross,
  dot,
  good,
  midpoint,
  problem,
  type Result,
  scale,
  sub,
  unit,
  type Vec3,
} from '../../foundation/index.ts';
import type { Landmark } from './landmarks.ts';
import {
  IN_PER_UNIT,
  isLost,
  LOST,
  landmarkNamed,
  MOTION_UNITS,
  type Motion,
  type MotionUnit,
  type RawMotion,
} from './motion.ts';

type MotionFrameProblem = 'motion_missing_landmarks' | 'motion_unit_unknown' | 'motion_start_unseen';

/** What was taken for granted on the way to the ground frame; shown to the coach. */
export interface MotionReading {
  readonly motion: Motion;
  readonly unit: MotionUnit;
  readonly unitGuessed: boolean;
  /** Already in the ground frame, or turned so that the ankles lie along the target line. */
  readonly aligned: 'as_written' | 'ankles_on_target_line';
  readonly unmatched: readonly string[];
}

/** Without these neither a frame nor a measure can be had. */
const NEEDED: readonly Landmark[] = ['lead_hip', 'trail_hip', 'lead_ankle', 'trail_ankle'];
const START_FRAMES = 5;
/** Hips above ankles, inches, of anybody from a small child to a giant. */
const HIP_HEIGHT_IN = { low: 15, high: 50 } as const;
/** A file of our own frame has its up axis upright and the ankles along x within this many degrees. */
const OWN_FRAME_DEG = 12;

/**
 * From a file's own axes to the ground frame: up is where the hips are above the ankles, the target is
 * where the lead ankle is from the trail ankle, the ball is where the toes (or the hands) are. Works in
 * rooms of either handedness, since every axis is found from the body.
 */
export function toGround(raw: RawMotion, leftHanded: boolean): Result<MotionReading, MotionFrameProblem> {
  const named = new Map<Landmark, readonly Vec3[]>();
  const unmatched: string[] = [];
  for (const [name, points] of raw.markers) {
    const landmark = landmarkNamed(name, leftHanded);
    if (landmark) named.set(landmark, points);
    else unmatched.push(name);
  }
  const missing = NEEDED.filter((landmark) => !named.has(landmark));
  if (missing.length > 0)
    return bad([problem('motion_missing_landmarks', 'markers', { missing: missing.join(', ') })]);
  const start = (landmark: Landmark): Vec3 | null =>
    meanOf(named.get(landmark)?.slice(0, START_FRAMES) ?? []);
  const [hips, ankles] = [
    between(start('lead_hip'), start('trail_hip')),
    between(start('lead_ankle'), start('trail_ankle')),
  ];
  const apart = difference(start('lead_ankle'), start('trail_ankle'));
  const ahead = difference(
    between(start('lead_toe'), start('trail_toe')) ?? start('grip') ?? start('ball'),
    ankles,
  );
  if (!hips || !ankles || !apart) return bad([problem('motion_start_unseen', 'frames[0]')]);
  const up = nearestAxis(sub(hips, ankles));
  const perUnit = unitFor(raw.unit, dot(sub(hips, ankles), up));
  if (!perUnit) return bad([problem('motion_unit_unknown', 'unit')]);
  const own = Math.abs(up[2]) === 1 && up[2] > 0 && inOwnFrame(apart, ahead);
  const axes = own ? OWN_AXES : bodyAxes(up, apart, ahead);
  const origin = own ? ([0, 0, 0] as Vec3) : ankles;
  const ground = (p: Vec3): Vec3 => {
    if (isLost(p)) return LOST;
    const from = scale(sub(p, origin), IN_PER_UNIT[perUnit]);
    return [dot(from, axes[0]), dot(from, axes[1]), dot(from, axes[2])];
  };
  return good({
    motion: { times: raw.times, points: new Map([...named].map(([l, points]) => [l, points.map(ground)])) },
    unit: perUnit,
    unitGuessed: raw.unit !== perUnit,
    aligned: own ? 'as_written' : 'ankles_on_target_line',
    unmatched,
  });
}

const OWN_AXES: readonly [Vec3, Vec3, Vec3] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

function inOwnFrame(apart: Vec3, ahead: Vec3 | null): boolean {
  const turned = (Math.atan2(Math.abs(apart[1]), apart[0]) * 180) / Math.PI;
  return turned <= OWN_FRAME_DEG && (ahead === null || ahead[1] > 0);
}

function bodyAxes(up: Vec3, apart: Vec3, ahead: Vec3 | null): [Vec3, Vec3, Vec3] {
  const target = unit(sub(apart, scale(up, dot(apart, up))));
  const side = cross(up, target);
  // Without toes, hands or ball the room is taken as the usual kind, in which up x target points behind
  // a right-hander; nothing but the sign of depth hangs on it.
  const toBall = ahead && dot(ahead, side) < 0 ? scale(side, -1) : side;
  return [target, toBall, up];
}

/** The unit the file tells, if the body then has a human size; else the one that gives it one. */
function unitFor(told: MotionUnit | null, hipHeight: number): MotionUnit | null {
  const human = (u: MotionUnit) => {
    const inches = hipHeight * IN_PER_UNIT[u];
    return inches >= HIP_HEIGHT_IN.low && inches <= HIP_HEIGHT_IN.high;
  };
  if (told && human(told)) return told;
  return MOTION_UNITS.find(human) ?? null;
}

/** Rooms have a level floor: the file's axis nearest to the legs is up. */
function nearestAxis(v: Vec3): Vec3 {
  const sizes = v.map(Math.abs);
  const most = sizes.indexOf(Math.max(...sizes));
  return [0, 1, 2].map((i) => (i === most ? Math.sign(v[i] as number) : 0)) as unknown as Vec3;
}

function meanOf(points: readonly Vec3[]): Vec3 | null {
  const seen = points.filter((p) => !isLost(p));
  if (seen.length === 0) return null;
  return scale(
    seen.reduce((a, b) => [a[0] + b[0], a[1] + b[1], a[2] + b[2]], [0, 0, 0] as Vec3),
    1 / seen.length,
  );
}
const between = (a: Vec3 | null, b: Vec3 | null): Vec3 | null => (a && b ? midpoint(a, b) : null);
const difference = (a: Vec3 | null, b: Vec3 | null): Vec3 | null => (a && b ? sub(a, b) : null);
