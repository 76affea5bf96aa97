import { add, cross, midpoint, norm, scale, sub, unit, type Vec3 } from '../../foundation/index.ts';
import { joint, type Pose, type PostureId } from '../measures/index.ts';

export type HandsId =
  | 'hang'
  | 'hips'
  | 'bar'
  | 'belly'
  | 'crossed'
  | 'palms'
  | 'palms_apart'
  | 'stacked'
  | 'bucket'
  | 'bucket_back'
  | 'bucket_across'
  | 'rod'
  | 'rod_low'
  | 'club';

/** A place by shares of standing height: across to the lead side, to the front, up; of the chest or of the belt. */
type Place = readonly [of: 'chest' | 'belt', across: number, front: number, up: number];
interface Hands {
  readonly lead: Place;
  readonly trail: Place;
}

const both = (of: Place[0], across: number, front: number, up: number): Hands => ({
  lead: [of, across, front, up],
  trail: [of, -across, front, up],
});
const near = (across: number, front: number, up: number): Hands => ({
  lead: ['chest', across + 0.008, front, up + 0.012],
  trail: ['chest', across - 0.008, front, up - 0.012],
});

const HELD: Readonly<Record<Exclude<HandsId, 'club'>, Hands>> = {
  hang: both('chest', 0.11, 0.07, -0.3),
  hips: both('belt', 0.1, 0.03, 0.03),
  bar: both('belt', 0.1, 0.09, 0.03),
  belly: both('belt', 0.02, 0.1, 0.03),
  crossed: { lead: ['chest', -0.075, 0.06, -0.05], trail: ['chest', 0.075, 0.07, -0.03] },
  palms: both('belt', 0.012, 0.12, 0.06),
  palms_apart: { lead: ['belt', 0.05, 0.14, -0.05], trail: ['chest', -0.09, 0.13, 0.05] },
  stacked: { lead: ['chest', 0.01, 0.06, -0.1], trail: ['belt', 0, 0.1, 0.02] },
  bucket: near(0, 0.2, -0.25),
  bucket_back: near(-0.05, 0.22, -0.2),
  bucket_across: near(0.05, 0.24, -0.2),
  rod: near(0.01, 0.27, -0.12),
  rod_low: near(0, 0.2, -0.25),
};

/** Hands on the club at each stop, and the way the shaft points from them. */
const ON_CLUB: Readonly<Record<PostureId, { readonly hands: Hands; readonly shaft: Vec3 }>> = {
  standing: { hands: near(0, 0.18, -0.26), shaft: [0, 0.5, -0.85] },
  address: { hands: near(0.01, 0.2, -0.24), shaft: [0, 0.56, -0.83] },
  arm_back: { hands: near(-0.06, 0.27, -0.06), shaft: [0.1, -0.2, 0.97] },
  top: { hands: near(-0.07, 0.2, 0.09), shaft: [0.95, -0.25, 0.12] },
  arm_down: { hands: near(-0.09, 0.24, -0.08), shaft: [-0.1, -0.5, 0.86] },
  delivery: { hands: near(-0.09, 0.19, -0.2), shaft: [-0.98, -0.05, 0.12] },
  impact: { hands: near(-0.01, 0.2, -0.24), shaft: [-0.1, 0.58, -0.8] },
  chest_through: { hands: near(0.05, 0.28, -0.06), shaft: [0.7, 0.2, 0.68] },
  finish: { hands: near(0.09, 0.13, 0.09), shaft: [-0.75, -0.5, 0.1] },
};

export const handsAt = (hands: HandsId, at: PostureId): Hands =>
  hands === 'club' ? ON_CLUB[at].hands : HELD[hands];
export const shaftAt = (at: PostureId): Vec3 => ON_CLUB[at].shaft;

const UPPER_ARM = 0.172;
const FOREARM = 0.16;

/** The body's own directions: across to the lead side, to the front and up, of the trunk and of the pelvis. */
interface BodyFrame {
  readonly origin: Vec3;
  readonly across: Vec3;
  readonly front: Vec3;
  readonly up: Vec3;
}

export function chestFrame(pose: Pose): BodyFrame {
  const [lead, trail] = [pose.lead_shoulder as Vec3, pose.trail_shoulder as Vec3];
  const pelvis = midpoint(pose.lead_hip as Vec3, pose.trail_hip as Vec3);
  const across = unit(sub(lead, trail));
  const front = unit(cross(unit(sub(pose.neck as Vec3, pelvis)), across));
  return { origin: midpoint(lead, trail), across, front, up: cross(across, front) };
}

export function beltFrame(pose: Pose): BodyFrame {
  const [lead, trail] = [pose.lead_hip as Vec3, pose.trail_hip as Vec3];
  const across = unit(sub(lead, trail));
  const front = unit(cross([0, 0, 1], across));
  return { origin: midpoint(lead, trail), across, front, up: cross(across, front) };
}

export const placed = ({ origin, across, front, up }: BodyFrame, k: number, [a, f, u]: Vec3): Vec3 =>
  add(origin, add(scale(across, a * k), add(scale(front, f * k), scale(up, u * k))));

/** Elbows and hands for places told by the body; a hand never reaches further than its arm. */
export function armsOf(pose: Pose, hands: Hands, heightIn: number): Record<string, Vec3> {
  const frames = { chest: chestFrame(pose), belt: beltFrame(pose) };
  const points: Record<string, Vec3> = {};
  for (const side of ['lead', 'trail'] as const) {
    const shoulder = pose[`${side}_shoulder`] as Vec3;
    const [of, ...where] = hands[side];
    const hand = reached(shoulder, placed(frames[of], heightIn, where), heightIn);
    const { across, front, up } = frames.chest;
    const out = scale(across, side === 'lead' ? 0.5 : -0.5);
    const way = add(out, add(scale(front, -0.35), scale(up, -1)));
    points[`${side}_hand`] = hand;
    points[`${side}_elbow`] = joint(shoulder, hand, UPPER_ARM * heightIn, FOREARM * heightIn, way);
  }
  return points;
}

function reached(shoulder: Vec3, wanted: Vec3, heightIn: number): Vec3 {
  const arm = sub(wanted, shoulder);
  const longest = 0.995 * (UPPER_ARM + FOREARM) * heightIn;
  const far = norm(arm);
  return far <= longest ? wanted : add(shoulder, scale(arm, longest / far));
}
