import { describe, expect, test } from '@jest/globals';
import { gaussian, plusDays, type Random, seededRandom } from '../../../foundation/index.ts';
import { beliefAt } from './belief.ts';
import { cellEvidence, scaleOf } from './judgeSeason.ts';
import { cellOf, type Occasion } from './occasion.ts';
import { HOUSE_SPREADS, SPREAD_ROWS } from './seasonTable.ts';
import { coachSpreads, spreadLogs } from './spreads.ts';

const MEASURE = 'shift_top';
const { step } = scaleOf(MEASURE);

/** Eight weekly sessions of three swings, whose days stray by so many steps about a level that stands. */
function season(daySteps: number, random: Random, sessions = 8): Occasion[] {
  return Array.from({ length: sessions }, (_, i) => {
    const day = daySteps * gaussian(random);
    return {
      date: plusDays('2027-03-01', 7 * i),
      values: [0, 1, 2].map(() => step * (day + 0.5 * gaussian(random))),
      sd: 0.1 * step,
    };
  });
}
const evidenceOf = (occasions: readonly Occasion[], usual?: readonly number[]) =>
  cellEvidence(scaleOf(MEASURE, step, usual), occasions, cellOf(occasions[0] as Occasion));
const logsOf = (daySteps: number, n: number, seed: number) => {
  const random = seededRandom(seed);
  return Array.from({ length: n }, () => spreadLogs(evidenceOf(season(daySteps, random))) as number[]);
};
const meanDay = (weights: readonly number[]): number =>
  weights.reduce((sum, share, row) => sum + share * (SPREAD_ROWS[row]?.daySteps ?? 0), 0);

describe('what a season says of how days stray', () => {
  test('two days say nothing', () => {
    expect(spreadLogs(evidenceOf(season(1, seededRandom(1), 2)))).toBeNull();
  });
  test('the best row is at nought, and the rows order as the days do', () => {
    const calm = logsOf(0, 30, 2);
    const wild = logsOf(1, 30, 3);
    for (const logs of [...calm, ...wild]) expect(Math.max(...logs)).toBe(0);
    const sum = (all: readonly number[][], row: number) =>
      all.reduce((s, logs) => s + (logs[row] as number), 0);
    const last = SPREAD_ROWS.length - 1;
    expect(sum(calm, 0)).toBeGreaterThan(sum(calm, last) + 20);
    expect(sum(wild, last)).toBeGreaterThan(sum(wild, 0) + 20);
  });
});

describe('a coach’s students', () => {
  test('below five of them the house’s table is all there is', () => {
    expect(coachSpreads(logsOf(1, 4, 4))).toBe(HOUSE_SPREADS);
    expect(coachSpreads([])).toBe(HOUSE_SPREADS);
  });
  test('who say nothing leave it as it was', () => {
    const flat = Array.from({ length: 50 }, () => SPREAD_ROWS.map(() => 0));
    coachSpreads(flat).forEach((share, row) => {
      expect(share).toBeCloseTo(HOUSE_SPREADS[row] as number, 9);
    });
  });
  test('by hand: five who are certainly of one row stand beside the house’s five', () => {
    const sure = Array.from({ length: 5 }, () => SPREAD_ROWS.map((_, row) => (row === 3 ? 0 : -50)));
    coachSpreads(sure).forEach((share, row) => {
      expect(share).toBeCloseTo(0.5 * (HOUSE_SPREADS[row] as number) + (row === 3 ? 0.5 : 0), 9);
    });
  });
  test('forty calm ones and forty wild ones are told apart, and each adds to one', () => {
    const calm = coachSpreads(logsOf(0, 40, 5));
    const wild = coachSpreads(logsOf(1, 40, 6));
    for (const weights of [calm, wild]) expect(weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    expect(meanDay(calm)).toBeLessThan(0.25);
    expect(meanDay(wild)).toBeGreaterThan(0.75);
  });
  test('the same season is believed less where students wander more', () => {
    const occasions = season(0, seededRandom(7)).map((one, i) => ({
      ...one,
      values: one.values.map((value) => value + (i < 3 ? 0 : step)),
    }));
    const moved = (usual?: readonly number[]) => beliefAt(evidenceOf(occasions, usual), 7).movedShare;
    const wild = coachSpreads(logsOf(1, 40, 8));
    expect(moved(wild)).toBeLessThan(moved());
    expect(moved(coachSpreads(logsOf(0, 40, 9)))).toBeGreaterThan(moved(wild));
  });
});
