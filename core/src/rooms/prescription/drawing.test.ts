import { describe, expect, test } from '@jest/globals';
import { sampleCase } from '../diagnosis/sampleCase.ts';
import { resolveSchool } from '../intake/index.ts';
import { type Drawing, drawSetup } from './drawing.ts';
import { DRILLS, drillById } from './drillTable.ts';
import { figureOf } from './moveFigure.ts';
import { setupFor } from './setupCard.ts';
import { SETUP_OBJECTS } from './setupObjects.ts';
import type { Shape, ViewId } from './shapes.ts';

const file = (heightIn: number) => {
  const base = sampleCase();
  return { ...base, student: { ...base.student, heightIn } };
};
const draw = (id: string, heightIn = 70) => {
  const drill = drillById(id);
  if (!drill) throw new Error(id);
  const setup = setupFor(drill, file(heightIn));
  const figure = figureOf(drill, { student: file(heightIn).student, school: resolveSchool(), setup });
  const view = (id: ViewId) => drawSetup({ setup, figure, view: id, share: 0.5, layers: [1] });
  return { front: view('front'), side: view('side'), above: view('above') };
};
const dimensions = (drawing: Drawing) =>
  drawing.shapes.filter((s): s is Extract<Shape, { kind: 'dimension' }> => s.kind === 'dimension');
const long = (d: { from: readonly number[]; to: readonly number[] }) =>
  Math.hypot((d.to[0] as number) - (d.from[0] as number), (d.to[1] as number) - (d.from[1] as number));

describe.each([60, 70, 78])('at %i in', (heightIn) => {
  test.each(DRILLS.map((d) => d.id))('%s is drawn to scale and inside its frame', (id) => {
    for (const drawing of Object.values(draw(id, heightIn))) {
      for (const d of dimensions(drawing)) expect(long(d)).toBeCloseTo(d.valueIn, 6);
      for (const shape of drawing.shapes) {
        const points =
          shape.kind === 'limb' || shape.kind === 'dimension' ? [shape.from, shape.to] : [shape.at];
        for (const [x, y] of points) {
          expect(x).toBeGreaterThan(drawing.lowIn[0]);
          expect(x).toBeLessThan(drawing.highIn[0]);
          expect(y).toBeGreaterThan(drawing.lowIn[1]);
          expect(y).toBeLessThan(drawing.highIn[1]);
        }
      }
    }
  });
});

test('every distance of every drill can be drawn', () => {
  const ids = new Set(DRILLS.flatMap((d) => d.setup.map((s) => s.id)));
  for (const id of ids) expect(SETUP_OBJECTS[id]).toBeDefined();
});

describe('things stand where the card says', () => {
  test('the post beside the trail hip, away from the target, by hand', () => {
    const post = draw('kiss_the_post').above.shapes.find((s) => s.kind === 'disc' && s.tone === 'object');
    // Hips 0.19 * 70 = 13.3 in wide: half is 6.65, and the gap 0.6 further.
    expect(post).toMatchObject({ at: [-(6.65 + 0.6), -3] });
  });
  test('the wall of the fist stands on the target side', () => {
    const wall = draw('fist_from_wall').front.shapes.find((s) => s.kind === 'limb' && s.tone === 'object');
    expect(wall?.kind === 'limb' && wall.from[0]).toBeCloseTo(6.65 + 0.5 + 4, 6);
  });
  test('the clock’s sticks lie at 4 and 8, with a thin one at half past 3', () => {
    const sticks = draw('half_clock').above.shapes.filter((s) => s.kind === 'limb' && s.tone === 'object');
    const hours = sticks.map((s) => {
      if (s.kind !== 'limb') throw new Error('no stick');
      const [dx, dy] = [s.to[0] - s.from[0], s.to[1] - s.from[1]];
      return (((Math.atan2(-dx, dy) * 6) / Math.PI + 12) % 12).toFixed(1);
    });
    expect(hours).toEqual(['4.0', '3.5', '8.0']);
  });
  test('a chair is seen from the side behind the seat', () => {
    const { side } = draw('two_cheek_chair');
    const things = side.shapes.filter((s) => s.kind === 'limb' && s.tone === 'object');
    for (const thing of things) if (thing.kind === 'limb') expect(thing.to[0]).toBeLessThan(-8);
    expect(things.length).toBe(3);
  });
});
