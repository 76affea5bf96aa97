import { describe, expect, test } from '@jest/globals';
import { testCase } from '../diagnosis/testCase.ts';
import { type Drawing, drawSetup, type Shape } from './drawing.ts';
import { DRILLS, drillById } from './drillTable.ts';
import { setupFor } from './setupCard.ts';
import { SETUP_OBJECTS } from './setupObjects.ts';

const file = (heightIn: number) => {
  const base = testCase();
  return { ...base, student: { ...base.student, heightIn } };
};
const draw = (id: string, heightIn = 70) => {
  const drill = drillById(id);
  if (!drill) throw new Error(id);
  return drawSetup(setupFor(drill, file(heightIn)), { heightIn });
};
const dimensions = (drawing: Drawing) =>
  drawing.shapes.filter((s): s is Extract<Shape, { kind: 'dimension' }> => s.kind === 'dimension');
const long = (d: { from: readonly number[]; to: readonly number[] }) =>
  Math.hypot((d.to[0] as number) - (d.from[0] as number), (d.to[1] as number) - (d.from[1] as number));

describe.each([60, 70, 78])('at %i in', (heightIn) => {
  test.each(DRILLS.map((d) => d.id))('%s is drawn to scale and inside its frame', (id) => {
    const { above, front } = draw(id, heightIn);
    for (const drawing of [above, front]) {
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
  test('the figure is as tall as the student, stooped a little', () => {
    for (const heightIn of [60, 70, 78]) {
      const head = draw('knee_swap', heightIn).front.shapes.find(
        (s) => s.kind === 'disc' && s.tone === 'body',
      );
      const top = head?.kind === 'disc' ? head.at[1] + head.radiusIn : 0;
      expect(top / heightIn).toBeGreaterThan(0.85);
      expect(top / heightIn).toBeLessThan(1);
    }
  });
  test('a foot that is drawn back is drawn back', () => {
    const feet = (id: string) => draw(id).above.shapes.filter((s) => s.kind === 'limb' && s.widthIn === 3.6);
    const [, usual] = feet('knee_swap');
    const [, back] = feet('drop_back_stance');
    if (usual?.kind !== 'limb' || back?.kind !== 'limb') throw new Error('no feet');
    expect(usual.from[1] - back.from[1]).toBeCloseTo(4, 6);
  });
});
