/** Where a thing of the set-up stands: inches from mid-stance, x toward the target, y toward the ball. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** What the drawing needs of the student: all in inches. */
export interface Frame {
  readonly halfStanceIn: number;
  readonly halfHipsIn: number;
  readonly toeIn: number;
  readonly seatIn: number;
  readonly ballIn: Spot;
  readonly heightIn: number;
}

export type Thing =
  | 'clock'
  | 'post'
  | 'wall'
  | 'ball'
  | 'box'
  | 'chair'
  | 'marker'
  | 'grip'
  | 'foot'
  | 'pelvis';

export interface SetupObject {
  readonly thing: Thing;
  /** From where the distance is measured, on the student. */
  readonly from: (frame: Frame) => Spot;
  /** Where the thing stands when the distance is `valueIn`. */
  readonly at: (frame: Frame, valueIn: number) => Spot;
  /** Height from which it is measured, as a share of standing height. */
  readonly level: number;
}

const HIP_LEVEL = 0.52;
const KNEE_LEVEL = 0.28;
const GROUND = 0;

const trailHip = ({ halfHipsIn }: Frame): Spot => ({ x: -halfHipsIn, y: -3 });
const leadHip = ({ halfHipsIn }: Frame): Spot => ({ x: halfHipsIn, y: -3 });
const leadThigh = ({ halfHipsIn }: Frame): Spot => ({ x: halfHipsIn + 0.5, y: 0 });
const leadKnee = ({ halfStanceIn }: Frame): Spot => ({ x: halfStanceIn - 0.5, y: 3 });
const leadToe = ({ halfStanceIn, toeIn }: Frame): Spot => ({ x: halfStanceIn, y: toeIn });
const leadHeel = ({ halfStanceIn, ballIn }: Frame): Spot => ({ x: halfStanceIn, y: ballIn.y });
const trailToe = ({ halfStanceIn, toeIn }: Frame): Spot => ({ x: -halfStanceIn, y: toeIn });
const ball = ({ ballIn }: Frame): Spot => ballIn;

const along =
  (from: (frame: Frame) => Spot, dx: number, dy: number) =>
  (frame: Frame, valueIn: number): Spot => {
    const { x, y } = from(frame);
    return { x: x + dx * valueIn, y: y + dy * valueIn };
  };
const thing = (
  what: Thing,
  from: (frame: Frame) => Spot,
  [dx, dy]: readonly [number, number],
  level: number,
): SetupObject => ({ thing: what, from, at: along(from, dx, dy), level });

const TARGET = [1, 0] as const;
const AWAY = [-1, 0] as const;
const BALL_SIDE = [0, 1] as const;
const BEHIND = [0, -1] as const;

/** Every distance a drill can name, as something that can be drawn. */
export const SETUP_OBJECTS: Readonly<Record<string, SetupObject>> = {
  post_gap: thing('post', trailHip, AWAY, HIP_LEVEL),
  stick_beside_hip: thing('post', trailHip, AWAY, HIP_LEVEL),
  rod_before_knee: thing('post', () => ({ x: 0, y: 1 }), BALL_SIDE, KNEE_LEVEL),
  clock_sticks: thing('clock', () => ({ x: 0, y: -3 }), AWAY, GROUND),
  bag_before_foot: thing('box', leadToe, BALL_SIDE, GROUND),
  ball_inside_heel: thing('marker', leadHeel, AWAY, GROUND),
  wall_gap: thing('wall', trailHip, AWAY, HIP_LEVEL),
  rod_outside_hip: thing('post', leadHip, TARGET, HIP_LEVEL),
  wall_outside_thigh: thing('wall', leadThigh, TARGET, HIP_LEVEL),
  post_outside_thigh: thing('post', leadThigh, TARGET, HIP_LEVEL),
  stick_outside_knee: thing('post', leadKnee, TARGET, KNEE_LEVEL),
  far_ball: thing('ball', ball, TARGET, GROUND),
  brush_ahead: thing('marker', ball, TARGET, GROUND),
  marker_ahead: thing('ball', ({ halfStanceIn }) => ({ x: -halfStanceIn, y: 2 }), BALL_SIDE, GROUND),
  marker_ahead_of_foot: thing('marker', trailToe, BALL_SIDE, GROUND),
  box_past_toes: thing('box', trailToe, BALL_SIDE, GROUND),
  grip_inside_knee: thing('grip', leadKnee, AWAY, KNEE_LEVEL),
  chair_gap: thing('chair', ({ seatIn }) => ({ x: 0, y: -seatIn }), BEHIND, HIP_LEVEL),
  bump: thing('pelvis', () => ({ x: 0, y: -3 }), TARGET, HIP_LEVEL),
  foot_back: thing('foot', ({ halfStanceIn }) => ({ x: -halfStanceIn, y: -2.5 }), BEHIND, GROUND),
};
