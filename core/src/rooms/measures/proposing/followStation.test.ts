import { describe, expect, test } from '@jest/globals';
import { followStation, namedByHand } from './followStation.ts';

type M = Parameters<typeof followStation>[0][number];
const proposal: M = {
  view: 'face_on',
  station: 'top',
  landmark: 'lead_hip',
  u: 500,
  v: 700,
  sdPx: 4,
  by: 'network',
  net: { u: 510, v: 690, heightPx: 800 },
  moving: { uPerS: 600, vPerS: -60, sdS: 0.02, atS: 1.1 },
};
const named = (time: number, before: number | undefined = 1.1) => ({
  view: 'face_on' as const,
  station: 'top' as const,
  time,
  before,
});

describe('a hand names a station', () => {
  test('what was proposed there goes with it as fast as it moved, and its moment is in doubt no longer', () => {
    const [moved] = followStation([proposal], named(1.1 + 1 / 60));
    expect(moved).toMatchObject({
      u: expect.closeTo(510, 9),
      v: expect.closeTo(699, 9),
      net: { u: expect.closeTo(520, 9), v: expect.closeTo(689, 9) },
      moving: { sdS: 0, atS: 1.1 },
    });
  });
  test('there and back again it is where it was', () => {
    const there = followStation([proposal], named(1.1333));
    const [back] = followStation(there, named(1.1, 1.1333));
    expect(back).toMatchObject({ u: expect.closeTo(500, 9), v: expect.closeTo(700, 9) });
  });
  test('further than anybody looked it is let go, step by step as well as at once', () => {
    expect(followStation([proposal], named(1.2))).toEqual([]);
    let marks = [proposal];
    for (let step = 1; step <= 4; step++)
      marks = followStation(marks, named(1.1 + step / 60, 1.1 + (step - 1) / 60));
    expect(marks).toEqual([]);
  });
  test('named where it already is, only the doubt goes', () => {
    const [same] = followStation([proposal], named(1.1));
    expect(same).toEqual({ ...proposal, moving: { ...proposal.moving, sdS: 0 } });
  });
  test.each<[string, M]>([
    ['a hand’s mark', { ...proposal, by: undefined }],
    ['another station', { ...proposal, station: 'impact' }],
    ['the other view', { ...proposal, view: 'down_the_line' }],
  ])('%s stays', (_, mark) => {
    expect(followStation([mark], named(1.13))).toEqual([mark]);
  });
  test('a proposal of which nobody knows how it moves stays with its frame or goes', () => {
    const { moving: _, ...still } = proposal;
    expect(followStation([still], named(1.1))).toEqual([still]);
    expect(followStation([still], named(1.13))).toEqual([]);
  });
});

describe('stations that a hand has named', () => {
  const times = { address: 0.3, top: 1.1, impact: 1.4, finish: 2 };
  const at = (station: M['station'], more: Partial<M> = {}): M => ({ ...proposal, station, ...more });
  test('those with nothing but proposals at a doubtful moment were named by nobody', () => {
    const marks = [
      at('address', { moving: { uPerS: 0, vPerS: 0, sdS: 0, atS: 0.3 } }),
      at('top'),
      at('top', { landmark: 'trail_hip', by: undefined }),
      at('impact'),
    ];
    expect(namedByHand(times, marks, 'face_on')).toEqual({ address: 0.3, top: 1.1, finish: 2 });
    // Of the other view's marks they say nothing.
    expect(namedByHand(times, marks, 'down_the_line')).toEqual(times);
  });
});
