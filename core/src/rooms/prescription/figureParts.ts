import { add, midpoint, mix, scale, unit, type Vec3 } from '../../foundation/index.ts';
import { bodySizes } from '../intake/index.ts';
import { HOUSE_POSTURES, type Pose, posed } from '../measures/index.ts';
import { armsOf, beltFrame, handsAt, placed, shaftAt } from './moveHands.ts';
import { PROPS, type PropId, type Stroke } from './moveProps.ts';
import type { MoveStop } from './moveTable.ts';
import type { SetupValue } from './setupCard.ts';

/** A drill's figure from its first pose to its last, on one student's body. */
export interface MoveFigure {
  /** The side from which it is told best. */
  readonly tells: 'front' | 'side';
  readonly heightIn: number;
  readonly stanceIn: number;
  readonly points: readonly string[];
  /** Each frame: x, y and z of every point in turn; inches from mid-stance, x to the target, y to the ball. */
  readonly frames: readonly (readonly number[])[];
  readonly strokes: readonly Stroke[];
  /** The point that each checkpoint looks at, in their order. */
  readonly looks: readonly string[];
}

const CLUB_SHARE = 0.53;
const BALL_UP_IN = 0.84;
/** A twentieth of an inch is finer than any line drawn. */
const GRAIN = 20;

type Points = Record<string, Vec3>;

/** The stance on the card; a body without one stands as wide as its shoulders. */
export const stanceOf = (setup: readonly SetupValue[], heightIn: number): number =>
  setup.find(({ id }) => id === 'stance')?.valueIn ?? 0.2 * heightIn;

/** Everything that is drawn of a body on its way from one stop to the next. */
export function pointsOf(
  pose: Pose,
  [from, to, share]: readonly [MoveStop, MoveStop, number],
  {
    heightIn: k,
    stanceIn,
    props,
    club,
  }: { heightIn: number; stanceIn: number; props: readonly PropId[]; club: boolean },
): Points {
  const arms = mixed(
    armsOf(pose, handsAt(from.hands, from.at), k),
    armsOf(pose, handsAt(to.hands, to.at), k),
    share,
  );
  const { grip: _, ...landmarks } = pose;
  return {
    ...(landmarks as Points),
    pelvis: midpoint(pose.lead_hip as Vec3, pose.trail_hip as Vec3),
    belly: placed(beltFrame(pose), k, [0, 0.08, 0.02]),
    ...arms,
    ...(club ? clubOf(arms, mix(shaftAt(from.at), shaftAt(to.at), share), k) : {}),
    ...Object.assign({}, ...props.map((id) => PROPS[id].points(pose, arms, k, stanceIn / 2))),
  };
}

/** Points in frames as they are sent: flat, and no finer than they are drawn. */
export function framesOf(shown: readonly Points[]): Pick<MoveFigure, 'points' | 'frames'> {
  const points = Object.keys(shown[0] as Points);
  const frames = shown.map((at) =>
    points.flatMap((id) => (at[id] as Vec3).map((value) => Math.round(value * GRAIN) / GRAIN)),
  );
  return { points, frames };
}

/** The student at address, for as long as the move itself is not known. */
export function stillFigure(heightIn: number, setup: readonly SetupValue[]): MoveFigure {
  const stanceIn = stanceOf(setup, heightIn);
  const pose = posed(HOUSE_POSTURES.address, heightIn, bodySizes({ heightIn }), stanceIn);
  const stop: MoveStop = { at: 'address', hands: 'club', otherwise: {} };
  const points = pointsOf(pose, [stop, stop, 0], { heightIn, stanceIn, props: [], club: true });
  return {
    tells: 'front',
    heightIn,
    stanceIn,
    ...framesOf([points]),
    strokes: [...bodyStrokes(heightIn), ...CLUB],
    looks: [],
  };
}

const mixed = (from: Points, to: Points, share: number): Points =>
  Object.fromEntries(Object.keys(from).map((id) => [id, mix(from[id] as Vec3, to[id] as Vec3, share)]));

/** The head of a club that the hands hold; it stops at the ground. */
function clubOf(arms: Points, shaft: Vec3, heightIn: number): Points {
  const hands = midpoint(arms.lead_hand as Vec3, arms.trail_hand as Vec3);
  const way = unit(shaft);
  const free = CLUB_SHARE * heightIn;
  const toGround = way[2] < 0 ? (BALL_UP_IN - hands[2]) / way[2] : free;
  return { club: add(hands, scale(way, Math.max(0, Math.min(free, toGround)))) };
}

export const CLUB: readonly Stroke[] = [
  { from: 'trail_hand', to: 'club', widthIn: 0.7, tone: 'club' },
  { from: 'club', to: 'club', widthIn: 2.2, tone: 'club' },
];

export function bodyStrokes(heightIn: number): Stroke[] {
  const stroke = (from: string, to: string, share: number): Stroke => ({
    from,
    to,
    widthIn: share * heightIn,
    tone: 'body',
  });
  const sides = (['trail', 'lead'] as const).flatMap((side) => [
    stroke(`${side}_heel`, `${side}_toe`, 0.035),
    stroke(`${side}_ankle`, `${side}_heel`, 0.035),
    stroke(`${side}_ankle`, `${side}_knee`, 0.05),
    stroke(`${side}_knee`, `${side}_hip`, 0.068),
    stroke(`${side}_shoulder`, `${side}_elbow`, 0.036),
    stroke(`${side}_elbow`, `${side}_hand`, 0.03),
    stroke(`${side}_hand`, `${side}_hand`, 0.045),
  ]);
  return [
    ...sides,
    stroke('trail_hip', 'lead_hip', 0.095),
    stroke('pelvis', 'neck', 0.12),
    stroke('trail_shoulder', 'lead_shoulder', 0.06),
    stroke('neck', 'head', 0.05),
    stroke('head', 'head', 0.115),
  ];
}
