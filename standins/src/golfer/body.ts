import type { Landmark } from '@inchstep/core/capture';
import {
  add,
  clamp,
  cross,
  distance,
  dot,
  mix,
  norm,
  scale,
  sub,
  toRad,
  unit,
  type Vec3,
} from '@inchstep/core/foundation';
import type { StationShape } from './swingShape.ts';

/** A made-up golfer's fixed sizes and setup, inches and degrees, right-handed frame of the core. */
export interface GolferBody {
  readonly heightIn: number;
  readonly hipsApartIn: number;
  readonly outerHipWidthIn: number;
  readonly thighIn: number;
  readonly shankIn: number;
  readonly ankleHeightIn: number;
  readonly trunkIn: number;
  readonly shoulderHalfIn: number;
  readonly armIn: number;
  readonly ankleSpreadIn: number;
  readonly ankleMiddle: Vec3;
  readonly kneeFlexDeg: number;
  readonly pelvisOffsetIn: number;
  readonly leadFlareDeg: number;
  readonly trailFlareDeg: number;
  readonly clubLengthIn: number;
}

export interface Pose {
  readonly landmarks: Readonly<Record<Landmark, Vec3>>;
  readonly elbows: { readonly lead: Vec3; readonly trail: Vec3 };
  readonly clubHead: Vec3;
  readonly trailFootYawDeg: number;
}

const HEEL_BACK = 2.6;
const TOE_AHEAD = 7.4;

/** The whole body for one shape: pelvis first, then legs and trunk hung on it. */
export function poseBody(body: GolferBody, shape: StationShape): Pose {
  const k = body.heightIn / 70;
  const pelvis = pelvisCentre(body, shape, k);
  const { leadHip, trailHip } = hipJoints(body, pelvis, shape);
  const lead = leadFoot(body, k);
  const trail = trailFoot(body, shape, k);
  const reach = body.thighIn + body.shankIn - 0.15;
  const leadKnee = bend(leadHip, lead.ankle, body.thighIn, body.shankIn, pointing(shape.leadKnee), reach);
  const trailKnee = bend(trailHip, trail.ankle, body.thighIn, body.shankIn, pointing(shape.trailKnee), reach);
  const spine = unit([-Math.tan(toRad(shape.lean)), Math.tan(toRad(shape.incline)), 1]);
  const neck = add(pelvis, scale(spine, body.trunkIn));
  const across = shoulderLine(shape.shoulders, spine);
  const shoulder = (side: number) =>
    add(add(neck, scale(spine, -1.2 * k)), scale(across, side * body.shoulderHalfIn));
  const leadShoulder = shoulder(1);
  const trailShoulder = shoulder(-1);
  const wanted: Vec3 = add(body.ankleMiddle, scale([shape.gripX, shape.gripY, shape.gripZ], k));
  const grip = reachable(wanted, leadShoulder, trailShoulder, body.armIn);
  const elbowHint: Vec3 = [0, -0.2, -1];
  return {
    landmarks: {
      lead_hip: leadHip,
      trail_hip: trailHip,
      lead_knee: leadKnee,
      trail_knee: trailKnee,
      lead_ankle: lead.ankle,
      trail_ankle: trail.ankle,
      lead_heel: lead.heel,
      trail_heel: trail.heel,
      lead_toe: lead.toe,
      trail_toe: trail.toe,
      seat: seatPoint(body, pelvis, shape.turn),
      sternum: add(mix(pelvis, neck, 0.74), [0, 2.6 * k, 0]),
      neck,
      head: add(neck, [(-1.2 + shape.headX) * 0.35 * k + shape.headX * 0.65 * k, 3.2 * k, 6.6 * k]),
      lead_shoulder: leadShoulder,
      trail_shoulder: trailShoulder,
      grip,
      ball: [0, 0, 0.84],
    },
    elbows: {
      lead: bend(leadShoulder, grip, body.armIn * 0.5, body.armIn * 0.5, elbowHint, body.armIn - 0.1),
      trail: bend(
        trailShoulder,
        grip,
        body.armIn * 0.5,
        body.armIn * 0.5,
        [-0.5, -0.3, -1],
        body.armIn - 0.1,
      ),
    },
    clubHead: add(
      grip,
      scale(unit([shape.clubX, shape.clubY, shape.clubZ]), body.clubLengthIn * shape.clubLong),
    ),
    trailFootYawDeg: trail.yawDeg,
  };
}

/** Hip height from leg length at the setup's knee flex; depth so that weight sits over the feet. */
function pelvisCentre(body: GolferBody, shape: StationShape, k: number): Vec3 {
  const leg = Math.sqrt(
    body.thighIn ** 2 +
      body.shankIn ** 2 +
      2 * body.thighIn * body.shankIn * Math.cos(toRad(body.kneeFlexDeg)),
  );
  const behind = 3.4 * k;
  const sideways = body.ankleSpreadIn / 2 - body.hipsApartIn / 2;
  const heightIn = Math.sqrt(Math.max(1, leg ** 2 - behind ** 2 - sideways ** 2));
  return [
    body.ankleMiddle[0] + body.pelvisOffsetIn + shape.shift * k,
    body.ankleMiddle[1] - behind + shape.depth * k,
    body.ankleHeightIn + heightIn + shape.rise * k,
  ];
}

function hipJoints(body: GolferBody, pelvis: Vec3, shape: StationShape) {
  const [turn, tilt] = [toRad(shape.turn), toRad(shape.tilt)];
  const line: Vec3 = [Math.cos(turn) * Math.cos(tilt), -Math.sin(turn) * Math.cos(tilt), -Math.sin(tilt)];
  const half = body.hipsApartIn / 2;
  return { leadHip: add(pelvis, scale(line, half)), trailHip: add(pelvis, scale(line, -half)) };
}

function leadFoot(body: GolferBody, k: number) {
  const ankle: Vec3 = [body.ankleMiddle[0] + body.ankleSpreadIn / 2, body.ankleMiddle[1], body.ankleHeightIn];
  const along = direction(body.leadFlareDeg);
  return { ankle, ...flatFoot(ankle, along, k) };
}

const direction = (yawDeg: number): Vec3 => [Math.sin(toRad(yawDeg)), Math.cos(toRad(yawDeg)), 0];

const flatFoot = (ankle: Vec3, along: Vec3, k: number) => ({
  heel: add([ankle[0], ankle[1], 1.1 * k], scale(along, -HEEL_BACK * k)) as Vec3,
  toe: add([ankle[0], ankle[1], 0.7 * k], scale(along, TOE_AHEAD * k)) as Vec3,
});

/** The trail foot pivots on its toe: heel and ankle rise and swing round it. */
function trailFoot(body: GolferBody, shape: StationShape, k: number) {
  const at: Vec3 = [body.ankleMiddle[0] - body.ankleSpreadIn / 2, body.ankleMiddle[1], body.ankleHeightIn];
  const setYaw = -body.trailFlareDeg;
  const planted = flatFoot(at, direction(setYaw), k);
  const yawDeg = setYaw + (shape.trailFootTurn + 6);
  const along = direction(yawDeg);
  const length = (HEEL_BACK + TOE_AHEAD) * k;
  const pitch = Math.asin(clamp((shape.trailHeelUp * k) / length, 0, 0.95));
  const back = (distanceAlong: number, up: number): Vec3 => {
    const level = distanceAlong * Math.cos(pitch) - up * Math.sin(pitch);
    const height = distanceAlong * Math.sin(pitch) + up * Math.cos(pitch);
    return add(planted.toe, [-along[0] * level, -along[1] * level, height]);
  };
  return {
    toe: planted.toe,
    heel: back(length, 0.4 * k),
    ankle: back(TOE_AHEAD * k, body.ankleHeightIn - 0.7 * k),
    yawDeg,
  };
}

const pointing = (deg: number): Vec3 => [Math.sin(toRad(deg)), Math.cos(toRad(deg)), 0];

/** Two-bone joint between `a` and `b`, bent toward `hint`; never straighter than `reach`. */
function bend(a: Vec3, b: Vec3, upper: number, lower: number, hint: Vec3, reach: number): Vec3 {
  const apart = Math.min(distance(a, b), reach);
  const axis = unit(sub(b, a));
  const along = (upper ** 2 - lower ** 2 + apart ** 2) / (2 * apart);
  const radius = Math.sqrt(Math.max(0, upper ** 2 - along ** 2));
  const across = sub(hint, scale(axis, dot(hint, axis)));
  return add(add(a, scale(axis, along)), scale(unit(across), radius));
}

/** Rearmost point of an elliptical pelvis turned by `turnDeg`. */
function seatPoint(body: GolferBody, pelvis: Vec3, turnDeg: number): Vec3 {
  const k = body.heightIn / 70;
  const [a, b] = [body.outerHipWidthIn / 2, 4.6 * k];
  const [c, s] = [Math.cos(toRad(turnDeg)), Math.sin(toRad(turnDeg))];
  const back = Math.hypot(a * s, b * c);
  const x = ((a ** 2 - b ** 2) * s * c) / back;
  return [pelvis[0] + x, pelvis[1] - back, pelvis[2] - 0.6 * k];
}

/** Shoulders turn about the spine. */
function shoulderLine(turnDeg: number, spine: Vec3): Vec3 {
  const flat: Vec3 = sub([1, 0, 0], scale(spine, spine[0]));
  const x = unit(flat);
  const y = cross(spine, x);
  const [c, s] = [Math.cos(toRad(turnDeg)), Math.sin(toRad(turnDeg))];
  return add(scale(x, c), scale(y, -s));
}

/** Pulls the hands in until both arms reach. */
function reachable(grip: Vec3, lead: Vec3, trail: Vec3, arm: number): Vec3 {
  let at = grip;
  for (let i = 0; i < 4; i++) {
    for (const shoulder of [lead, trail]) {
      const away = sub(at, shoulder);
      const length = norm(away);
      if (length > arm - 0.2) at = add(shoulder, scale(away, (arm - 0.2) / length));
    }
  }
  return at;
}
