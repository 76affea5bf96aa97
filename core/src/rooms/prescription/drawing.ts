import { bodySizes } from '../intake/index.ts';
import type { MoveFigure } from './figureParts.ts';
import type { Stroke } from './moveProps.ts';
import type { SetupValue } from './setupCard.ts';
import { type Frame, SETUP_OBJECTS } from './setupObjects.ts';
import { dimension, limb, type Point, type Shape, type ViewId } from './shapes.ts';
import { thingSeen } from './thingShapes.ts';

export interface Drawing {
  readonly shapes: readonly Shape[];
  readonly lowIn: Point;
  readonly highIn: Point;
}

interface DrawAsk {
  readonly setup: readonly SetupValue[];
  readonly figure: MoveFigure;
  readonly view: ViewId;
  /** Where the figure is on its way: 0 = its first pose, 1 = its last. */
  readonly share: number;
  /** Checkpoints, from 1, whose place is pointed out. */
  readonly layers?: readonly number[];
}

const MARGIN_IN = 5;
const BALL_AHEAD_SHARE = 0.03;
const BALL_OUT_SHARE = 0.43;
const FOOT_SHARE = 0.15;
/** Axes of a point that a view shows, across and up. */
const AXES: Readonly<Record<ViewId, readonly [0 | 1, 1 | 2]>> = {
  front: [0, 2],
  side: [1, 2],
  above: [0, 1],
};
/** From above the head would hide the hips and feet that the card speaks of, and a club's way is wider than all else. */
const HIDES_FROM_ABOVE = /neck|head|shoulder|elbow|hand|sternum|club/;

/** One drawing of the student with everything the card names, to scale, somewhere on the way of the drill's move. */
export const drawSetup = ({ share, layers, ...scene }: DrawAsk): Drawing => sceneOf(scene)(share, layers);

/** Draws a moment of a move: where it stands on its way (0..1), and which checkpoints are pointed out. */
type Scene = (share: number, layers?: readonly number[]) => Drawing;

/**
 * A move set among its things, for a loop to draw moment by moment. The frame around it holds the whole way, so
 * that nothing jumps while it moves.
 */
export function sceneOf({ setup, figure, view }: Pick<DrawAsk, 'setup' | 'figure' | 'view'>): Scene {
  const frame = frameOf(figure);
  const named = setup.flatMap(({ id, valueIn }) => {
    const object = SETUP_OBJECTS[id];
    return object ? [{ id, valueIn, object }] : [];
  });
  const around = [
    ...groundOf(view, frame),
    ...named.flatMap(({ id, valueIn, object }) => thingSeen(view, object, id, valueIn, frame)),
    ...(view === 'side' ? [] : [stanceSeen(view, setup, frame)]),
  ];
  const { lowIn, highIn } = framed([...around, ...allFrames(figure, view)]);
  return (share, layers = []) => ({
    lowIn,
    highIn,
    shapes: [...figureSeen(figure, view, share), ...around, ...looksSeen(figure, view, share, layers)],
  });
}

/** A ring for each place that is looked at, with the numbers of its checkpoints. */
function looksSeen(figure: MoveFigure, view: ViewId, share: number, layers: readonly number[]): Shape[] {
  const places = [...new Set(layers.flatMap((layer) => figure.looks[layer - 1] ?? []))].filter(
    (place) => view !== 'above' || !HIDES_FROM_ABOVE.test(place),
  );
  return places.map((place) => ({
    kind: 'look',
    at: seen(figure, view, share, place),
    layers: layers.filter((layer) => figure.looks[layer - 1] === place),
  }));
}

/** A point of the figure between the two frames beside `share`. */
function seen(figure: MoveFigure, view: ViewId, share: number, id: string): Point {
  const position = Math.min(1, Math.max(0, share)) * (figure.frames.length - 1);
  const before = Math.min(Math.floor(position), Math.max(0, figure.frames.length - 2));
  const from = figure.frames[before] ?? [];
  const to = figure.frames[before + 1] ?? from;
  const first = 3 * figure.points.indexOf(id);
  const at = (axis: number) => {
    const [a, b] = [from[first + axis] ?? 0, to[first + axis] ?? 0];
    return a + (position - before) * (b - a);
  };
  const [across, up] = AXES[view];
  return [at(across), at(up)];
}

const strokesFor = ({ strokes }: MoveFigure, view: ViewId): readonly Stroke[] =>
  view === 'above'
    ? strokes.filter(
        ({ from, to, tone }) => tone === 'object' || tone === 'solid' || !HIDES_FROM_ABOVE.test(from + to),
      )
    : strokes;

/** Solid things first: the body is drawn over them. */
const figureSeen = (figure: MoveFigure, view: ViewId, share: number): Shape[] =>
  [...strokesFor(figure, view)]
    .sort((a, b) => Number(b.tone === 'solid') - Number(a.tone === 'solid'))
    .map(({ from, to, widthIn, tone }) =>
      from === to
        ? { kind: 'disc', at: seen(figure, view, share, from), radiusIn: widthIn / 2, tone }
        : limb(seen(figure, view, share, from), seen(figure, view, share, to), widthIn, tone),
    );

/** The figure at every frame, for the size of the drawing alone. */
function allFrames(figure: MoveFigure, view: ViewId): Shape[] {
  const steps = Math.max(1, figure.frames.length - 1);
  return figure.frames.flatMap((_, i) => figureSeen(figure, view, i / steps));
}

/** Ground and ball. */
function groundOf(view: ViewId, { ballIn, heightIn }: Frame): Shape[] {
  if (view === 'above') return [{ kind: 'disc', at: [ballIn.x, ballIn.y], radiusIn: 0.84, tone: 'club' }];
  const ball = view === 'front' ? ballIn.x : ballIn.y;
  const wide = 0.25 * heightIn;
  return [
    limb([-wide, 0], [view === 'front' ? wide : ballIn.y + 4, 0], 0.4, 'ground'),
    { kind: 'disc', at: [ball, 0.84], radiusIn: 0.84, tone: 'club' },
  ];
}

function stanceSeen(view: ViewId, setup: readonly SetupValue[], { halfStanceIn }: Frame): Shape {
  const up = view === 'above' ? -9 : -3.5;
  const value = setup.find(({ id }) => id === 'stance')?.valueIn ?? 2 * halfStanceIn;
  return dimension('stance', value, [-halfStanceIn, up], [halfStanceIn, up]);
}

function frameOf({ heightIn, stanceIn }: MoveFigure): Frame {
  return {
    halfStanceIn: stanceIn / 2,
    halfHipsIn: bodySizes({ heightIn }).outerHipWidthIn / 2,
    toeIn: (FOOT_SHARE * heightIn * 3) / 4,
    seatIn: 0.12 * heightIn,
    ballIn: { x: BALL_AHEAD_SHARE * heightIn, y: BALL_OUT_SHARE * heightIn },
    heightIn,
  };
}

/** The smallest frame that holds everything, with a margin. */
function framed(shapes: readonly Shape[]): Pick<Drawing, 'lowIn' | 'highIn'> {
  const reach = shapes.flatMap((shape): Point[] => {
    switch (shape.kind) {
      case 'disc':
        return around(shape.at, shape.radiusIn, shape.radiusIn);
      case 'box':
        return around(shape.at, shape.wideIn / 2, shape.tallIn / 2);
      case 'look':
        return [shape.at];
      default:
        return [shape.from, shape.to];
    }
  });
  const across = reach.map(([x]) => x);
  const up = reach.map(([, y]) => y);
  return {
    lowIn: [Math.min(...across) - MARGIN_IN, Math.min(...up) - MARGIN_IN],
    highIn: [Math.max(...across) + MARGIN_IN, Math.max(...up) + MARGIN_IN],
  };
}

const around = ([x, y]: Point, wide: number, tall: number): Point[] => [
  [x - wide, y - tall],
  [x + wide, y + tall],
];
