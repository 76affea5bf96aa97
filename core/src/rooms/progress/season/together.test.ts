import { describe, expect, test } from '@jest/globals';
import { gaussian, plusDays, type Random, seededRandom } from '../../../foundation/index.ts';
import { beliefAt, changeCdf } from './belief.ts';
import { evidenceOf } from './evidence.ts';
import { scaleOf, scoresOf, verdictOf } from './judgeSeason.ts';
import type { Occasion } from './occasion.ts';
import { HOUSE_SPREADS } from './seasonTable.ts';
import { besideOthers, rowsBeside, saidByDay } from './together.ts';

const { step, shared } = scaleOf('shift_top');

/** Weekly sessions of three swings; days stray by so many steps about the levels. */
const season = (levels: readonly number[], daySteps: number, random: Random): Occasion[] =>
  levels.map((level, i) => {
    const day = level + daySteps * gaussian(random);
    return {
      date: plusDays('2027-03-01', 7 * i),
      values: [0, 1, 2].map(() => step * (day + 0.5 * gaussian(random))),
      sd: 0.15 * step,
    };
  });
const stands = (n: number) => Array.from({ length: n }, () => 0);
const evidence = (levels: readonly number[], daySteps: number, seed: number) =>
  evidenceOf(season(levels, daySteps, seededRandom(seed)), step, shared);

describe('rows of spreads beside other measures', () => {
  test('by hand: four of five take the others’ word, the fifth keeps the table', () => {
    // Likely: 0.5 x 1 and 0.5 x 1/4, which is 0.8 and 0.2; then 0.8 of that and 0.2 of a half.
    const [first, second] = rowsBeside([0.5, 0.5], [0, Math.log(0.25)]) as [number, number];
    expect(first).toBeCloseTo(0.8 * 0.8 + 0.2 * 0.5, 12);
    expect(second).toBeCloseTo(0.8 * 0.2 + 0.2 * 0.5, 12);
  });
  test('others who say nothing, or nothing new, leave the table', () => {
    expect(rowsBeside(HOUSE_SPREADS, null)).toBe(HOUSE_SPREADS);
    rowsBeside(HOUSE_SPREADS, [-3, -3, -3, -3, -3]).forEach((share, row) => {
      expect(share).toBeCloseTo(HOUSE_SPREADS[row] as number, 12);
    });
  });
  test('however sure the others are, a measure may have its own way', () => {
    const rows = rowsBeside(HOUSE_SPREADS, [0, -400, -400, -400, -400]);
    expect(rows.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
    for (const [row, share] of rows.entries())
      expect(share).toBeGreaterThanOrEqual(0.2 * (HOUSE_SPREADS[row] as number) - 1e-12);
  });
  test('a row that is never met stays so, also where the others speak for it alone', () => {
    expect(rowsBeside([0, 1], [0, -500])).toEqual([0, 1]);
  });
});

describe('several measures of one player', () => {
  test('what others say later changes nothing that was told before', () => {
    const own = evidence([0, 0, 1, 1, 1, 1], 0.33, 1);
    const longer = evidence(stands(6), 1, 2);
    const until = { ...longer, occasions: longer.occasions.slice(0, 4) };
    const [now, then] = [longer, until].map((other) => besideOthers(own, [saidByDay(other)]).others);
    expect(now?.slice(0, 4)).toEqual(then?.slice(0, 4));
    expect(now?.[5]).not.toEqual(then?.[5]);
  });
  test('nobody has spoken before three days are known', () => {
    const own = evidence(stands(5), 0.33, 3);
    const { others } = besideOthers(own, [saidByDay(evidence(stands(5), 0.33, 4))]);
    expect(others?.slice(0, 2)).toEqual([null, null]);
    expect(others?.[2]).not.toBeNull();
    expect(besideOthers(own, []).others?.every((one) => one === null)).toBe(true);
  });
  test('the same change is surer beside calm measures than beside wild ones', () => {
    const own = evidence([0, 0, 2, 2, 2, 2], 0.2, 5);
    const changed = (daySteps: number) => {
      const others = [6, 7, 8].map((seed) => saidByDay(evidence(stands(6), daySteps, seed)));
      const belief = beliefAt(besideOthers(own, others), 5);
      return belief.movedShare * (1 - changeCdf(belief.moved, 0));
    };
    expect(changed(0.1)).toBeGreaterThan(changed(1) + 0.05);
  });
  test('nothing is real that is wrong more than 5 times in 100 by its own belief, however high it scores', () => {
    const random = seededRandom(9);
    let real = 0;
    for (let i = 0; i < 25; i++) {
      const own = evidenceOf(season([0, 0, 2, 2, 2, 2, 2, 2], 0.3, random), step, shared);
      const others = [0, 1, 2].map(() => saidByDay(evidenceOf(season(stands(8), 0.3, random), step, shared)));
      const beside = besideOthers(own, others);
      const scores = scoresOf(beside);
      for (let look = 3; look < 8; look++) {
        const said = verdictOf(beside, beliefAt(beside, look), look, 4);
        if (said.verdict === 'real') real++;
        if (said.changed < 0.95) expect(scores[look]).toBe(Number.NEGATIVE_INFINITY);
      }
    }
    expect(real).toBeGreaterThan(20);
  });
});
