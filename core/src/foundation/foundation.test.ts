import { describe, expect, test } from '@jest/globals';
import {
  add,
  angleDeg,
  bad,
  between,
  clamp,
  cmToIn,
  cross,
  daysBetween,
  distance,
  gaussian,
  good,
  inToCm,
  invariant,
  isIsoDay,
  mean,
  midpoint,
  mix,
  norm,
  normalCdf,
  normalCdfNear,
  normalDensity,
  normalQuantile,
  pick,
  plusDays,
  problem,
  roundTo,
  scale,
  seededRandom,
  squaredDeviations,
  studentCdf,
  studentQuantile,
  sub,
  unit,
  weekdayOf,
} from './index.ts';

describe('calendar', () => {
  test.each([
    ['2027-02-28', 1, '2027-03-01'],
    ['2028-02-28', 1, '2028-02-29'],
    ['2027-01-01', -1, '2026-12-31'],
    ['2027-03-27', 2, '2027-03-29'],
  ])('%s plus %i days is %s, over month ends, leap days and clock changes', (day, days, wanted) => {
    expect(plusDays(day, days)).toBe(wanted);
  });
  test('days between are signed whole days', () => {
    expect(daysBetween('2027-03-01', '2027-03-15')).toBe(14);
    expect(daysBetween('2027-03-15', '2027-03-01')).toBe(-14);
  });
  test('knows weekdays', () => {
    expect(weekdayOf('2027-03-01')).toBe('mon');
    expect(weekdayOf('2027-03-07')).toBe('sun');
  });
  test.each(['2027-02-30', '2027-13-01', '1 March', '2027-3-1', ''])('%s is no day', (text) => {
    expect(isIsoDay(text)).toBe(false);
  });
});

describe('distributions, against printed tables', () => {
  test('normal', () => {
    expect(normalCdf(1.96)).toBeCloseTo(0.975, 4);
    expect(normalCdf(0)).toBeCloseTo(0.5, 12);
    expect(normalQuantile(0.9)).toBeCloseTo(1.28155, 4);
    expect(normalDensity(0, 0, 1)).toBeCloseTo(0.39894, 5);
    expect(normalDensity(3, 3, 2)).toBeCloseTo(0.19947, 5);
  });
  test('the table of the normal is the normal to a billionth, at its knots, between them and beyond them', () => {
    const random = seededRandom(8);
    const far = [-40, -9, -8.999, -1 / 64, 0, 1 / 128, 3.25, 8.999, 9, 40, Number.POSITIVE_INFINITY];
    for (const z of [...far, ...Array.from({ length: 5000 }, () => 10 * (2 * random() - 1))])
      expect(Math.abs(normalCdfNear(z) - normalCdf(z))).toBeLessThan(1e-9);
  });
  test('Student', () => {
    expect(studentQuantile(0.975, 1)).toBeCloseTo(12.706, 2);
    expect(studentQuantile(0.975, 10)).toBeCloseTo(2.228, 3);
    expect(studentCdf(2.228, 10)).toBeCloseTo(0.975, 3);
  });
  test('mean and squared deviations', () => {
    expect(mean([2, 4, 9])).toBe(5);
    expect(squaredDeviations([2, 4, 9])).toBe(9 + 1 + 16);
    expect(() => mean([])).toThrow('no values');
  });
});

describe('vectors', () => {
  test('simple sums and products', () => {
    expect(add([1, 2, 3], [1, 1, 1])).toEqual([2, 3, 4]);
    expect(sub([1, 2, 3], [1, 1, 1])).toEqual([0, 1, 2]);
    expect(cross([1, 0, 0], [0, 1, 0])).toEqual([0, 0, 1]);
    expect(norm([2, 3, 6])).toBe(7);
    expect(distance([1, 1, 1], [3, 4, 7])).toBe(7);
    expect(midpoint([0, 0, 0], [2, 4, 6])).toEqual([1, 2, 3]);
    expect(mix([0, 0, 0], [10, 0, 0], 0.3)).toEqual([3, 0, 0]);
    expect(scale([1, 2, 3], 2)).toEqual([2, 4, 6]);
  });
  test('angles', () => {
    expect(angleDeg([1, 0, 0], [0, 2, 0])).toBeCloseTo(90, 10);
    expect(angleDeg([1, 0, 0], [-1, 0, 0])).toBeCloseTo(180, 10);
    expect(angleDeg([1, 1, 0], [1, 1, 0])).toBeCloseTo(0, 5);
  });
  test('the zero vector has no direction', () => {
    expect(norm(unit([3, 4, 0]))).toBeCloseTo(1, 12);
    expect(() => unit([0, 0, 0])).toThrow('no direction');
  });
  test('clamp keeps inside', () => {
    expect([clamp(-1, 0, 2), clamp(1, 0, 2), clamp(3, 0, 2)]).toEqual([0, 1, 2]);
  });
});

describe('random', () => {
  test('the same seed gives the same stream, another seed another', () => {
    const draw = (seed: number) => {
      const random = seededRandom(seed);
      return [random(), random(), random()];
    };
    expect(draw(7)).toEqual(draw(7));
    expect(draw(7)).not.toEqual(draw(8));
  });
  test('gaussian has mean 0 and sd 1', () => {
    const random = seededRandom(3);
    const draws = Array.from({ length: 20_000 }, () => gaussian(random));
    expect(Math.abs(mean(draws))).toBeLessThan(0.03);
    expect(squaredDeviations(draws) / draws.length).toBeCloseTo(1, 1);
  });
  test('between and pick stay inside', () => {
    const random = seededRandom(5);
    for (let i = 0; i < 200; i++) {
      const value = between(random, 2, 3);
      expect(value).toBeGreaterThanOrEqual(2);
      expect(value).toBeLessThan(3);
      expect(['a', 'b']).toContain(pick(random, ['a', 'b']));
    }
    expect(() => pick(random, [])).toThrow('nothing');
  });
});

describe('results and units', () => {
  test('good and bad', () => {
    expect(good(3)).toEqual({ ok: true, value: 3 });
    expect(bad([problem('x', 'a.b', { n: 1 })])).toEqual({
      ok: false,
      problems: [{ code: 'x', path: 'a.b', detail: { n: 1 } }],
    });
  });
  test('a broken invariant throws', () => {
    expect(() => invariant(false, 'two heads')).toThrow('two heads');
    expect(() => invariant(true, 'fine')).not.toThrow();
  });
  test('inches and centimetres', () => {
    expect(inToCm(10)).toBeCloseTo(25.4, 12);
    expect(cmToIn(inToCm(7.3))).toBeCloseTo(7.3, 12);
    expect(roundTo(2.345, 2)).toBeCloseTo(2.35, 12);
    expect(Object.is(roundTo(-0.001, 1), 0)).toBe(true);
  });
});
