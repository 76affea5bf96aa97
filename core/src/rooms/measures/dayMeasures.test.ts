import { describe, expect, test } from '@jest/globals';
import { type DayReading, dayPair } from './dayMeasures.ts';
import { poolSwings } from './poolSwings.ts';

const band = { lo: -1, hi: 1, step: 1, unit: 'in' as const };
const reading = (recordedOn: string, value: number, more: Partial<DayReading> = {}): DayReading => ({
  recordedOn,
  club: 'mid_iron',
  speed: 'full',
  stale: false,
  measures: [{ id: 'shift_impact', value, sd: 0.4, station: 'impact', band }],
  ...more,
});

describe('a day of swings as one', () => {
  test('nothing of the day is nothing', () => {
    expect(dayPair([reading('2027-03-01', 2)], '2027-03-08')).toEqual({
      swings: 0,
      now: [],
      before: [],
      beforeOn: null,
    });
  });
  test('three swings are pooled as everywhere, and judged by what they are worth together', () => {
    const values = [2.2, 1.6, 2.0];
    const day = dayPair(
      values.map((value) => reading('2027-03-08', value)),
      '2027-03-08',
    );
    const [pooled] = poolSwings(values.map((value) => [{ id: 'shift_impact', value, sd: 0.4 }]));
    expect(day.swings).toBe(3);
    expect(day.now[0]).toMatchObject({ value: pooled?.value, sd: pooled?.sd, swings: 3, verdict: 'high' });
  });
  test('one swing near the edge can’t tell', () => {
    expect(dayPair([reading('2027-03-08', 1.1)], '2027-03-08').now[0]?.verdict).toBe('cant_tell');
  });
  test('the day before is the last one that was filmed alike', () => {
    const readings = [
      reading('2027-03-08', 0.5),
      reading('2027-03-07', 9, { club: 'driver' }),
      reading('2027-03-06', 9, { speed: 'half' }),
      reading('2027-03-05', 9, { stale: true }),
      reading('2027-03-01', 2),
      reading('2027-02-01', 3),
    ];
    const { beforeOn, before, now } = dayPair(readings, '2027-03-08');
    expect([beforeOn, before[0]?.value, now[0]?.value]).toEqual(['2027-03-01', 2, 0.5]);
  });
  test('clubs of one day are not mixed: those made like the newest count', () => {
    const { swings, now } = dayPair(
      [reading('2027-03-08', 0.5), reading('2027-03-08', 7, { club: 'driver' })],
      '2027-03-08',
    );
    expect([swings, now[0]?.value]).toEqual([1, 0.5]);
  });
});
