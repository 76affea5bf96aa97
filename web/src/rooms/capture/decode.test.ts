import { describe, expect, test } from '@jest/globals';
import { bodiesIn, bodyPoints, MOST_BODIES, POINTS_SIDE, unmirrored } from './decode.ts';

const BOXES = 2254;

describe('the detector’s bodies', () => {
  // The first anchor of row 14, column 14 of the finest grid: a hair past the middle of the picture.
  const middle = 2 * (14 * 28 + 14);
  const boxes = new Float32Array(BOXES * 12);
  // Hips half a cell up and left of the anchor, the reach 56 px above: a quarter of the picture.
  boxes.set([-4, -4, -4, -60], middle * 12 + 4);
  const scores = new Float32Array(BOXES).fill(-20);

  test('is put back into a picture held upright, whose sides were filled up', () => {
    const [found] = bodiesIn(boxes, scores.with(middle, 4), 540, 960);
    expect(found?.u).toBeCloseTo(270, 4);
    expect(found?.v).toBeCloseTo(480, 4);
    expect(found?.side).toBeCloseTo(2 * 1.25 * 240, 4);
    expect(found?.turn).toBeCloseTo(0, 6);
  });
  test('a body leaning to the right turns the region clockwise', () => {
    const leaning = boxes.slice();
    leaning.set([-4, -4, 52, -4], middle * 12 + 4);
    expect(bodiesIn(leaning, scores.with(middle, 4), 540, 960)[0]?.turn).toBeCloseTo(Math.PI / 2, 6);
  });
  test('nobody is nobody', () => {
    expect(bodiesIn(boxes, scores, 540, 960)).toEqual([]);
    expect(bodiesIn(boxes, scores.with(middle, -0.1), 540, 960)).toEqual([]);
  });
  test('one that is seen by several cells is one; two are two, the surer first', () => {
    const both = boxes.slice();
    const beside = middle + 1;
    // A grid cell is 960 / 28 px wide in the picture: eight of them are far enough off for another body.
    const other = middle + 16;
    for (const at of [beside, other]) both.set([-4, -4, -4, -60], at * 12 + 4);
    const found = bodiesIn(both, scores.with(middle, 2).with(beside, 3).with(other, 4), 540, 960);
    expect(found.map(({ u }) => Math.round(u))).toEqual([270 + Math.round((8 * 960) / 28), 270]);
  });
  test('of a crowd no more than a few are looked at', () => {
    const many = boxes.slice();
    let seen = scores;
    for (let i = 0; i < 7; i++) {
      const at = 2 * (14 * 28 + 4 * i);
      many.set([-4, -4, -4, -20], at * 12 + 4);
      seen = seen.with(at, 5);
    }
    expect(bodiesIn(many, seen, 540, 960)).toHaveLength(MOST_BODIES);
  });
});

describe('body points', () => {
  const values = new Float32Array(195);
  const put = (i: number, x: number, y: number, seen = 0) => values.set([x, y, 0, seen], 5 * i);
  put(23, 128, 128, 3);
  put(24, 256, 128, -3);
  put(33, 128, 128);
  put(34, 128, 0);
  test('the middle of the region stays, its right edge turns with it', () => {
    const found = bodyPoints(values, 0.9, { u: 300, v: 500, side: 400, turn: Math.PI / 2 });
    expect([found.u[23], found.v[23]]).toEqual([300, 500]);
    expect(found.u[24]).toBeCloseTo(300, 3);
    expect(found.v[24]).toBeCloseTo(700, 3);
    expect(found.seen[23]).toBeCloseTo(1 / (1 + Math.exp(-3)), 5);
    expect(found.seen[24]).toBeCloseTo(1 / (1 + Math.exp(3)), 5);
  });
  test('the next region stands around the hips and holds the whole reach', () => {
    const { next } = bodyPoints(values, 0.9, { u: 300, v: 500, side: 400, turn: 0 });
    expect(next).toMatchObject({ u: 300, v: 500, side: 2 * 1.25 * 200 });
    expect(next.turn).toBeCloseTo(0, 6);
  });
});

describe('a picture seen in the mirror', () => {
  const random = (i: number) => ((i * 7919) % 251) + 1;
  const values = Float32Array.from({ length: 195 }, (_, i) => random(i));
  const point = (of: Float32Array, i: number) => Array.from(of.subarray(5 * i, 5 * i + 5));
  const mirrored = (i: number, x: number) => [POINTS_SIDE - x, ...point(values, i).slice(1)];
  test('the left eye, ear, hand and foot are the right ones of the picture itself', () => {
    const found = unmirrored(values);
    for (const [one, other] of [
      [1, 4],
      [3, 6],
      [7, 8],
      [15, 16],
      [23, 24],
      [31, 32],
    ] as const) {
      expect(point(found, one)).toEqual(mirrored(other, values[5 * other] as number));
      expect(point(found, other)).toEqual(mirrored(one, values[5 * one] as number));
    }
    for (const alone of [0, 33, 34, 38])
      expect(point(found, alone)).toEqual(mirrored(alone, values[5 * alone] as number));
  });
  test('twice in the mirror is the picture', () => {
    expect(unmirrored(unmirrored(values))).toEqual(values);
  });
});
