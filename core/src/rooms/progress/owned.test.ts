import { describe, expect, test } from '@jest/globals';
import { bandFor } from '../intake/index.ts';
import type { ReadingRecord } from '../measures/index.ts';
import { HOUSE_LIBRARY } from '../prescription/index.ts';
import { ownedOf } from './owned.ts';
import { BODY, DRILL, FAULT, filmed, TELLING } from './sampleRecord.ts';
import type { SeriesFile } from './studentRecord.ts';

/** Well inside its band, well outside, or on its edge. */
function valueWhere(id: string, where: 'in' | 'out' | 'edge'): number {
  const { lo, hi, step } = bandFor(id, BODY);
  const inside = lo === null ? (hi as number) - 4 * step : hi === null ? lo + 4 * step : (lo + hi) / 2;
  // More probably in than out, and not by much.
  const edge = hi === null ? (lo as number) + 0.02 * step : hi - 0.02 * step;
  return where === 'in'
    ? inside
    : where === 'edge'
      ? edge
      : hi === null
        ? (lo as number) - 5 * step
        : hi + 5 * step;
}

/** Three swings of a day; 0.02 steps of measuring error. */
const dayOf = (
  recordedOn: string,
  where: 'in' | 'out' | 'edge',
  more: Partial<ReadingRecord> = {},
  ids: readonly string[] = TELLING,
): ReadingRecord[] =>
  filmed(recordedOn, 0, {
    measures: ids.map((id) => {
      const band = bandFor(id, BODY);
      return { id, value: valueWhere(id, where), sd: 0.02 * band.step, verdict: 'in' as const, band };
    }),
    ...more,
  });
const file = (...days: ReadingRecord[][]): SeriesFile => ({
  measures: { readings: days.flat() },
  prescription: {
    choices: [
      {
        drills: [DRILL],
        forFault: FAULT,
        at: '2027-02-01T09:00:00Z',
        day: '2027-02-01',
        endedAt: null,
        endedDay: null,
        reached: {},
      },
    ],
  },
});
const [FIRST, BETWEEN, LAST] = ['2027-03-01', '2027-03-05', '2027-03-08'];

describe('owned', () => {
  test.each<[string, SeriesFile, boolean]>([
    ['in band a week apart', file(dayOf(FIRST, 'in'), dayOf(LAST, 'in')), true],
    ['one day alone', file(dayOf(LAST, 'in')), false],
    ['six days apart', file(dayOf('2027-03-02', 'in'), dayOf(LAST, 'in')), false],
    ['the last day is out', file(dayOf(FIRST, 'in'), dayOf(LAST, 'in'), dayOf('2027-03-20', 'out')), false],
    [
      'the last day can’t tell',
      file(dayOf(FIRST, 'in'), dayOf(LAST, 'in'), dayOf('2027-03-20', 'edge')),
      false,
    ],
    [
      'a day between says otherwise',
      file(dayOf(FIRST, 'in'), dayOf(BETWEEN, 'out'), dayOf(LAST, 'in')),
      false,
    ],
    ['a day between can’t tell', file(dayOf(FIRST, 'in'), dayOf(BETWEEN, 'edge'), dayOf(LAST, 'in')), true],
    [
      'lost and won again',
      file(dayOf('2027-02-01', 'in'), dayOf('2027-02-20', 'out'), dayOf(FIRST, 'in'), dayOf(LAST, 'in')),
      true,
    ],
    ['with the drill’s aid', file(dayOf(FIRST, 'in', { aid: 'on' }), dayOf(LAST, 'in')), false],
    ['after a cue', file(dayOf(FIRST, 'in'), dayOf(LAST, 'in', { cue: 'after' })), false],
    ['nobody said whether before a cue', file(dayOf(FIRST, 'in', { cue: null }), dayOf(LAST, 'in')), false],
    ['at half speed', file(dayOf(FIRST, 'in', { speed: 'half' }), dayOf(LAST, 'in')), false],
    [
      'a telling measure is missing on one day',
      file(dayOf(FIRST, 'in'), dayOf(LAST, 'in', {}, TELLING.slice(1))),
      TELLING.length === 1,
    ],
    ['nothing filmed', file(), false],
  ])('%s', (_, one, owned) => {
    expect(ownedOf(one, HOUSE_LIBRARY).owned).toBe(owned);
  });

  test('one measure that was never out is not enough', () => {
    expect(TELLING.length).toBeGreaterThan(1);
    const mixed = (date: string) =>
      dayOf(date, 'in').map((reading) => ({
        ...reading,
        measures: reading.measures.map((m, i) => (i === 0 ? m : { ...m, value: valueWhere(m.id, 'out') })),
      }));
    expect(ownedOf(file(mixed(FIRST), mixed(LAST)), HOUSE_LIBRARY)).toMatchObject({
      owned: false,
      occasions: [{ says: 'out' }, { says: 'out' }],
    });
  });
  test('a measure this student’s films never show is not asked for', () => {
    const seen = TELLING.slice(0, 1);
    expect(
      ownedOf(file(dayOf(FIRST, 'in', {}, seen), dayOf(LAST, 'in', {}, seen)), HOUSE_LIBRARY).owned,
    ).toBe(true);
  });
  test('nothing in use, nothing owned', () => {
    const days = { readings: [...dayOf(FIRST, 'in'), ...dayOf(LAST, 'in')] };
    expect(ownedOf({ measures: days, prescription: { choices: [] } }, HOUSE_LIBRARY).owned).toBe(false);
  });
});
