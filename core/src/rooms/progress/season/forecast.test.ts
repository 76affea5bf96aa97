import { describe, expect, test } from '@jest/globals';
import { plusDays } from '../../../foundation/index.ts';
import type { Belief, Weighed } from './belief.ts';
import { evidenceOf } from './evidence.ts';
import { forecastOf } from './forecast.ts';
import { practicePerDay } from './judgeSeason.ts';
import { allOf, edgesOf, inBandOf, levelOf } from './levelBelief.ts';
import { seasonAnswer } from './seasonAnswer.ts';
import { AT, type Known, STILL, shelfOf, type Track } from './track.ts';

const TODAY = '2027-04-01';
/** A level and its slope after one look. */
const going = (level: number, slope: number, more: Partial<Known> = {}, lasts = 0.98): Weighed => {
  const motion = { ...STILL, slopeVariance: 0.1, lasts };
  const track = shelfOf([motion], 1)[0] as Track;
  for (const [key, value] of Object.entries({ level, slope, ...more }))
    track.numbers[AT[key as keyof Known]] = value;
  const move = lasts > 0.9 ? 'steady' : 'tiring';
  const way = { spread: 0, kind: 'trend', move, logShare: 0, seen: [], track, agreed: [0], motion } as const;
  return { way, look: 0, weight: 1, change: 0, changeSd: 0 };
};
const belief = (moved: Weighed[], movedShare = 1): Belief => ({
  moved,
  still: [],
  movedShare,
  scepticLog: () => 0,
});
const EDGES = { lo: -1, hi: 1 };

describe('when it is in band', () => {
  test('a gain that is known to the last digit has one date, by hand', () => {
    // -3 + 0.5 (1 - 0.98^u) / 0.02 = -1: u = ln 0.92 / ln 0.98 = 4.127 weeks, 28.9 days.
    const { inBand, owned } = forecastOf(belief([going(-3, 0.5)]), EDGES, TODAY, 1 / 7);
    const day = plusDays(TODAY, 29);
    expect(inBand).toEqual({ likely: day, lo80: day, hi80: day });
    expect(owned?.likely).toBe(plusDays(TODAY, 36));
  });
  test('with twice the practice in half the time', () => {
    const { inBand } = forecastOf(belief([going(-3, 0.5)]), EDGES, TODAY, 2 / 7);
    expect(inBand?.likely).toBe(plusDays(TODAY, 14));
  });
  test('the less is known of the gain, the wider the interval', () => {
    const width = (slopeVariance: number) => {
      const { inBand } = forecastOf(belief([going(-3, 0.5, { slopeVariance })]), EDGES, TODAY, 1 / 7);
      return new Date(String(inBand?.hi80)).getTime() - new Date(String(inBand?.lo80)).getTime();
    };
    expect(width(0.01)).toBeGreaterThan(width(0.001));
  });
  test.each<[string, Belief, number]>([
    ['a gain the other way', belief([going(-3, -0.5)]), 1 / 7],
    ['one that tires before it gets there', belief([going(-3, 0.3, {}, 0.8)]), 1 / 7],
    ['one that would take years', belief([going(-3, 0.021)]), 1 / 7],
    ['a level of which nobody knows that it moved', belief([going(-3, 0.5)], 0.2), 1 / 7],
    ['no practice at all', belief([going(-3, 0.5)]), 0],
    ['nothing known', belief([], 0), 1 / 7],
    [
      'a level that only jumped',
      belief([{ ...going(-3, 0), way: { ...going(-3, 0).way, kind: 'jump' } }]),
      1 / 7,
    ],
  ])('%s has no date', (_, of, perDay) => {
    expect(forecastOf(of, EDGES, TODAY, perDay)).toEqual({ inBand: null, owned: null });
  });
  test('the same belief has the same dates', () => {
    const of = belief([going(-3, 0.5, { slopeVariance: 0.02, levelVariance: 0.2, covariance: -0.01 })]);
    expect(forecastOf(of, EDGES, TODAY, 1 / 7)).toEqual(forecastOf(of, EDGES, TODAY, 1 / 7));
  });
});

describe('in band', () => {
  test('is the share of what is believed that lies inside, by hand', () => {
    const half = { ...going(-1, 0, { levelVariance: 1 }), weight: 0.5 };
    const out = { ...going(9, 0, { levelVariance: 1 }), weight: 0.5 };
    // Of the first, what lies between -1 and 1 about -1: 0.4772.
    expect(inBandOf([half, out], EDGES)).toBeCloseTo(0.2386, 3);
    expect(levelOf([half, out])).toEqual({ mean: 4, sd: Math.sqrt(26) });
  });
  test('edges go in steps; an open one stays open', () => {
    expect(edgesOf({ lo: -2, hi: null, step: 0.5 })).toEqual({ lo: -4, hi: null });
  });
  test('what moved and what stood share the belief', () => {
    const all = allOf({ ...belief([going(0, 0)], 0.25), still: [going(2, 0)] });
    expect(all.map(({ weight }) => weight)).toEqual([0.25, 0.75]);
  });
});

describe('a season in one answer', () => {
  const week = (i: number, at: number, more: object = {}) => ({
    date: plusDays('2027-03-01', 7 * i),
    values: [at - 0.1, at, at + 0.1],
    sd: 0.2,
    ...more,
  });
  const BAND = { lo: -0.7, hi: 0.8, step: 0.8 };
  const days = (more: object = {}) =>
    [-3.7, -3.4, -3.1, -2.8, -2.5, -2.2, -1.9].map((at, i) => week(i, at, more));
  test('has a look for every session, and dates where the gain goes on', () => {
    const { looks, forecast } = seasonAnswer('shift_top', BAND, days(), 1);
    expect(looks).toHaveLength(7);
    expect(forecast.inBand && forecast.inBand.lo80 <= forecast.inBand.likely).toBe(true);
    expect(forecast.owned && forecast.inBand && forecast.owned.likely > forecast.inBand.likely).toBe(true);
  });
  test('nothing with the drill, or at half speed, will be owned', () => {
    for (const more of [{ aid: 'on' }, { speed: 'half' }]) {
      const { forecast } = seasonAnswer('shift_top', BAND, days(more), 1);
      expect(forecast.inBand).not.toBeNull();
      expect(forecast.owned).toBeNull();
    }
  });
  test('one day, or none, has no date', () => {
    for (const some of [[], [week(0, -3)]])
      expect(seasonAnswer('shift_top', BAND, some, 1).forecast).toEqual({ inBand: null, owned: null });
  });
  test('practice counts as it was counted, else a week is a week', () => {
    const reps = [0, 1, 2].map((i) => week(i, -3, { reps: 350 }));
    expect(practicePerDay(evidenceOf(reps, 0.8, 0.3))).toBeCloseTo(7 / 14, 10);
    expect(practicePerDay(evidenceOf(days(), 0.8, 0.3))).toBeCloseTo(1 / 7, 10);
  });
});
