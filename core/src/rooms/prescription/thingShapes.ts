import type { Frame, SetupObject, Spot, Thing } from './setupObjects.ts';
import { dimension, limb, type Point, type Shape, type ViewId } from './shapes.ts';

/** As much of a stick as shows past the hip. */
const CLOCK_STICK_IN = 18;

/** A thing of the set-up, and how far it stands from the student where the view shows that. */
export function thingSeen(
  view: ViewId,
  object: SetupObject,
  id: string,
  valueIn: number,
  frame: Frame,
): Shape[] {
  const [from, at] = [object.from(frame), object.at(frame, valueIn)];
  const level = object.level * frame.heightIn;
  switch (view) {
    case 'above':
      return [
        ...seenFromAbove(object.thing, at, frame),
        ...(valueIn > 0 ? [dimension(id, valueIn, [from.x, from.y], [at.x, at.y])] : []),
      ];
    case 'front':
      return [
        ...seenFromFront(object.thing, at, frame),
        ...(valueIn > 0 && from.x !== at.x ? [dimension(id, valueIn, [from.x, level], [at.x, level])] : []),
      ];
    case 'side':
      return [
        ...seenFromSide(object.thing, at, frame),
        ...(valueIn > 0 && from.y !== at.y ? [dimension(id, valueIn, [from.y, level], [at.y, level])] : []),
      ];
  }
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
      return [{ kind: 'disc', at: [x, y], radiusIn: 0.9, tone: 'object' }];
    case 'pelvis':
      return [limb([x - frame.halfHipsIn, y], [x + frame.halfHipsIn, y], 1, 'object')];
    case 'foot':
      return [];
    case 'clock':
      // The thin one at half past three: where the trail stick lies for hips that turn too far.
      return [clockStick(frame, 4, 0.8), clockStick(frame, 3.5, 0.25), clockStick(frame, 8, 0.8)];
  }
}

/** A stick under one hip along an hour of the clock: 12 toward the ball, 9 the target. */
function clockStick(frame: Frame, hour: number, widthIn: number): Shape {
  const way = (2 * Math.PI * hour) / 12;
  const from: Point = [hour < 6 ? -frame.halfHipsIn : frame.halfHipsIn, -3];
  const [dx, dy] = [-Math.sin(way), Math.cos(way)];
  return limb(from, [from[0] + CLOCK_STICK_IN * dx, from[1] + CLOCK_STICK_IN * dy], widthIn, 'object');
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

function seenFromSide(thing: Thing, { y }: Spot, { heightIn }: Frame): Shape[] {
  const seat = 0.26 * heightIn;
  switch (thing) {
    case 'post':
      return [limb([y, 0], [y, 0.62 * heightIn], 1.2, 'object')];
    case 'ball':
      return [{ kind: 'disc', at: [y, 0.84], radiusIn: 0.84, tone: 'object' }];
    case 'box':
      return [{ kind: 'box', at: [y + 2.5, 2], wideIn: 5, tallIn: 4, tone: 'object' }];
    case 'chair':
      // Its back stands toward the student.
      return [
        limb([y, 0], [y, 0.5 * heightIn], 1.4, 'object'),
        limb([y, seat], [y - 14, seat], 1.4, 'object'),
        limb([y - 14, 0], [y - 14, seat], 1.4, 'object'),
      ];
    case 'marker':
      return [{ kind: 'box', at: [y, 0.5], wideIn: 2, tallIn: 1, tone: 'object' }];
    case 'grip':
      return [{ kind: 'disc', at: [y, 0.28 * heightIn], radiusIn: 0.9, tone: 'object' }];
    case 'wall':
    case 'pelvis':
    case 'clock':
    case 'foot':
      return [];
  }
}
