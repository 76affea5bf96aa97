import { bodySizes } from '../intake/index.ts';
import type { SetupValue } from './setupCard.ts';
import { type Frame, SETUP_OBJECTS, type Spot, type Thing } from './setupObjects.ts';

export type Point = readonly [acrossIn: number, upIn: number];
export type Tone = 'body' | 'club' | 'object' | 'ground';

/** Shapes in inches. Across: toward the target. Up: toward the ball from above, off the ground from the front. */
export type Shape =
  | {
      readonly kind: 'limb';
      readonly from: Point;
      readonly to: Point;
      readonly widthIn: number;
      readonly tone: Tone;
    }
  | { readonly kind: 'disc'; readonly at: Point; readonly radiusIn: number; readonly tone: Tone }
  | {
      readonly kind: 'box';
      readonly at: Point;
      readonly wideIn: number;
      readonly tallIn: number;
      readonly tone: Tone;
    }
  | {
      readonly kind: 'dimension';
      readonly from: Point;
      readonly to: Point;
      /** Which set-up distance this is. */
      readonly id: string;
      readonly valueIn: number;
    };

export interface Drawing {
  readonly shapes: readonly Shape[];
  readonly lowIn: Point;
  readonly highIn: Point;
}

export interface SetupDrawings {
  readonly above: Drawing;
  readonly front: Drawing;
}

interface Body {
  readonly heightIn: number;
  readonly outerHipWidthIn?: number | null;
}

/** As much of a stick as shows past the hip. */
const CLOCK_STICK_IN = 18;
const MARGIN_IN = 5;
const FOOT_SHARE = 0.15;
const BALL_AHEAD_SHARE = 0.03;
const BALL_OUT_SHARE = 0.43;

/** The student at address with everything the card names, to scale, from above and from the front. */
export function drawSetup(setup: readonly SetupValue[], body: Body): SetupDrawings {
  const stance = setup.find((s) => s.id === 'stance')?.valueIn ?? 0.2 * body.heightIn;
  const frame = frameOf(body, stance);
  const named = setup.flatMap(({ id, valueIn }) => {
    const object = SETUP_OBJECTS[id];
    return object ? [{ id, valueIn, object }] : [];
  });
  const feet = feetOf(frame, named.find((n) => n.id === 'foot_back')?.valueIn ?? 0);
  const above: Shape[] = [
    ...feet,
    { kind: 'disc', at: [frame.ballIn.x, frame.ballIn.y], radiusIn: 0.84, tone: 'club' },
    limb([-frame.halfHipsIn, -3], [frame.halfHipsIn, -3], 3.5, 'body'),
    dimension('stance', stance, [-frame.halfStanceIn, -9], [frame.halfStanceIn, -9]),
  ];
  const front = figure(body, frame);
  front.push(dimension('stance', stance, [-frame.halfStanceIn, -3.5], [frame.halfStanceIn, -3.5]));
  for (const { id, valueIn, object } of named) {
    const [from, at] = [object.from(frame), object.at(frame, valueIn)];
    above.push(...seenFromAbove(object.thing, at, frame));
    if (valueIn > 0) above.push(dimension(id, valueIn, [from.x, from.y], [at.x, at.y]));
    const level = object.level * body.heightIn;
    front.push(...seenFromFront(object.thing, at, frame));
    if (valueIn > 0 && from.x !== at.x) front.push(dimension(id, valueIn, [from.x, level], [at.x, level]));
  }
  return { above: framed(above), front: framed(front) };
}

const limb = (from: Point, to: Point, widthIn: number, tone: Tone): Shape => ({
  kind: 'limb',
  from,
  to,
  widthIn,
  tone,
});
const dimension = (id: string, valueIn: number, from: Point, to: Point): Shape => ({
  kind: 'dimension',
  id,
  valueIn,
  from,
  to,
});

function frameOf(body: Body, stanceIn: number): Frame {
  const { heightIn } = body;
  return {
    halfStanceIn: stanceIn / 2,
    halfHipsIn: bodySizes(body).outerHipWidthIn / 2,
    toeIn: (FOOT_SHARE * heightIn * 3) / 4,
    seatIn: 0.12 * heightIn,
    ballIn: { x: BALL_AHEAD_SHARE * heightIn, y: BALL_OUT_SHARE * heightIn },
    heightIn,
  };
}

/** Feet with their flare; the trail foot may be drawn back. */
function feetOf({ halfStanceIn, toeIn, heightIn }: Frame, backIn: number): Shape[] {
  const heel = toeIn - FOOT_SHARE * heightIn;
  const foot = (x: number, out: number, back: number): Shape =>
    limb([x, heel - back], [x + out * toeIn, toeIn - back], 3.6, 'body');
  return [foot(halfStanceIn, 0.36, 0), foot(-halfStanceIn, -0.12, backIn)];
}

/** A small articulated figure from the front: legs, pelvis, trunk, arms, head, club. */
function figure(body: Body, frame: Frame): Shape[] {
  const h = body.heightIn;
  const sizes = bodySizes(body);
  const hip = sizes.hipJointsApartIn / 2;
  const ankle = sizes.ankleHeightIn;
  const knee = ankle + 0.97 * sizes.shankIn;
  const pelvis = knee + 0.92 * sizes.thighIn;
  const shoulder = sizes.shoulderWidthIn / 2;
  const neck: Point = [-0.012 * h, pelvis + 0.27 * h];
  const hands: Point = [0.01 * h, pelvis - 0.02 * h];
  const leg = (side: 1 | -1): Shape[] => {
    const foot: Point = [side * frame.halfStanceIn, ankle];
    const bend: Point = [side * (hip + 0.62 * (frame.halfStanceIn - hip)), knee];
    return [
      limb(foot, bend, 0.055 * h, 'body'),
      limb(bend, [side * hip, pelvis], 0.07 * h, 'body'),
      limb([side * frame.halfStanceIn, 1], [side * (frame.halfStanceIn + 0.03 * h), 1], 2, 'body'),
    ];
  };
  const arm = (side: 1 | -1): Shape =>
    limb([neck[0] + side * shoulder * 0.8, neck[1] - 0.01 * h], hands, 0.04 * h, 'body');
  return [
    limb([-17, 0], [17, 0], 0.4, 'ground'),
    ...leg(1),
    ...leg(-1),
    limb([-hip, pelvis], [hip, pelvis], 0.1 * h, 'body'),
    limb([0, pelvis], neck, 0.13 * h, 'body'),
    limb([neck[0] - shoulder * 0.75, neck[1]], [neck[0] + shoulder * 0.75, neck[1]], 0.06 * h, 'body'),
    arm(1),
    arm(-1),
    { kind: 'disc', at: [neck[0], neck[1] + 0.1 * h], radiusIn: 0.058 * h, tone: 'body' },
    limb(hands, [frame.ballIn.x - 1, 0.8], 0.7, 'club'),
    { kind: 'disc', at: [frame.ballIn.x, 0.84], radiusIn: 0.84, tone: 'club' },
  ];
}

function seenFromAbove(thing: Thing, { x, y }: Spot, frame: Frame): Shape[] {
  switch (thing) {
    case 'post':
      return [{ kind: 'disc', at: [x, y], radiusIn: 0.9, tone: 'object' }];
    case 'wall':
      return [limb([x, y - 10], [x, y + 10], 1.4, 'object')];
    case 'ball':
      return [{ kind: 'disc', at: [x, y], radiusIn: 0.84, tone: 'object' }];
    case 'box':
      return [{ kind: 'box', at: [x, y + 2.5], wideIn: 7, tallIn: 5, tone: 'object' }];
    case 'chair':
      return [{ kind: 'box', at: [x, y - 7], wideIn: 16, tallIn: 14, tone: 'object' }];
    case 'marker':
      return [{ kind: 'box', at: [x, y], wideIn: 2, tallIn: 2, tone: 'object' }];
    case 'grip':
      return [limb([x, y], [x, y + 20], 1, 'object')];
    case 'pelvis':
      return [limb([x - frame.halfHipsIn, y], [x + frame.halfHipsIn, y], 1, 'object')];
    case 'foot':
      return [];
    case 'clock':
      return [clockStick(frame, 4), clockStick(frame, 8)];
  }
}

/** A stick under one hip along an hour of the clock: 12 toward the ball, 9 the target. */
function clockStick(frame: Frame, hour: number): Shape {
  const way = (2 * Math.PI * hour) / 12;
  const from: Point = [hour < 6 ? -frame.halfHipsIn : frame.halfHipsIn, -3];
  const [dx, dy] = [-Math.sin(way), Math.cos(way)];
  return limb(from, [from[0] + CLOCK_STICK_IN * dx, from[1] + CLOCK_STICK_IN * dy], 0.8, 'object');
}

function seenFromFront(thing: Thing, { x }: Spot, { heightIn }: Frame): Shape[] {
  const hip = 0.62 * heightIn;
  switch (thing) {
    case 'post':
      return [limb([x, 0], [x, hip], 1.2, 'object')];
    case 'wall':
      return [limb([x, 0], [x, 0.9 * heightIn], 1.6, 'object')];
    case 'ball':
      return [{ kind: 'disc', at: [x, 0.84], radiusIn: 0.84, tone: 'object' }];
    case 'box':
      return [{ kind: 'box', at: [x, 2], wideIn: 7, tallIn: 4, tone: 'object' }];
    case 'marker':
      return [{ kind: 'box', at: [x, 0.5], wideIn: 2, tallIn: 1, tone: 'object' }];
    case 'grip':
      return [{ kind: 'disc', at: [x, 0.28 * heightIn], radiusIn: 0.9, tone: 'object' }];
    case 'pelvis':
      return [limb([x, 0.46 * heightIn], [x, 0.58 * heightIn], 0.8, 'object')];
    case 'chair':
    case 'clock':
    case 'foot':
      return [];
  }
}

/** The smallest frame that holds everything, with a margin. */
function framed(shapes: readonly Shape[]): Drawing {
  const reach = shapes.flatMap((shape): Point[] => {
    switch (shape.kind) {
      case 'disc':
        return around(shape.at, shape.radiusIn, shape.radiusIn);
      case 'box':
        return around(shape.at, shape.wideIn / 2, shape.tallIn / 2);
      default:
        return [shape.from, shape.to];
    }
  });
  const across = reach.map(([x]) => x);
  const up = reach.map(([, y]) => y);
  return {
    shapes,
    lowIn: [Math.min(...across) - MARGIN_IN, Math.min(...up) - MARGIN_IN],
    highIn: [Math.max(...across) + MARGIN_IN, Math.max(...up) + MARGIN_IN],
  };
}

const around = ([x, y]: Point, wide: number, tall: number): Point[] => [
  [x - wide, y - tall],
  [x + wide, y + tall],
];
