import { describe, expect, test } from '@jest/globals';
import { gaussian, plusDays, seededRandom } from '../../../foundation/index.ts';
import { BAR_ROWS, barFor } from './barTable.ts';
import { beliefAt } from './belief.ts';
import { evidenceOf } from './evidence.ts';
import { judgeSeason, scaleOf } from './judgeSeason.ts';
import { levelLine } from './levelLine.ts';
import type { Occasion } from './occasion.ts';

const SCALE = scaleOf('shift_top');
const week = (i: number, values: readonly number[], more: Partial<Occasion> = {}): Occasion => ({
  date: plusDays('2027-03-01', 7 * i),
  values,
  sd: 0.2,
  ...more,
});
const three = (at: number) => [at - 0.15, at, at + 0.15];
const verdicts = (occasions: readonly Occasion[], family = 1) =>
  judgeSeason(SCALE, occasions, family).map(({ verdict }) => verdict);

describe('a verdict after each session', () => {
  test('the first one has nothing to be compared with', () => {
    expect(judgeSeason(SCALE, [week(0, three(-2))])).toEqual([
      {
        date: '2027-03-01',
        verdict: 'cant_tell',
        probability: 0.5,
        changed: 0,
        delta: null,
        lo95: null,
        hi95: null,
      },
    ]);
  });
  test('nothing at all, and days without a swing, are no verdict', () => {
    expect(judgeSeason(SCALE, [])).toEqual([]);
    expect(verdicts([week(0, three(-2)), week(1, []), week(2, three(-2))])[1]).toBe('cant_tell');
  });
  test('three steps better and staying there become real, and not at once', () => {
    const said = verdicts([-2.4, -2.4, 0, 0.1, 0, 0, 0.1, 0].map((at, i) => week(i, three(at))));
    expect(said.slice(0, 2)).not.toContain('real');
    expect(said.at(-1)).toBe('real');
  });
  test('what was real once stays so while it is probable, also after the season, and not when it is gone', () => {
    const there = [-2.4, -2.4, 0, 0.1, 0, 0, 0.1, 0, 0.1, 0, 0.1, 0];
    const said = verdicts(there.map((at, i) => week(i, three(at))));
    const first = said.indexOf('real');
    expect(first).toBeGreaterThan(0);
    expect(new Set(said.slice(first))).toEqual(new Set(['real']));
    const gone = verdicts([...there.slice(0, 8), -2.4, -2.4, -2.4, -2.4].map((at, i) => week(i, three(at))));
    expect(gone[7]).toBe('real');
    expect(gone.at(-1)).not.toBe('real');
  });
  test('days alike are the same, for any number of measures', () => {
    const days = [-2, -2.1, -1.9, -2, -2.05].map((at, i) => week(i, three(at)));
    expect(verdicts(days, 1).at(-1)).toBe('none');
    expect(verdicts(days, 10).at(-1)).toBe('none');
  });
  test('swings all over the place can’t tell', () => {
    const days = [
      [-4, 0.5, 2],
      [1.5, -3, 3],
    ].map((values, i) => week(i, values));
    expect(verdicts(days).at(-1)).toBe('cant_tell');
  });
  test('one swing a day is never more than probable, however large', () => {
    const days = [-4, -4.1, 2, 2.1, 2, 1.9, 2, 2.1].map((at, i) => week(i, [at]));
    expect(verdicts(days)).not.toContain('real');
    expect(verdicts(days).at(-1)).toBe('maybe');
  });
  test('the order in which they came does not matter', () => {
    const days = [-2.4, -2, -1.2, -0.5, 0].map((at, i) => week(i, three(at)));
    expect(judgeSeason(SCALE, [...days].reverse())).toEqual(judgeSeason(SCALE, days));
  });
  test('another club is another season', () => {
    const days = [week(0, three(-2.4), { club: 'wedge' }), week(1, three(0.2), { club: 'driver' })];
    expect(verdicts(days)).toEqual(['cant_tell', 'cant_tell']);
    expect(judgeSeason(SCALE, days).map(({ delta }) => delta)).toEqual([null, null]);
  });
  test('what was filmed before the first cue is the baseline, also on several days', () => {
    const days = [
      week(0, three(-2.4), { cue: 'before' }),
      week(1, three(-2.2), { cue: 'before' }),
      week(2, three(-0.4), { cue: 'after' }),
    ];
    const looks = judgeSeason(SCALE, days);
    expect(looks[1]?.delta).toBeNull();
    expect(Number(looks[2]?.delta)).toBeGreaterThan(0.3);
  });
  test('the more measures are looked at together, the less is real; what is probable stays', () => {
    const days = [-2.4, -2.4, 0, 0.1, 0, 0].map((at, i) => week(i, three(at)));
    const real = [1, 3, 5, 10, 30, 100].map(
      (family) => verdicts(days, family).filter((v) => v === 'real').length,
    );
    expect([...real].sort((a, b) => b - a)).toEqual(real);
    const [one, hundred] = [1, 100].map((family) =>
      judgeSeason(SCALE, days, family).map(({ changed }) => changed),
    );
    expect(hundred).toEqual(one);
  });
  test('in other units it says the same', () => {
    const days = [-2.4, -2, -1.2, -0.5, 0].map((at, i) => week(i, three(at)));
    const inCm = days.map((one) => ({ ...one, values: one.values.map((v) => 2.54 * v), sd: 2.54 * one.sd }));
    const looks = judgeSeason(SCALE, days);
    judgeSeason({ ...SCALE, step: 2.54 * SCALE.step }, inCm).forEach((look, i) => {
      expect(look.verdict).toBe(looks[i]?.verdict);
      expect(look.probability).toBeCloseTo(Number(looks[i]?.probability), 6);
    });
  });
  test('a stated error of nought, swings alike to the last digit, one day for all of them, a hundred sessions', () => {
    const odd = [
      Array.from({ length: 5 }, (_, i) => week(i, [1, 1, 1], { sd: 0 })),
      Array.from({ length: 5 }, () => week(0, three(1))),
      Array.from({ length: 100 }, (_, i) => week(i, three(Math.sin(i)))),
      [week(0, [1e6, 1e6]), week(1, [-1e6, -1e6])],
    ];
    for (const days of odd)
      for (const { probability, lo95, hi95, delta } of judgeSeason(SCALE, days).slice(1)) {
        expect(probability).toBeGreaterThanOrEqual(0);
        expect(probability).toBeLessThanOrEqual(1);
        expect([lo95, hi95, delta].every(Number.isFinite)).toBe(true);
      }
  });
  test('the interval lies about the change, and gets narrower with sessions', () => {
    const days = [-2.4, 0, 0, 0, 0, 0, 0].map((at, i) => week(i, three(at)));
    const widths = judgeSeason(SCALE, days)
      .slice(1)
      .map(({ lo95, hi95, delta }) => {
        expect(Number(delta)).toBeGreaterThan(Number(lo95));
        expect(Number(delta)).toBeLessThan(Number(hi95));
        return Number(hi95) - Number(lo95);
      });
    expect(Number(widths.at(-1))).toBeLessThan(Number(widths[0]));
  });
});

describe('the bar', () => {
  test('is the table’s where the table has it, and grows with the family and after the season', () => {
    for (const { family, bars } of BAR_ROWS)
      bars.forEach((bar, i) => {
        expect(barFor(family, i + 2)).toBeCloseTo(bar, 10);
      });
    for (let look = 2; look < 9; look++) {
      const along = [1, 2, 3, 4, 5, 7, 10, 20, 50].map((family) => barFor(family, look));
      expect([...along].sort((a, b) => a - b)).toEqual(along);
    }
    expect(barFor(1, 9)).toBeGreaterThan(barFor(1, 8));
    expect(barFor(1, 90)).toBe(barFor(1, 9));
  });
});

describe('what is believed is right as often as it says', () => {
  /**
   * Simulation-based calibration: players are drawn from what the model takes for granted, and the rank of the true change
   * among what is believed of it is as often in any fifth as in any other.
   */
  test('ranks of the true change are level', () => {
    const random = seededRandom(4711);
    const fifths = [0, 0, 0, 0, 0];
    const players = 400;
    for (let p = 0; p < players; p++) {
      const daySteps = [0.05, 0.33, 0.6, 1][drawn(random, [0.15, 0.45, 0.22, 0.18])] as number;
      const jump = 2 * gaussian(random);
      const when =
        1 +
        drawn(
          random,
          [1, 0.6, 0.36, 0.216].map((w) => w / 2.176),
        );
      const truth = [0, 1, 2, 3, 4].map((t) => (t >= when ? jump : 0));
      const days = truth.map((level, i): Occasion => {
        const day = level + daySteps * gaussian(random);
        return {
          date: plusDays('2027-03-01', 7 * i),
          values: [0, 1, 2].map(() => day + 0.6 * gaussian(random)),
          sd: 0,
        };
      });
      const { moved } = beliefAt(evidenceOf(days, 1, 0.3), 4);
      const jumps = moved.filter(({ way }) => way.kind === 'jump');
      const all = jumps.reduce((sum, { weight }) => sum + weight, 0);
      const below = jumps.reduce(
        (sum, { change, changeSd, weight }) =>
          sum + (weight / all) * normal((jump * Number(when <= 4) - change) / changeSd),
        0,
      );
      fifths[Math.min(4, Math.floor(5 * below))] = (fifths[Math.min(4, Math.floor(5 * below))] as number) + 1;
    }
    // Chi-square on 4 degrees of freedom: 13.3 is passed once in a hundred times.
    const expected = players / 5;
    expect(fifths.reduce((sum, n) => sum + (n - expected) ** 2 / expected, 0)).toBeLessThan(13.3);
  });
});

describe('the line of the level', () => {
  test('goes through days that agree, and is wider where less was filmed', () => {
    const days = [week(0, three(-2)), week(1, [-2]), week(2, three(-2))];
    const line = levelLine(evidenceOf(days, SCALE.step, SCALE.shared), SCALE.step);
    for (const { level } of line) expect(level).toBeCloseTo(-2, 1);
    expect(line.map(({ date }) => date)).toEqual(days.map(({ date }) => date));
  });
  test('a long record is drawn by some of its days, the first and the last among them', () => {
    const days = Array.from({ length: 60 }, (_, i) => week(i, three(0)));
    const line = levelLine(evidenceOf(days, SCALE.step, SCALE.shared), SCALE.step);
    expect(line.length).toBeLessThanOrEqual(24);
    expect([line[0]?.date, line.at(-1)?.date]).toEqual([days[0]?.date, days.at(-1)?.date]);
  });
});

const drawn = (random: () => number, shares: readonly number[]): number => {
  let left = random();
  for (let i = 0; i < shares.length; i++) {
    left -= shares[i] as number;
    if (left < 0) return i;
  }
  return shares.length - 1;
};
const normal = (z: number): number => {
  // Abramowitz and Stegun 7.1.26, another way than the code's own.
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x);
  return z > 0 ? 1 - tail / 2 : tail / 2;
};
