import {
  add,
  cross,
  dot,
  midpoint,
  norm,
  scale,
  sub,
  toRad,
  unit,
  type Vec3,
} from '../../foundation/index.ts';
import type { BodySizes } from '../intake/index.ts';
import type { FitLandmark } from './bodyPriors.ts';
import type { Pose } from './targetPose.ts';

/**
 * A body put into a posture joint by joint: degrees, and inches of a 70 in player that grow with the student.
 * Places are told from the address of a square, mid-width stance: x toward the target, y toward the ball, z up,
 * the origin on the ground between the ankles.
 */
export interface Posture {
  /** Pelvis centre since address: to the target, to the ball, up. */
  readonly shiftIn: number;
  readonly depthIn: number;
  readonly riseIn: number;
  /** + open to the target. */
  readonly turnDeg: number;
  /** + lead hip higher. */
  readonly tiltDeg: number;
  /** Trunk from the front, + away from the target. */
  readonly leanDeg: number;
  /** Trunk from the side, + toward the ball. */
  readonly inclineDeg: number;
  /** About the trunk, + open. */
  readonly shouldersDeg: number;
  readonly leadHeelUpIn: number;
  readonly trailHeelUpIn: number;
  /** A foot set elsewhere than in the stance: to the target, to the ball, and up. */
  readonly leadFootIn: Vec3;
  readonly trailFootIn: Vec3;
  readonly leadFlareDeg: number;
  readonly trailFlareDeg: number;
  /** A knee that points further out than the foot and the pelvis say; - inward. */
  readonly leadKneeDeg: number;
  readonly trailKneeDeg: number;
}

const UPRIGHT: Posture = {
  shiftIn: 0,
  depthIn: 0,
  riseIn: 0,
  turnDeg: 0,
  tiltDeg: 1,
  leanDeg: 4,
  inclineDeg: 34,
  shouldersDeg: 0,
  leadHeelUpIn: 0,
  trailHeelUpIn: 0,
  leadFootIn: [0, 0, 0],
  trailFootIn: [0, 0, 0],
  leadFlareDeg: 20,
  trailFlareDeg: 6,
  leadKneeDeg: 0,
  trailKneeDeg: 0,
};

/** The house's swing in a few stops, and standing tall: where a drill's poses begin. */
// biome-ignore format: a posture a row, so that the table can be read
export const HOUSE_POSTURES = {
  standing: { ...UPRIGHT, riseIn: 0.9, depthIn: 1.6, leanDeg: 0, inclineDeg: 2, tiltDeg: 0 },
  address: UPRIGHT,
  arm_back: { ...UPRIGHT, shiftIn: -0.8, depthIn: -0.2, turnDeg: -24, tiltDeg: -4, leanDeg: 3, shouldersDeg: -60 },
  top: { ...UPRIGHT, shiftIn: -0.1, depthIn: -0.4, riseIn: 0.1, turnDeg: -45, tiltDeg: -8, leanDeg: 4, inclineDeg: 33, shouldersDeg: -88 },
  arm_down: { ...UPRIGHT, shiftIn: 2.4, depthIn: -0.6, riseIn: -0.9, turnDeg: -8, tiltDeg: -6, leanDeg: 8, shouldersDeg: -42 },
  delivery: { ...UPRIGHT, shiftIn: 3.7, depthIn: -0.6, riseIn: -0.7, turnDeg: 12, tiltDeg: 3, leanDeg: 10, shouldersDeg: -18 },
  impact: { ...UPRIGHT, shiftIn: 4.7, depthIn: -0.4, riseIn: 0, turnDeg: 36, tiltDeg: 9, leanDeg: 14, inclineDeg: 32, shouldersDeg: 22, trailHeelUpIn: 1.2 },
  chest_through: { ...UPRIGHT, shiftIn: 5.2, depthIn: 0.6, riseIn: 1, turnDeg: 62, tiltDeg: 6, leanDeg: 14, inclineDeg: 24, shouldersDeg: 70, trailHeelUpIn: 3 },
  finish: { ...UPRIGHT, shiftIn: 5.4, depthIn: 1.4, riseIn: 1.4, turnDeg: 85, tiltDeg: 2, leanDeg: 3, inclineDeg: 8, shouldersDeg: 105, trailHeelUpIn: 6, trailKneeDeg: -40 },
} as const satisfies Record<string, Posture>;
export type PostureId = keyof typeof HOUSE_POSTURES;

const REFERENCE_IN = 70;
const ADDRESS_FLEX_DEG = 20;
const HIPS_BEHIND_ANKLES_IN = 2;
/** Shares of standing height that no other table holds. */
const SHARE = {
  trunk: 0.285,
  nape: 0.11,
  halfShoulders: 0.1,
  heelBehind: 0.0485,
  heelUp: 0.015,
  foot: 0.14,
} as const;
/** A leg is never drawn quite straight: a knee that is locked can't be seen. */
const STRAIGHTEST = 0.998;

/** The landmarks of a posture, inches, for a body and the distance between its ankles. */
export function posed(posture: Posture, heightIn: number, sizes: BodySizes, stanceIn: number): Pose {
  const k = heightIn / REFERENCE_IN;
  const feet = {
    lead: foot(posture, 'lead', heightIn, sizes, stanceIn / 2),
    trail: foot(posture, 'trail', heightIn, sizes, -stanceIn / 2),
  };
  const line = hipLine(posture);
  const half = scale(line, sizes.hipJointsApartIn / 2);
  const belly: Vec3 = [Math.sin(toRad(posture.turnDeg)), Math.cos(toRad(posture.turnDeg)), 0];
  const pelvis = withinReach(pelvisAt(posture, k, sizes, stanceIn), half, feet, sizes);
  const [lead, trail] = [add(pelvis, half), sub(pelvis, half)];
  const legs = {
    lead: knee(posture, 'lead', lead, feet.lead, belly, sizes),
    trail: knee(posture, 'trail', trail, feet.trail, belly, sizes),
  };
  return {
    lead_hip: lead,
    trail_hip: trail,
    lead_knee: legs.lead,
    trail_knee: legs.trail,
    lead_ankle: feet.lead.ankle,
    trail_ankle: feet.trail.ankle,
    lead_heel: feet.lead.heel,
    trail_heel: feet.trail.heel,
    lead_toe: feet.lead.toe,
    trail_toe: feet.trail.toe,
    seat: add(pelvis, add(scale(belly, -0.07 * heightIn), [0, 0, -0.014 * heightIn])),
    ...trunk(posture, pelvis, heightIn),
  };
}

/** From the trail hip to the lead hip. */
function hipLine({ turnDeg, tiltDeg }: Posture): Vec3 {
  const [turn, tilt] = [toRad(turnDeg), toRad(tiltDeg)];
  return [Math.cos(turn) * Math.cos(tilt), -Math.sin(turn) * Math.cos(tilt), Math.sin(tilt)];
}

function pelvisAt(
  { shiftIn, depthIn, riseIn }: Posture,
  k: number,
  sizes: BodySizes,
  stanceIn: number,
): Vec3 {
  const reach = legReach(sizes, ADDRESS_FLEX_DEG);
  const across = stanceIn / 2 - sizes.hipJointsApartIn / 2;
  const back = HIPS_BEHIND_ANKLES_IN * k;
  const up = sizes.ankleHeightIn + Math.sqrt(reach ** 2 - across ** 2 - back ** 2);
  return [(0.25 + shiftIn) * k, (depthIn - HIPS_BEHIND_ANKLES_IN) * k, up + riseIn * k];
}

/** From hip to ankle with so much flex. */
function legReach({ thighIn, shankIn }: BodySizes, flexDeg: number): number {
  return Math.sqrt(thighIn ** 2 + shankIn ** 2 + 2 * thighIn * shankIn * Math.cos(toRad(flexDeg)));
}

interface Foot {
  readonly ankle: Vec3;
  readonly heel: Vec3;
  readonly toe: Vec3;
  /** Along the foot, on the ground. */
  readonly along: Vec3;
}

function foot(
  posture: Posture,
  side: 'lead' | 'trail',
  heightIn: number,
  sizes: BodySizes,
  atIn: number,
): Foot {
  const k = heightIn / REFERENCE_IN;
  const flare = toRad(side === 'lead' ? posture.leadFlareDeg : posture.trailFlareDeg);
  const along: Vec3 = [(side === 'lead' ? 1 : -1) * Math.sin(flare), Math.cos(flare), 0];
  const set = scale(side === 'lead' ? posture.leadFootIn : posture.trailFootIn, k);
  const ground = SHARE.heelUp * heightIn;
  const flatHeel = add(add([atIn, 0, ground], set), scale(along, -SHARE.heelBehind * heightIn));
  const length = SHARE.foot * heightIn;
  const toe = add(flatHeel, scale(along, length));
  // The heel rises about the toes.
  const up = Math.min((side === 'lead' ? posture.leadHeelUpIn : posture.trailHeelUpIn) * k, 0.95 * length);
  const pitch = Math.asin(up / length);
  const sole = add(scale(along, Math.cos(pitch)), [0, 0, -Math.sin(pitch)]);
  const instep = add(scale(along, Math.sin(pitch)), [0, 0, Math.cos(pitch)]);
  const heel = sub(toe, scale(sole, length));
  const ankle = add(
    heel,
    add(scale(sole, SHARE.heelBehind * heightIn), scale(instep, sizes.ankleHeightIn - ground)),
  );
  return { ankle, heel, toe, along };
}

/** The pelvis sinks until both legs reach the ground. */
function withinReach(wanted: Vec3, half: Vec3, feet: Record<'lead' | 'trail', Foot>, sizes: BodySizes): Vec3 {
  const longest = STRAIGHTEST * (sizes.thighIn + sizes.shankIn);
  let at = wanted;
  for (const [hip, { ankle }] of [
    [half, feet.lead],
    [scale(half, -1), feet.trail],
  ] as const) {
    const [dx, dy] = [at[0] + hip[0] - ankle[0], at[1] + hip[1] - ankle[1]];
    const highest = ankle[2] + Math.sqrt(Math.max(0, longest ** 2 - dx ** 2 - dy ** 2)) - hip[2];
    if (at[2] > highest) at = [at[0], at[1], highest];
  }
  return at;
}

/** Where the knee bends to: between the foot's way and the pelvis's, or where the posture says. */
function knee(
  posture: Posture,
  side: 'lead' | 'trail',
  hip: Vec3,
  { ankle, along }: Foot,
  belly: Vec3,
  sizes: BodySizes,
): Vec3 {
  const out = toRad(side === 'lead' ? posture.leadKneeDeg : -posture.trailKneeDeg);
  const way = add(scale(along, 0.65), scale(belly, 0.35));
  const bent: Vec3 = [
    way[0] * Math.cos(out) + way[1] * Math.sin(out),
    way[1] * Math.cos(out) - way[0] * Math.sin(out),
    0,
  ];
  return joint(hip, ankle, sizes.thighIn, sizes.shankIn, bent);
}

/** The joint of two limbs between two ends, bent toward `way`; ends too far apart for them lie on one line. */
export function joint(from: Vec3, to: Vec3, firstIn: number, secondIn: number, way: Vec3): Vec3 {
  const apart = sub(to, from);
  const far = Math.max(norm(apart), 1e-6);
  const axis = scale(apart, 1 / far);
  const along = Math.min(firstIn, (far ** 2 + firstIn ** 2 - secondIn ** 2) / (2 * far));
  const aside = Math.sqrt(Math.max(0, firstIn ** 2 - along ** 2));
  const across = sub(way, scale(axis, dot(way, axis)));
  const bend = norm(across) > 1e-6 ? unit(across) : unit(cross(axis, [1, 0, 0.01]));
  return add(from, add(scale(axis, along), scale(bend, aside)));
}

type Trunk = Pick<
  Record<FitLandmark, Vec3>,
  'neck' | 'head' | 'sternum' | 'lead_shoulder' | 'trail_shoulder' | 'grip'
>;

function trunk(posture: Posture, pelvis: Vec3, heightIn: number): Trunk {
  const [lean, incline] = [toRad(posture.leanDeg), toRad(posture.inclineDeg)];
  const axis = unit([-Math.tan(lean), Math.tan(incline), 1]);
  const neck = add(pelvis, scale(axis, SHARE.trunk * heightIn));
  const shoulders = shoulderLine(axis, posture.shouldersDeg);
  const chest = unit(cross(axis, shoulders));
  const half = scale(shoulders, SHARE.halfShoulders * heightIn);
  const yoke = add(neck, scale(axis, -0.02 * heightIn));
  const face = unit([-0.5 * Math.tan(lean), 0.25 + 0.5 * Math.tan(incline), 1]);
  const [lead, trail] = [add(yoke, half), sub(yoke, half)];
  return {
    neck,
    head: add(neck, scale(face, SHARE.nape * heightIn)),
    sternum: add(neck, add(scale(axis, -0.07 * heightIn), scale(chest, 0.02 * heightIn))),
    lead_shoulder: lead,
    trail_shoulder: trail,
    grip: add(midpoint(lead, trail), add(scale(chest, 0.2 * heightIn), scale(axis, -0.22 * heightIn))),
  };
}

/** Across the trunk toward the lead shoulder: turned about the trunk, + open. */
function shoulderLine(axis: Vec3, turnDeg: number): Vec3 {
  const across = unit(sub([1, 0, 0], scale(axis, axis[0])));
  const ballward = cross(axis, across);
  const turn = toRad(turnDeg);
  return add(scale(across, Math.cos(turn)), scale(ballward, -Math.sin(turn)));
}
