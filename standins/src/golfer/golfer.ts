import type { Capture, Landmark, Station } from '@inchstep/core/capture';
import { between, gaussian, norm, type Random, sub, unit, type Vec3 } from '@inchstep/core/foundation';
import {
  type ArmSwing,
  BASE_RATIO_BY_CLUB,
  type Club,
  type Flexibility,
  type Hand,
  SHARE_OF_HEIGHT,
} from '@inchstep/core/intake';
import { clockHour, POSE_MEASURES, shiftBackPeak } from '@inchstep/core/measures';
import { type GolferBody, type Pose, poseBody } from './body.ts';
import { type FaultGrades, withFaults } from './faultEffects.ts';
import { interpolateShape } from './motion.ts';
import { NEUTRAL, SHAPE_STATIONS, type StationShape, type SwingShape } from './swingShape.ts';

export interface GolferSpec {
  readonly handedness: Hand;
  readonly heightIn: number;
  readonly flexibility?: Flexibility;
  readonly armSwing?: ArmSwing;
  readonly club?: Club;
}

export interface StandInGolfer {
  readonly spec: GolferSpec;
  readonly body: GolferBody;
  readonly shape: SwingShape;
  /** The pelvis starts toward the target this long before the top. */
  readonly leadSeconds: number;
  poseAt(seconds: number): Pose;
  station(station: Station): Pose;
  readonly lengthSeconds: number;
}

const BODY_SD = 0.04;
const USUAL_LEAD_SECONDS = 0.08;
/** The least lead inside the house band: a late starter begins from here. */
const LATEST_USUAL_SECONDS = 0.02;

/** A golfer with a body of their own and the faults asked for; one seed, one golfer. */
export function makeGolfer(spec: GolferSpec, grades: FaultGrades, random: Random): StandInGolfer {
  const { shape: faulty, stance } = withFaults(NEUTRAL, grades);
  const size = (share: number) => share * spec.heightIn * (1 + BODY_SD * gaussian(random));
  const outerHipWidthIn = size(SHARE_OF_HEIGHT.outerHipWidthIn);
  const club = spec.club ?? 'mid_iron';
  const [low, high] = BASE_RATIO_BY_CLUB[club];
  const ratio = (low + high) / 2 + stance.ratio;
  const k = spec.heightIn / 70;
  const unclubbed: GolferBody = {
    heightIn: spec.heightIn,
    outerHipWidthIn,
    hipsApartIn: size(SHARE_OF_HEIGHT.hipJointsApartIn),
    thighIn: size(SHARE_OF_HEIGHT.thighIn),
    shankIn: size(SHARE_OF_HEIGHT.shankIn),
    ankleHeightIn: SHARE_OF_HEIGHT.ankleHeightIn * spec.heightIn,
    trunkIn: size(0.285),
    shoulderHalfIn: size(0.104),
    armIn: size(0.36),
    ankleSpreadIn: ratio * outerHipWidthIn,
    ankleMiddle: [-2 * k + between(random, -0.5, 0.5), -30 * k + between(random, -1, 1), 0],
    kneeFlexDeg: 21 + stance.flex + between(random, -1.5, 1.5),
    pelvisOffsetIn: 0.3 * k + stance.offset * k,
    leadFlareDeg: 20 + between(random, -4, 4),
    trailFlareDeg: 7 + stance.trailFlare + between(random, -3, 3),
    clubLengthIn: 1,
  };
  const { body, shape } = giveClub(unclubbed, faulty);
  const usualLead = stance.startsLate > 0 ? LATEST_USUAL_SECONDS : USUAL_LEAD_SECONDS;
  const leadSeconds = usualLead + stance.startMs / 1000;
  return {
    spec,
    body,
    shape,
    leadSeconds,
    poseAt: (seconds) => poseBody(body, interpolateShape(shape, seconds, leadSeconds)),
    station: (station) => poseBody(body, shape[station]),
    lengthSeconds: 2.25,
  };
}

/** The club reaches from the hands to the ball at address and meets it again at impact. */
function giveClub(body: GolferBody, shape: SwingShape): { body: GolferBody; shape: SwingShape } {
  const behindBall: Vec3 = [-1, 0, 1];
  const toBall = (station: Station): Vec3 => sub(behindBall, poseBody(body, shape[station]).landmarks.grip);
  const clubLengthIn = norm(toBall('address'));
  const aimed = (station: 'address' | 'impact'): StationShape => {
    const way = toBall(station);
    const [clubX, clubY, clubZ] = unit(way);
    return { ...shape[station], clubX, clubY, clubZ, clubLong: norm(way) / clubLengthIn };
  };
  return {
    body: { ...body, clubLengthIn },
    shape: { ...shape, address: aimed('address'), impact: aimed('impact') },
  };
}

/** The same golfer on another swing: every quantity wanders a little from station to station. */
export function anotherSwing(golfer: StandInGolfer, random: Random, spread = 1): StandInGolfer {
  const wander: Partial<Record<keyof StationShape, number>> = {
    shift: 0.22,
    depth: 0.18,
    turn: 2,
    tilt: 0.8,
    lean: 0.7,
    leadKnee: 2.5,
    trailKnee: 2.5,
  };
  const changed = structuredClone(golfer.shape) as Record<Station, Record<keyof StationShape, number>>;
  for (const station of SHAPE_STATIONS) {
    if (station === 'address') continue;
    for (const [key, sd] of Object.entries(wander)) {
      changed[station][key as keyof StationShape] += spread * sd * gaussian(random);
    }
  }
  const shape = changed as unknown as SwingShape;
  return {
    ...golfer,
    shape,
    poseAt: (seconds) => poseBody(golfer.body, interpolateShape(shape, seconds, golfer.leadSeconds)),
    station: (station) => poseBody(golfer.body, shape[station]),
  };
}

/** True value of every measure that poses allow, from the golfer itself. */
export function trueMeasures(golfer: StandInGolfer): Record<string, number> {
  const poses = new Map(SHAPE_STATIONS.map((station) => [station, golfer.station(station)]));
  const at = (station: Station, landmark: Landmark): Vec3 => (poses.get(station) as Pose).landmarks[landmark];
  const sizes = { outerHipWidthIn: golfer.body.outerHipWidthIn, outerHipWidthSdShare: 0 };
  const truth = Object.fromEntries(POSE_MEASURES.map(({ id, value }) => [id, value(at, sizes)]));
  const peaks = (['shaft_back', 'arm_back', 'top'] as const).map((s) => shiftBackPeak(s).value(at, sizes));
  truth.shift_back_peak = Math.min(...peaks);
  const centre = (s: Station, axis: 0 | 1) => (at(s, 'lead_hip')[axis] + at(s, 'trail_hip')[axis]) / 2;
  truth.bearing_forward = clockHour(
    centre('impact', 0) - centre('top', 0),
    centre('impact', 1) - centre('top', 1),
  );
  return truth;
}

export const captureGolfer = (golfer: StandInGolfer): Capture['golfer'] => ({
  handedness: golfer.spec.handedness,
  heightIn: golfer.spec.heightIn,
  outerHipWidthIn: null,
  hipJointsApartIn: null,
  flexibility: golfer.spec.flexibility ?? 'usual',
  armSwing: golfer.spec.armSwing ?? 'usual',
});
