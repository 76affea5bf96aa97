import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../foundation/index.ts';
import { type FeelSide, feelRecordOf, feelSizing, feelSizingFor, wantedSide } from './feelSizing.ts';

const record = (felt: number, measured: number) => ({ measure: 'shift_top', side: null, felt, measured });

describe('how much to exaggerate', () => {
  test('nothing known says nothing, with a wide interval around “as it is”', () => {
    const { factor, ratio, lo95, hi95 } = feelSizing([]);
    expect(factor).toBeNull();
    expect(ratio).toBe(1);
    expect(lo95).toBeLessThan(0.5);
    expect(hi95).toBeGreaterThan(2);
  });
  test('one record is not enough to tell a student to overdo it', () => {
    expect(feelSizing([record(4, 2)]).factor).toBeNull();
  });
  test('three that agree are; by hand', () => {
    const sizing = feelSizing([record(4, 2), record(2, 1), record(6, 3)]);
    // precision 1/ln(1.6)^2 + 3/0.35^2 = 4.527 + 24.490; mean = 24.490 ln 2 / 29.017
    expect(Math.log(sizing.ratio)).toBeCloseTo(0.585, 3);
    expect(sizing.factor).toBe(2);
  });
  test('a student who feels less than is real is never told to overdo', () => {
    expect(feelSizing(Array.from({ length: 10 }, () => record(1, 2))).factor).toBeNull();
  });
  test('records that contradict each other leave it open', () => {
    expect(feelSizing([record(4, 2), record(2, 4), record(3, 3)]).factor).toBeNull();
  });
  test('what was learnt of one measure is used for that one alone', () => {
    const records = [record(4, 2), record(2, 1), record(6, 3)];
    expect(feelSizingFor(records, ['shift_top', 'turn_top'], null).factor).toBe(2);
    expect(feelSizingFor(records, ['lead_knee_in_top'], null)).toMatchObject({ factor: null, records: 0 });
  });
  test('what was learnt one way is not used the other way; of an older note nobody knows', () => {
    const went = (side: FeelSide | null) => [4, 2, 6].map((felt) => ({ ...record(felt, felt / 2), side }));
    expect(wantedSide('shift_top', 'sway')).toBe('more');
    expect(wantedSide('shift_top', 'no_load')).toBe('less');
    expect(wantedSide('head_shift_top', 'head_drift')).toBeNull();
    expect(wantedSide('shift_top', null)).toBeNull();
    expect(feelSizingFor(went('more'), ['shift_top'], 'sway').factor).toBe(2);
    expect(feelSizingFor(went('more'), ['shift_top'], 'no_load').records).toBe(0);
    expect(feelSizingFor(went(null), ['shift_top'], 'no_load').factor).toBe(2);
  });
  test('amounts of zero count for nothing', () => {
    expect(feelSizing([record(0, 2), record(2, 0)]).records).toBe(0);
  });
});

test('over many students whose feel is true, few are told to exaggerate', () => {
  const random = seededRandom(11);
  let told = 0;
  for (let student = 0; student < 400; student += 1) {
    const records = Array.from({ length: 4 }, () => record(Math.exp(0.35 * gaussian(random)), 1));
    if (feelSizing(records).factor !== null) told += 1;
  }
  // Two-sided 95 % interval: 2.5 % at most on this side, less for the shrinkage.
  expect(told / 400).toBeLessThan(0.03);
});

describe('an answer beside what was measured', () => {
  test.each<[number, number, object | null]>([
    [3, 0.4, { measured: 3, side: 'more' }],
    [-3, 0.4, { measured: 3, side: 'more' }],
    // May as well be nothing: 0.7 within 1.96 x 0.4.
    [0.7, 0.4, null],
    [0.79, 0.4, { measured: 0.79 }],
  ])('%d ± %d', (value, sd, kept) => {
    const record = feelRecordOf({ measure: 'shift_top', felt: 2 }, { value, sd }, 'sway');
    if (kept === null) expect(record).toBeNull();
    else expect(record).toMatchObject({ measure: 'shift_top', felt: 2, ...kept });
  });
  test('takes the side that the fault is treated by', () => {
    const of = (fault: string | null) =>
      feelRecordOf({ measure: 'shift_top', felt: 2 }, { value: 3, sd: 0.1 }, fault)?.side;
    expect([of('sway'), of('no_load'), of(null)]).toEqual(['more', 'less', 'more']);
  });
});
