import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../../foundation/index.ts';
import type { SeenBody } from '../proposals.ts';
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
});
