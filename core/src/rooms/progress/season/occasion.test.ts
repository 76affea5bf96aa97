import { describe, expect, test } from '@jest/globals';
import { cellOf, dayLevel, inOrder, type Occasion } from './occasion.ts';
import { STRAY } from './seasonTable.ts';

const one = (date: string, more: Partial<Occasion> = {}): Occasion => ({
  date,
  values: [1],
  sd: 0.1,
  ...more,
});

describe('the day’s level', () => {
  test('of swings that agree is their mean, hardly wider than without strays', () => {
    const { mean, variance } = dayLevel([1, 1.1, 0.9], 0.25);
    expect(mean).toBeCloseTo(1, 6);
    expect(variance).toBeGreaterThan(0.25 / 3);
    expect(variance).toBeLessThan(1.25 * (0.25 / 3));
  });
  test('of one swing may be that of a stray, by hand', () => {
    const { mean, variance } = dayLevel([2], 0.25);
    expect(mean).toBe(2);
    expect(variance).toBeCloseTo(0.25 * (1 - STRAY.share + STRAY.share * STRAY.times ** 2), 10);
  });
  test('one swing of three that lies four steps off moves it by less than a third of a step', () => {
    const clean = dayLevel([1, 1.2, 0.9], 0.25).mean;
    const strayed = dayLevel([1, 1.2, 4.9], 0.25).mean;
    expect(Math.abs(strayed - clean)).toBeLessThan(0.33);
  });
  test('two of five that stray are left to themselves', () => {
    const { mean } = dayLevel([1, 1.1, 0.9, 5, -4], 0.25);
    expect(mean).toBeCloseTo(1, 1);
  });
  test('of two that differ neither is believed', () => {
    const { mean, variance } = dayLevel([0, 4], 0.25);
    expect(mean).toBeCloseTo(2, 10);
    expect(variance).toBeGreaterThan(1);
  });
  test('weighs every way in which one or none strayed, by hand for two swings', () => {
    // Densities of y1 - y2 under variance 2v (none), 17v (one) and what is common to each way.
    const v = 1;
    const y = 1.5;
    const normal = (x: number, variance: number) =>
      Math.exp((-x * x) / (2 * variance)) / Math.sqrt(2 * Math.PI * variance);
    const none = 0.96 ** 2 * normal(y, 2 * v);
    const either = 0.96 * 0.04 * normal(y, 17 * v);
    const { agreement, mean } = dayLevel([0, y], v);
    expect(Math.exp(agreement)).toBeCloseTo(none + 2 * either, 8);
    expect(mean).toBeCloseTo(y / 2, 10);
  });
  test('says that swings which lie apart agree less', () => {
    expect(dayLevel([1, 1.1, 0.9], 0.25).agreement).toBeGreaterThan(dayLevel([1, 3, -1], 0.25).agreement);
  });
});

describe('order and cells', () => {
  test('by date, what was before a cue first; the rest as it came', () => {
    const sorted = inOrder([
      one('2027-03-08', { cue: 'after' }),
      one('2027-03-01', { values: [1] }),
      one('2027-03-08', { cue: 'before' }),
      one('2027-03-01', { values: [2] }),
    ]);
    expect(sorted.map(({ date, cue, values }) => [date, cue ?? '', values[0]])).toEqual([
      ['2027-03-01', '', 1],
      ['2027-03-01', '', 2],
      ['2027-03-08', 'before', 1],
      ['2027-03-08', 'after', 1],
    ]);
  });
  test('another club, speed or aid is another cell; what nobody said is a full swing without the drill', () => {
    expect(cellOf(one('a'))).toBe(cellOf(one('b', { speed: 'full', aid: 'off' })));
    const cells = [{}, { club: 'driver' }, { speed: 'half' }, { aid: 'on' as const }].map((more) =>
      cellOf(one('a', more)),
    );
    expect(new Set(cells).size).toBe(4);
    expect(cellOf(one('a', { place: 'home' }))).toBe(cellOf(one('a', { place: 'range' })));
  });
});
