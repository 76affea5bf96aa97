import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { gaussian, seededRandom } from '../../foundation/index.ts';
import { poolSwings, sharedShare } from './index.ts';

const swing = (value: number, sd: number, id = 'shift_top') => [{ id, value, sd }];
const one = (swings: ReturnType<typeof swing>[]) => {
  const [pooled] = poolSwings(swings);
  if (!pooled) throw new Error('nothing was pooled');
  return pooled;
};

describe('several swings as one', () => {
  test('one swing stays as it is', () => {
    expect(one([swing(-1.2, 0.25)])).toEqual({ id: 'shift_top', value: -1.2, sd: 0.25, swings: 1 });
  });
  test('by hand: two swings 0.8 in apart, sd 0.4, step 0.8', () => {
    // Error 0.16: shared 0.048, own 0.112. Guess 0.112 + (0.33 * 0.8)^2 = 0.181696.
    // Spread (2 * 0.181696 + 0.32) / 3 = 0.227797; variance 0.048 + 0.227797 / 2.
    const { value, sd } = one([swing(-0.4, 0.4), swing(0.4, 0.4)]);
    expect(value).toBeCloseTo(0, 12);
    expect(sd).toBeCloseTo(Math.sqrt(0.048 + 0.2277973 / 2), 6);
  });
  test('a width from the height table is shared by every swing: more of them hardly help', () => {
    const three = one([1, 2, 3].map(() => swing(1.1, 0.06, 'base_ratio')));
    expect(sharedShare('base_ratio')).toBe(0.9);
    expect(three.sd).toBeGreaterThan(0.9 * 0.06);
  });
  test('each measure is pooled over the swings that have it', () => {
    const both = poolSwings([[...swing(1, 0.2), ...swing(40, 3, 'turn_top')], [...swing(2, 0.2)]]);
    expect(both.map(({ id, swings }) => [id, swings])).toEqual([
      ['shift_top', 2],
      ['turn_top', 1],
    ]);
    expect(both[1]).toMatchObject({ value: 40, sd: 3 });
  });
  test('the order of swings is nothing, and a further alike swing never makes it less sure', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 2, maxLength: 6 }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (values, sd) => {
          const swings = values.map((v) => swing(v, sd));
          const there = one(swings);
          const back = one([...swings].reverse());
          expect(back.value).toBeCloseTo(there.value, 9);
          expect(back.sd).toBeCloseTo(there.sd, 9);
          expect(one([...swings, swing(there.value, sd)]).sd).toBeLessThanOrEqual(there.sd + 1e-9);
        },
      ),
      { seed: 11 },
    );
  });
  test('the interval holds the habit about 95 times in 100', () => {
    const random = seededRandom(5);
    let held = 0;
    const days = 1500;
    for (let day = 0; day < days; day++) {
      const [habit, error] = [gaussian(random), 0.3];
      const shared = Math.sqrt(0.3) * error * gaussian(random);
      const swings = [1, 2, 3].map(() =>
        swing(habit + 0.25 * gaussian(random) + shared + Math.sqrt(0.7) * error * gaussian(random), error),
      );
      const { value, sd } = one(swings);
      if (Math.abs(value - habit) < 1.96 * sd) held++;
    }
    expect(held / days).toBeGreaterThan(0.93);
    expect(held / days).toBeLessThan(0.985);
  });
});
