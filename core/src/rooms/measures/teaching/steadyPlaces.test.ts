import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../../foundation/index.ts';
import type { SeenBody } from '../proposing/proposals.ts';
import { steadyPlaces } from './steadyPlaces.ts';

const FRAME_S = 1 / 60;
/** A hip that goes along a line, two pixels a frame, seen in each of so many frames. */
const along = (frames: number, off: (i: number) => readonly [number, number] = () => [0, 0]): SeenBody[] =>
  Array.from({ length: frames }, (_, i) => ({
    time: i * FRAME_S,
    places: { lead_hip: { u: 100 + 2 * i + off(i)[0], v: 300 - i + off(i)[1], seen: 0.9 } },
  }));
const hip = (bodies: readonly SeenBody[], i: number) => {
  const place = bodies[i]?.places.lead_hip;
  if (!place) throw new Error('no hip');
  return place;
};

describe('places smoothed over their neighbours', () => {
  test('a steady way is left as it is, at its ends too', () => {
    const steady = steadyPlaces(along(20));
    for (const i of [0, 1, 9, 18, 19]) {
      expect(hip(steady, i).u).toBeCloseTo(100 + 2 * i, 6);
      expect(hip(steady, i).v).toBeCloseTo(300 - i, 6);
      expect(hip(steady, i).seen).toBe(0.9);
    }
  });
  test('a frame, or two, in which it was taken for another is passed over', () => {
    const steady = steadyPlaces(along(20, (i) => (i === 9 || i === 10 ? [60, -8] : [0, 0])));
    for (const i of [8, 9, 10, 11]) {
      expect(Math.abs(hip(steady, i).u - (100 + 2 * i))).toBeLessThan(1);
      expect(Math.abs(hip(steady, i).v - (300 - i))).toBeLessThan(1);
    }
  });
  test('how fast it goes there is told, and how far its looks lie apart', () => {
    const [smooth, torn] = [
      steadyPlaces(along(20)),
      steadyPlaces(along(20, (i) => (i === 9 ? [70, 0] : [0, 0]))),
    ];
    expect(hip(smooth, 10).uPerS).toBeCloseTo(120, 6);
    expect(hip(smooth, 10).vPerS).toBeCloseTo(-60, 6);
    expect(hip(smooth, 10).scatterPx).toBeCloseTo(0, 6);
    // Seven frames within reach, one of them 70 px off: 70 / sqrt(7).
    expect(hip(torn, 10).scatterPx).toBeCloseTo(70 / Math.sqrt(7), 0);
    // Of a frame all by itself nobody knows.
    expect(hip(steadyPlaces(along(1)), 0)).toEqual({ u: 100, v: 300, seen: 0.9 });
  });
  test('what is so in most frames stays so', () => {
    const steady = steadyPlaces(along(20, (i) => (i >= 6 && i <= 13 ? [60, 0] : [0, 0])));
    expect(Math.abs(hip(steady, 10).u - 180)).toBeLessThan(2);
  });
  test('single frames’ noise is halved at least', () => {
    const random = seededRandom(2);
    const steady = steadyPlaces(along(400, () => [3 * gaussian(random), 3 * gaussian(random)]));
    const off = steady.map((_, i) => hip(steady, i).u - (100 + 2 * i));
    const rms = Math.sqrt(off.reduce((sum, d) => sum + d * d, 0) / off.length);
    expect(rms).toBeLessThan(0.6 * 3);
  });
  test('frames far off in time are no neighbours; too few to tell are left alone', () => {
    const far = along(8, (i) => [i === 4 ? 20 : 0, 0]).map((body) => ({ ...body, time: body.time * 10 }));
    expect(hip(steadyPlaces(far), 4).u).toBe(128);
    expect(steadyPlaces([])).toEqual([]);
  });
  test('a second look at the same frames counts as much as the first', () => {
    const first = along(20, () => [1.5, 0]);
    const again = along(20, () => [-1.5, 0]);
    const steady = steadyPlaces(first, { kind: 'down_the_line', again });
    expect(hip(steady, 10).u).toBeCloseTo(120, 6);
    expect(steady).toHaveLength(20);
  });
  describe('legs drawn into one another', () => {
    /** Ankles at 100 and 200, drawn together by a share in the frames that `share` says. */
    const legs = (share: (i: number) => number): SeenBody[] =>
      Array.from({ length: 12 }, (_, i) => {
        const off = 50 * share(i);
        const at = (u: number) => ({ u, v: 400, seen: 0.9 });
        return {
          time: i * FRAME_S,
          places: { trail_ankle: at(100 + off), lead_ankle: at(200 - off), head: at(150) },
        };
      });
    const lead = (bodies: readonly SeenBody[], i: number) => bodies[i]?.places.lead_ankle?.u as number;
    test('face-on the looks that keep them apart are believed, though they are fewer', () => {
      const blurred = legs((i) => (i % 3 === 0 ? 0.02 : 0.5 + 0.1 * (i % 3)));
      expect(
        Math.abs(lead(steadyPlaces(blurred, { kind: 'face_on', again: legs(() => 0) }), 6) - 200),
      ).toBeLessThan(1);
    });
    test('from behind one leg does hide the other: nothing is left out', () => {
      const mostly = legs((i) => (i % 4 === 0 ? 0 : 0.6));
      expect(lead(steadyPlaces(mostly, { kind: 'down_the_line', again: [] }), 6)).toBeLessThan(180);
    });
    test('a head has no fellow: all looks at it count', () => {
      const steady = steadyPlaces(
        legs((i) => (i % 2 ? 0 : 0.9)),
        { kind: 'face_on', again: [] },
      );
      expect(steady[6]?.places.head?.u).toBeCloseTo(150, 6);
    });
  });
});
