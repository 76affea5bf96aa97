import { describe, expect, test } from '@jest/globals';
import type { Capture } from '../capture/index.ts';
import type { ViewKind } from '../intake/index.ts';
import { blindVariance, keyOf, type SeenBy } from './blindSides.ts';
import { measureCapture, POSE_MEASURES, poolSwings, sharedShare } from './index.ts';
import { ADDRESS_BODY, type Body, exactCapture, movedBody } from './sampleBody.ts';

const definition = (id: string) => {
  const found = POSE_MEASURES.find((m) => m.id === id);
  if (!found) throw new Error(`no measure ${id}`);
  return found;
};
/** The first `count` places of a measure seen from `kinds`, the others from the front alone. */
function seen(id: string, kinds: readonly ViewKind[], count = 99): SeenBy {
  const places = definition(id).needs.flatMap(([station, landmarks]) =>
    landmarks.map((landmark) => keyOf(station, landmark)),
  );
  return new Map(
    places.map((place, i) => [place, new Set<ViewKind>(i < count ? kinds : ['face_on'])] as const),
  );
}
const address = ADDRESS_BODY as Body;
const impact = movedBody({ lead_hip: [4, -2, 0.5], trail_hip: [4, 2, 0], lead_knee: [2, -1, 0] });
const bodies = { address, impact };
const of = (capture: Capture, id: string) => {
  const found = measureCapture(capture).measures.find((m) => m.id === id);
  if (!found) throw new Error(`${id} was not measured`);
  return found;
};

describe('what one view can’t see', () => {
  test('knee flex from the front alone carries 15 degrees more, from behind 8, from both none', () => {
    const flex = definition('knee_flex_address');
    expect(blindVariance(flex, seen(flex.id, ['face_on']))).toBe(225);
    expect(blindVariance(flex, seen(flex.id, ['down_the_line']))).toBe(64);
    expect(blindVariance(flex, seen(flex.id, ['face_on', 'down_the_line']))).toBe(0);
  });
  test('a heel that rises in the finish comes nearer to a front camera, too, and seems lower: that view alone doubts it more', () => {
    const heel = definition('trail_heel_up_finish');
    expect(blindVariance(heel, seen(heel.id, ['face_on']))).toBeCloseTo(0.36, 12);
    expect(blindVariance(heel, seen(heel.id, ['face_on', 'down_the_line']))).toBe(0);
  });
  test('half of the places seen from the other side are enough, fewer are not', () => {
    const flex = definition('knee_flex_address');
    const both: ViewKind[] = ['face_on', 'down_the_line'];
    expect(blindVariance(flex, seen(flex.id, both, 3))).toBe(0);
    expect(blindVariance(flex, seen(flex.id, both, 2))).toBe(225);
  });
  test('a place nobody marked was seen from nowhere', () => {
    expect(blindVariance(definition('knee_flex_address'), new Map())).toBe(225);
  });
  test('a shift lies across the front view and needs nothing more from there', () => {
    for (const id of ['shift_impact', 'turn_impact'])
      expect(blindVariance(definition(id), seen(id, ['face_on']))).toBe(0);
  });
});

describe('in a measured swing', () => {
  const both = exactCapture(bodies);
  const front = exactCapture(bodies, ['face_on']);
  test.each(['knee_flex_address', 'lead_knee_flex_impact'])(
    '%s is told from two sides, not from one',
    (id) => {
      expect(of(both, id).sd).toBeLessThan(5);
      const alone = of(front, id);
      expect(alone.sd).toBeGreaterThan(15);
      expect(alone.verdict).toBe('cant_tell');
      expect(alone.hi95 - alone.lo95).toBeCloseTo(2 * 1.959964 * alone.sd, 4);
    },
  );
  test('and the missing view is what it asks for', () => {
    const needs = measureCapture(front).needs.find(({ what }) => what.kind === 'view');
    expect(needs?.what).toEqual({ kind: 'view', view: 'down_the_line' });
    expect(needs?.wouldSettle).toEqual(
      expect.arrayContaining(['knee_flex_address', 'lead_knee_flex_impact']),
    );
  });
  test('the shift stays as sure as it was', () => {
    expect(of(front, 'shift_impact').sd).toBeLessThan(2 * of(both, 'shift_impact').sd + 0.1);
  });
  test('several swings don’t make sure what each only supposed', () => {
    expect(sharedShare('knee_flex_address')).toBeGreaterThan(sharedShare('shift_impact'));
    const alone = of(front, 'knee_flex_address');
    const [pooled] = poolSwings([[alone], [alone], [alone]]);
    expect(pooled?.sd).toBeGreaterThan(0.85 * alone.sd);
  });
});
