import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seededRandom } from '../../foundation/index.ts';
import { compareSwings, layTogether, sameMoment, similarity } from './compareSwings.ts';

const read = (id: string, value: number, sd: number) => ({ id, station: 'top' as const, value, sd });

describe('two swings', () => {
  test('sds 0.3 and 0.4 leave 0.5: a change of 2 is out of doubt, one of 0.9 is not', () => {
    const [big, small] = compareSwings(
      [read('shift_top', -2, 0.3), read('tilt_top', 4, 0.3)],
      [read('shift_top', 0, 0.4), read('tilt_top', 4.9, 0.4)],
    );
    expect(big).toMatchObject({ delta: 2, sd: 0.5, differs: true });
    expect(small?.differs).toBe(false);
    expect(small?.lo95).toBeCloseTo(0.9 - 1.96 * 0.5, 2);
  });
  test('what only one swing has is no difference', () => {
    expect(compareSwings([read('shift_top', 0, 1)], [read('turn_top', 40, 3)])).toEqual([]);
  });
  test('bearings go the short way: from 11:30 to 12:30 is an hour, not minus eleven', () => {
    const [d] = compareSwings([read('bearing_back', 11.5, 0.2)], [read('bearing_back', 0.5, 0.2)]);
    expect(d?.delta).toBeCloseTo(1, 9);
  });
});

describe('the same moment', () => {
  const here = { address: 1, top: 2, impact: 2.4 };
  const there = { address: 0.5, top: 1.7, impact: 2.0, finish: 3 };
  test.each([
    [1, 0.5],
    [2, 1.7],
    [1.5, 1.1],
    [2.2, 1.85],
    [0.8, 0.3],
    [3, 2.6],
  ])('%s s here is %s s there', (a, b) => {
    expect(sameMoment(a, here, there)).toBeCloseTo(b, 9);
  });
  test('without a common station there is none', () => {
    expect(sameMoment(1, { address: 1 }, { finish: 2 })).toBeNull();
  });
});

describe('laying one picture on another', () => {
  test('twice the size, a quarter turn, moved: by hand', () => {
    const s = similarity(
      [
        { u: 0, v: 0 },
        { u: 1, v: 0 },
      ],
      [
        { u: 10, v: 5 },
        { u: 10, v: 7 },
      ],
    );
    expect(s).toEqual({ a: expect.closeTo(0, 9), b: expect.closeTo(2, 9), du: 10, dv: 5 });
  });
  test('finds any similarity again from any three places', () => {
    const n = fc.double({ min: -500, max: 500, noNaN: true });
    const place = fc.record({ u: n, v: n });
    fc.assert(
      fc.property(
        fc.array(place, { minLength: 3, maxLength: 3 }),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        n,
        n,
        (from, a, b, du, dv) => {
          const spread = Math.hypot(
            (from[0]?.u ?? 0) - (from[1]?.u ?? 0),
            (from[0]?.v ?? 0) - (from[1]?.v ?? 0),
          );
          fc.pre(spread > 5);
          const to = from.map(({ u, v }) => ({ u: a * u - b * v + du, v: b * u + a * v + dv }));
          const s = similarity(from, to);
          expect(s?.a).toBeCloseTo(a, 6);
          expect(s?.b).toBeCloseTo(b, 6);
        },
      ),
      { seed: 3 },
    );
  });
  test('one place, or twice the same, fixes nothing', () => {
    expect(similarity([{ u: 1, v: 1 }], [{ u: 2, v: 2 }])).toBeNull();
    const same = [
      { u: 1, v: 1 },
      { u: 1, v: 1 },
    ];
    expect(similarity(same, same)).toBeNull();
  });
});

describe('a picture laid on another', () => {
  const body = [
    { u: 180, v: 470 },
    { u: 140, v: 480 },
    { u: 200, v: 590 },
    { u: 118, v: 600 },
    { u: 215, v: 712 },
    { u: 150, v: 300 },
  ];
  const moved = body.map(({ u, v }) => ({ u: 1.2 * u + 30, v: 1.2 * v - 12 }));
  test('is found again, and not mirrored where it need not be', () => {
    expect(layTogether(body, moved, 540)).toMatchObject({ mirrored: false });
  });
  test('from a camera that mirrors it is turned first', () => {
    const seen = body.map(({ u, v }) => ({ u: 540 - u, v }));
    const laid = layTogether(seen, moved, 540);
    expect(laid?.mirrored).toBe(true);
    expect(laid?.onto.a).toBeCloseTo(1.2, 6);
    expect(laid?.onto.b).toBeCloseTo(0, 6);
    expect(laid?.onto.du).toBeCloseTo(30, 4);
  });
  test('two places say nothing of mirrors; one says nothing at all', () => {
    const seen = body.slice(0, 2).map(({ u, v }) => ({ u: 540 - u, v }));
    expect(layTogether(seen, moved.slice(0, 2), 540)?.mirrored).toBe(false);
    expect(layTogether(body.slice(0, 1), moved.slice(0, 1), 540)).toBeNull();
  });
  test('small misses of marks turn nothing about', () => {
    const random = seededRandom(5);
    for (let i = 0; i < 300; i++) {
      const off = () => 12 * (random() - 0.5);
      const near = moved.map(({ u, v }) => ({ u: u + off(), v: v + off() }));
      expect(layTogether(body, near, 540)?.mirrored).toBe(false);
    }
  });
});
