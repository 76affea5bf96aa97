import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Z95 } from '../../foundation/index.ts';
import { shotSigns } from './shotSigns.ts';
import { type ColumnMatch, guessColumns, readNumber, readShots } from './shots.ts';

const table = [
  ['#', 'Club Speed (km/h)', 'Ball Speed', 'Launch Direction', 'Carry', 'LowPoint', 'Face To Path'],
  ['1', '135', '51', '2.5 R', '144', '-30', '1'],
  ['2', '137', '52', '1.5 L', '146', '10', '2'],
];
const match = (over: Partial<ColumnMatch> = {}): ColumnMatch => ({
  field: 'carryYd',
  column: 'Carry',
  unit: 'm',
  flipped: false,
  ...over,
});
const codes = (result: ReturnType<typeof readShots>) =>
  result.ok ? [] : result.problems.map((p) => `${p.code} ${p.path}`);

describe('columns are guessed', () => {
  const guessed = Object.fromEntries(guessColumns(table).map((g) => [g.field, g]));
  test('by header words', () => {
    expect(Object.fromEntries(Object.entries(guessed).map(([field, g]) => [field, g.column]))).toEqual({
      clubSpeedMph: 'Club Speed (km/h)',
      ballSpeedMph: 'Ball Speed',
      startLineDeg: 'Launch Direction',
      carryYd: 'Carry',
      lowPointIn: 'LowPoint',
    });
  });
  test('units by the header, else by the size of the numbers, and it says which', () => {
    expect([guessed.clubSpeedMph?.unit, guessed.clubSpeedMph?.unitTold]).toEqual(['km/h', true]);
    // 51 and 52 could be a child's miles an hour; low points of -30 can only be millimetres.
    expect([guessed.ballSpeedMph?.unit, guessed.ballSpeedMph?.unitTold]).toEqual(['mph', false]);
    expect([guessed.lowPointIn?.unit, guessed.lowPointIn?.unitTold]).toEqual(['mm', false]);
  });
  test('a face-to-path column is neither face nor path', () => {
    expect(guessed.faceDeg).toBeUndefined();
    expect(guessed.pathDeg).toBeUndefined();
  });
});

test.each([
  ['3.2', 3.2],
  ['3,2', 3.2],
  ['-3.2°', -3.2],
  ['3.2 R', 3.2],
  ['2.1L', -2.1],
  ['L 2.1', -2.1],
  ['1.2 in behind', -1.2],
  ['0.4 toe', 0.4],
  ['', null],
  ['n/a', null],
  ['pull', null],
])('%s is read as %s', (cell, value) => {
  expect(readNumber(cell)).toBe(value);
});

describe('shots', () => {
  test('are read in the program’s units: 144 m is 157.5 yd', () => {
    const shots = readShots(table, [match()], 'right');
    expect(shots.ok && shots.value.map((s) => s.carryYd?.toFixed(1))).toEqual(['157.5', '159.7']);
  });
  test('a left-hander’s right is toward the golfer; a flipped column turns signs', () => {
    const start = match({ field: 'startLineDeg', column: 'Launch Direction', unit: 'deg' });
    const values = (hand: 'left' | 'right', flipped = false) => {
      const shots = readShots(table, [{ ...start, flipped }], hand);
      return shots.ok && shots.value.map((s) => s.startLineDeg);
    };
    expect(values('right')).toEqual([2.5, -1.5]);
    expect(values('left')).toEqual([-2.5, 1.5]);
    expect(values('right', true)).toEqual([-2.5, 1.5]);
  });
  test('a gap is a gap', () => {
    const gaps = [table[0] as string[], ['1', '', '-', '', '150', 'N/A', ''], ['', '', '', '', '', '', '']];
    const low = match({ field: 'lowPointIn', column: 'LowPoint', unit: 'mm' });
    const shots = readShots(gaps, [match(), low], 'right');
    expect(shots.ok && shots.value.map((shot) => Object.keys(shot))).toEqual([['carryYd']]);
  });
  test('what can’t be is named by row and column', () => {
    const bad = [table[0] as string[], ['1', '', '', '', 'far', '', ''], ['2', '', '', '', '9000', '', '']];
    expect(codes(readShots(bad, [match()], 'right'))).toEqual([
      'shots_not_a_number rows[1].Carry',
      'shots_out_of_range rows[2].Carry',
    ]);
    expect(codes(readShots(table, [match({ column: 'Roll' })], 'right'))).toEqual([
      'shots_no_column matches[0].column',
    ]);
    expect(codes(readShots(table, [match(), match()], 'right'))).toEqual(['named_twice matches[1].field']);
    expect(codes(readShots([table[0] as string[]], [match()], 'right'))).toEqual(['shots_no_rows rows']);
    expect(codes(readShots(table, [], 'right'))).toEqual(['shots_no_match matches']);
  });
});

describe('signs of the ball', () => {
  const lows = (values: number[]) => values.map((lowPointIn) => ({ lowPointIn }));
  const seen = (values: number[]) => shotSigns(lows(values))[0]?.seen;
  test('low points behind, ahead, and too close to call', () => {
    expect(seen([-1, -1.5, -0.8, -1.2, -1.1])).toBe('present');
    expect(seen([1, 1.5, 0.8, 1.2, 1.1])).toBe('absent');
    expect(seen([1, -1.2, 0.5, -0.6, 0.3])).toBe('not_looked');
  });
  test('four shots are too few to speak', () => {
    expect(shotSigns(lows([-1, -1, -1, -1.1]))).toEqual([]);
  });
  test('the interval of the mean, by hand: sd 1 of five is Z95/√5', () => {
    const values = [-1, -1, 0, 1, 1].map((v) => v * 1);
    expect(shotSigns(lows(values))[0]?.within).toBeCloseTo((Z95 * 1) / Math.sqrt(5), 6);
  });
  test('no shots show a slice and a hook, or a push and a pull, at once', () => {
    const value = fc.double({ min: -20, max: 20, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.record({ curveDeg: value, startLineDeg: value }), { minLength: 5 }),
        (shots) => {
          const present = shotSigns(shots).filter((s) => s.seen === 'present');
          return new Set(present.map((s) => s.field)).size === present.length;
        },
      ),
      { seed: 4 },
    );
  });
});
