import { describe, expect, test } from '@jest/globals';
import { guessOffset, pressureAtStations, readPressure } from './pressure.ts';

const rows = (lead: (t: number) => number | string, header = ['time_s', 'lead_pct']) => [
  header,
  ...Array.from({ length: 21 }, (_, i) => [String(i / 10), String(lead(i / 10))]),
];
const read = (table: string[][]) => {
  const result = readPressure(table);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const codes = (table: string[][]) => {
  const result = readPressure(table);
  return result.ok ? [] : result.problems.map((p) => `${p.code} ${p.path}`);
};
// Still at 50, then a straight climb to 90 between 1.0 and 1.4 s.
const climb = (t: number) => 50 + 40 * Math.min(1, Math.max(0, (t - 1) / 0.4));

describe('a pressure file', () => {
  test('percent, shares of one and a trail share mean the same', () => {
    const percent = read(rows(climb));
    const shares = read(rows((t) => climb(t) / 100));
    const trail = read(rows((t) => 100 - climb(t), ['Time (s)', 'Trail %']));
    for (const other of [shares, trail])
      other.leadPct.forEach((pct, i) => {
        expect(pct).toBeCloseTo(percent.leadPct[i] as number, 9);
      });
  });
  test('milliseconds are read as such', () => {
    const trace = read([
      ['time_ms', 'lead'],
      ...rows(climb)
        .slice(1)
        .map(([t, p]) => [String(1000 * Number(t)), String(p)]),
    ]);
    expect(trace.times.at(-1)).toBe(2);
  });
  test('what is wrong is named', () => {
    expect(codes(rows(climb, ['time_s', 'weight']))).toEqual(['pressure_no_columns header']);
    expect(codes(rows(climb).slice(0, 6))).toEqual(['pressure_too_short rows']);
    expect(codes(rows((t) => (t === 0.5 ? 130 : climb(t))))).toEqual(['pressure_bad_row rows[6]']);
    expect(codes(rows((t) => (t === 0.2 ? 'x' : climb(t))))).toEqual(['pressure_bad_row rows[3]']);
  });
});

describe('pressure at the stations', () => {
  const trace = read(rows(climb));
  test('between two rows, on a shifted clock, and nothing outside the file', () => {
    expect(pressureAtStations(trace, { address: 0.3, top: 1.5, impact: 1.65, finish: 9 }, 0.4)).toEqual({
      top: expect.closeTo(60, 6),
      impact: expect.closeTo(75, 6),
    });
  });
  test('the first guess lays the climb on the top', () => {
    expect(guessOffset(trace, { top: 2, impact: 2.3 })).toBeCloseTo(2 - 1.2, 0);
    expect(guessOffset(trace, { impact: 2 })).toBe(0);
  });
});
