import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Band, bandFor, resolveSchool } from '../intake/index.ts';
import { judge, SURE, severityOf, strengthOf } from './verdict.ts';

const context = {
  heightIn: 70,
  flexibility: 'usual',
  armSwing: 'usual',
  club: 'mid_iron',
  school: resolveSchool(),
} as const;
const band: Band = { ...bandFor('shift_top', context), lo: -1, hi: 1, step: 0.5 };

describe('an interval many steps wide', () => {
  const band = { lo: 0, hi: 2, step: 1 };
  test('says nothing of a fault, however far out its middle lies', () => {
    expect(judge(12, 4, band).verdict).toBe('cant_tell');
    expect(judge(12, 1.9, band).verdict).toBe('high');
    expect(judge(-9, 1.9, band).verdict).toBe('low');
  });
  test('may still lie inside an open band', () => {
    expect(judge(-9, 3, { lo: null, hi: 2, step: 1 }).verdict).toBe('in');
  });
});

describe('judge', () => {
  test('inside by many sds is in; outside by many is low or high', () => {
    expect(judge(0, 0.1, band).verdict).toBe('in');
    expect(judge(-2, 0.1, band).verdict).toBe('low');
    expect(judge(2, 0.1, band).verdict).toBe('high');
  });
  test('on the edge nothing can be told', () => {
    expect(judge(1, 0.4, band).verdict).toBe('cant_tell');
  });
  test('1.2816 sds past the edge is where nine in ten lies beyond', () => {
    expect(judge(1 + 1.29 * 0.2, 0.2, band).verdict).toBe('high');
    expect(judge(1 + 1.27 * 0.2, 0.2, band).verdict).toBe('cant_tell');
    expect(SURE).toBe(0.9);
  });
  test('a huge sd never convinces', () => {
    for (const value of [-30, 0, 30]) expect(judge(value, 500, band).verdict).toBe('cant_tell');
  });
  test('an exact value is judged by where it stands', () => {
    expect(judge(1.0001, 0, band).verdict).toBe('high');
    expect(judge(1, 0, band).verdict).toBe('in');
  });
  test('an open side never says beyond', () => {
    const open: Band = { ...band, lo: null };
    expect(judge(-50, 0.1, open).verdict).toBe('in');
  });
  test('probabilities lie between 0 and 1, and mirrored bands give mirrored verdicts', () => {
    const flip = { in: 'in', low: 'high', high: 'low', cant_tell: 'cant_tell' } as const;
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.double({ min: 0.01, max: 3, noNaN: true }),
        (value, sd) => {
          const judged = judge(value, sd, band);
          expect(judged.inBand).toBeGreaterThanOrEqual(0);
          expect(judged.inBand).toBeLessThanOrEqual(1);
          expect(judge(-value, sd, band).verdict).toBe(flip[judged.verdict]);
        },
      ),
      { seed: 11 },
    );
  });
});

test('severity counts steps beyond the nearer edge, with its side', () => {
  expect(severityOf(0.9, band)).toBe(0);
  expect(severityOf(2, band)).toBeCloseTo(2, 12);
  expect(severityOf(-1.25, band)).toBeCloseTo(-0.5, 12);
});

test.each([
  [0.5, 'slight'],
  [-1.5, 'clear'],
  [2, 'clear'],
  [2.01, 'strong'],
])('%f steps are %s', (steps, word) => {
  expect(strengthOf(steps)).toBe(word);
});
