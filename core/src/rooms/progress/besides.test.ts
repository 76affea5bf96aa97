import { describe, expect, test } from '@jest/globals';
import { gaussian, plusDays, seededRandom } from '../../foundation/index.ts';
import { ballBeside } from './ballBeside.ts';
import { feltPer } from './feltPer.ts';

describe('felt per measured', () => {
  test('nobody was asked, or nothing was measured: nothing to say', () => {
    expect(feltPer([])).toBeNull();
    expect(feltPer([{ felt: 2, measured: 0 }])).toBeNull();
  });
  test('by hand: one answer of three inches for two', () => {
    // Precisions 1/0.36 about 1 and 1/0.25 about 1.5.
    const found = feltPer([{ felt: 3, measured: 2 }]);
    const precision = 1 / 0.36 + 4;
    expect(found?.per).toBeCloseTo((1 / 0.36 + 1.5 * 4) / precision, 9);
    expect((found?.hi95 as number) - (found?.per as number)).toBeCloseTo(1.959964 / Math.sqrt(precision), 5);
  });
  test('felt as nothing counts, and pulls down; never below nothing', () => {
    const none = feltPer(Array.from({ length: 6 }, () => ({ felt: 0, measured: 2 })));
    expect(none).toMatchObject({ records: 6, nothingFelt: 6 });
    expect(none?.per).toBeLessThan(0.15);
    expect(none?.lo95).toBe(0);
  });
  test('many answers come to their mean share', () => {
    const many = feltPer(Array.from({ length: 400 }, (_, i) => ({ felt: i % 2 ? 2 : 4, measured: 2 })));
    expect(many?.per).toBeCloseTo(1.5, 2);
  });
});

const DAY = '2027-03-01';
/** Days with a body and a ball each, eight shots a day. */
function season(pairs: readonly (readonly [body: number, ball: number])[], shots = 8) {
  return [
    pairs.map(([body], i) => ({ date: plusDays(DAY, 7 * i), values: [body], sd: 0.1 })),
    pairs.map(([, ball], i) => ({
      date: plusDays(DAY, 7 * i),
      shots: Array.from({ length: shots }, () => ({ lowPointIn: ball })),
    })),
  ] as const;
}
const LINE = [
  [0, -1],
  [1, 0.125],
  [2, 0.875],
  [3, 2],
] as const;

describe('ball beside body', () => {
  test('days that go on one line went together; turned round, apart', () => {
    const [found] = ballBeside(...season(LINE));
    expect(found).toMatchObject({ field: 'lowPointIn', unit: 'in', shots: 32, went: 'together' });
    expect(found?.days.map(({ body, ball }) => [body, ball])).toEqual(LINE.map((one) => [...one]));
    const [turned] = ballBeside(...season(LINE.map(([body, ball]) => [body, -ball] as const)));
    expect(turned?.went).toBe('apart');
  });
  test('nothing is said of fewer than twenty shots, or fewer than three days', () => {
    expect(ballBeside(...season(LINE, 4))).toEqual([]);
    expect(ballBeside(...season(LINE.slice(0, 2), 30))).toEqual([]);
  });
  test('a day with shots and no film, or film and no shots, is no day of both', () => {
    const [occasions, days] = season(LINE);
    expect(ballBeside(occasions.slice(0, 2), days)).toEqual([]);
    expect(ballBeside(occasions, days.slice(0, 2))).toEqual([]);
  });
  test('many shots of three days that waver say no more than three days', () => {
    const wavering = [
      [0, 0],
      [1, 2],
      [2, 1],
    ] as const;
    expect(ballBeside(...season(wavering, 500))[0]?.went).toBe('cant_tell');
  });
  test('a measure or a ball that never moved tells nothing', () => {
    expect(
      ballBeside(
        ...season([
          [1, 0],
          [1, 1],
          [1, 2],
        ]),
      )[0]?.went,
    ).toBe('cant_tell');
    expect(
      ballBeside(
        ...season([
          [0, 1],
          [1, 1],
          [2, 1],
        ]),
      )[0]?.went,
    ).toBe('cant_tell');
  });
  test('what has nothing to do with each other is said to in at most 5 of 100 seasons', () => {
    const random = seededRandom(12);
    let said = 0;
    for (let i = 0; i < 2000; i++) {
      const dates = Array.from({ length: 6 }, (_, d) => plusDays(DAY, d));
      const days = dates.map((date) => {
        const shot = {
          lowPointIn: gaussian(random),
          strikeIn: gaussian(random),
          startLineDeg: gaussian(random),
          curveDeg: gaussian(random),
        };
        return { date, shots: Array.from({ length: 5 }, () => shot) };
      });
      const occasions = dates.map((date) => ({ date, values: [gaussian(random)], sd: 0.1 }));
      if (ballBeside(occasions, days).some(({ went }) => went !== 'cant_tell')) said++;
    }
    expect(said / 2000).toBeLessThan(0.065);
    expect(said / 2000).toBeGreaterThan(0.03);
  });
});
