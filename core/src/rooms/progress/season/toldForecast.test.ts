import { describe, expect, test } from '@jest/globals';
import { gaussian, plusDays, seededRandom } from '../../../foundation/index.ts';
import { judgeTold, scoreOfForecasts, type ToldForecast, toldBy } from './toldForecast.ts';

const ASKED = '2027-03-01';
const told = (more: Partial<ToldForecast> = {}): ToldForecast => ({
  measure: 'shift_top',
  kind: 'in_band',
  askedOn: ASKED,
  cell: 'full off mid_iron',
  lo: -1,
  hi: 1,
  lo80: plusDays(ASKED, 10),
  likely: plusDays(ASKED, 20),
  hi80: plusDays(ASKED, 40),
  ...more,
});
const sights = (...all: readonly (readonly [days: number, inBand: number])[]) =>
  all.map(([days, inBand]) => ({ date: plusDays(ASKED, days), inBand }));

describe('a told date, as a spread', () => {
  test.each([
    [0, 0],
    [5, 0.05],
    [10, 0.1],
    [15, 0.3],
    [20, 0.5],
    [30, 0.7],
    [40, 0.9],
    // Of the rest as much goes in each 20 days as went in the 20 before: a fifth of it is left.
    [60, 0.98],
    [80, 0.996],
  ])('%i days on', (days, p) => {
    expect(toldBy(told(), plusDays(ASKED, days))).toBeCloseTo(p, 9);
  });
  test('never goes back, also where two of its days are one', () => {
    const flat = told({ lo80: plusDays(ASKED, 0), likely: plusDays(ASKED, 7), hi80: plusDays(ASKED, 7) });
    for (const one of [told(), flat]) {
      const along = Array.from({ length: 120 }, (_, day) => toldBy(one, plusDays(ASKED, day)));
      for (const [i, p] of along.entries()) {
        expect(Number.isFinite(p)).toBe(true);
        expect(p).toBeGreaterThanOrEqual(along[i - 1] ?? 0);
      }
    }
  });
});

describe('what came of it', () => {
  test('it came between two films: in the middle of what was told of them', () => {
    const found = judgeTold(told(), sights([7, 0.3], [14, 0.6], [21, 0.85], [28, 0.9]));
    expect(found.came).toBe(plusDays(ASKED, 21));
    expect(found.notBy).toBe(plusDays(ASKED, 14));
    // By day 14 a quarter and a hundredth, by day 21 half and a fiftieth were told.
    expect(found.pit).toBeCloseTo((0.26 + 0.52) / 2, 9);
    expect(found.next).toEqual({ p: expect.closeTo(0.07, 9), was: false });
  });
  test('not there yet: nobody can say, until the last told day is over', () => {
    expect(judgeTold(told(), sights([7, 0.3], [30, 0.5])).pit).toBeNull();
    const late = judgeTold(told(), sights([7, 0.3], [60, 0.5]));
    expect([late.came, late.pit]).toEqual([null, expect.closeTo(0.99, 9)]);
  });
  test('no film since: nothing', () => {
    expect(judgeTold(told(), sights([0, 0.2]))).toMatchObject({ came: null, pit: null, next: null });
  });
  test('owned wants two days a week apart, and none between that says otherwise', () => {
    const owned = told({ kind: 'owned' });
    expect(judgeTold(owned, sights([7, 0.9], [12, 0.9])).came).toBeNull();
    expect(judgeTold(owned, sights([7, 0.9], [14, 0.9])).came).toBe(plusDays(ASKED, 14));
    expect(judgeTold(owned, sights([7, 0.9], [10, 0.4], [14, 0.9], [16, 0.9])).came).toBeNull();
    expect(judgeTold(owned, sights([7, 0.9], [10, 0.6], [14, 0.9])).came).toBe(plusDays(ASKED, 14));
    // What was seen before it was asked counts, too.
    expect(judgeTold(owned, sights([-7, 0.9], [3, 0.9])).came).toBe(plusDays(ASKED, 3));
  });
});

describe('how good told dates were', () => {
  test('counts by hand', () => {
    const one = (pit: number | null, p: number, was: boolean) => ({ pit, next: { p, was } });
    const score = scoreOfForecasts([
      one(0.05, 0.1, true),
      one(0.3, 0.5, false),
      one(0.5, 0.5, true),
      one(0.95, 0, false),
      { pit: null, next: null },
    ]);
    expect(score).toMatchObject({ judged: 4, waiting: 1, held: 2, sooner: 1, later: 1 });
    expect(score.fifths).toEqual([1, 1, 1, 0, 1]);
    // (0.81 + 0.25 + 0.25 + 0) / 4; half of them were there: 0.25 for who knows only that.
    expect(score.brier).toEqual({ told: expect.closeTo(0.3275, 9), base: 0.25, films: 4 });
  });
  test('none told', () => {
    expect(scoreOfForecasts([])).toMatchObject({ judged: 0, held: 0, brier: null });
  });
  test('dates drawn from what is told, seen day by day, fall evenly and are held in 80 of 100', () => {
    const random = seededRandom(4);
    const all = Array.from({ length: 2000 }, () => {
      const spread = 1 + 9 * random();
      const middle = 20 + 30 * random();
      const at = (z: number) => plusDays(ASKED, Math.round(middle + spread * z));
      const one = told({ lo80: at(-1.2816), likely: at(0), hi80: at(1.2816) });
      const came = Math.round(middle + spread * gaussian(random));
      return judgeTold(
        one,
        sights(...Array.from({ length: 200 }, (_, d) => [d, d >= came ? 1 : 0] as const)),
      );
    });
    const score = scoreOfForecasts(all);
    expect(score.judged).toBe(2000);
    expect(score.held / 2000).toBeGreaterThan(0.75);
    expect(score.held / 2000).toBeLessThan(0.86);
    for (const fifth of score.fifths) expect(Math.abs(fifth / 2000 - 0.2)).toBeLessThan(0.06);
  });
});
