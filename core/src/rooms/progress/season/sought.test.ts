import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../../foundation/index.ts';
import { MOVES, SOUGHT_SIZES } from './seasonTable.ts';
import { likelierBy } from './sought.ts';

/** log of the integral of prior(x) * N(seen; x, error) over x, by adding up. */
function byHand(prior: (x: number) => number, seen: number, error: number): number {
  let sum = 0;
  for (let x = -30; x < 30; x += 0.002) sum += prior(x) * Math.exp((-0.5 * (seen - x) ** 2) / error) * 0.002;
  return Math.log(sum);
}
const normal = (mean: number, variance: number) => (x: number) =>
  Math.exp((-0.5 * (x - mean) ** 2) / variance) / Math.sqrt(2 * Math.PI * variance);

describe('how much likelier sights are under another size', () => {
  test('agrees with adding up over all sizes, for one side and for both', () => {
    const random = seededRandom(3);
    for (let i = 0; i < 12; i++) {
      const [seen, error, guess] = [6 * random() - 3, 0.1 + random(), 1 + 3 * random()];
      const [mean, variance] = [i % 3 === 0 ? 0 : 3 * random(), 0.1 + random()];
      // What the filter says of the size under its own guess.
      const precision = 1 / guess + 1 / error;
      const found = { mean: seen / error / precision, variance: 1 / precision };
      const own = byHand(normal(0, guess), seen, error);
      const other = byHand((x) => (normal(mean, variance)(x) + normal(-mean, variance)(x)) / 2, seen, error);
      expect(likelierBy(found, guess, mean, variance)).toBeCloseTo(other - own, 5);
    }
  });
  test('the filter’s own guess is as likely as itself; sights that say nothing tell no sizes apart', () => {
    expect(likelierBy({ mean: 1.2, variance: 0.3 }, 2.5, 0, 2.5)).toBeCloseTo(0, 12);
    expect(likelierBy({ mean: 0, variance: 2.5 }, 2.5, 3, 0.1)).toBe(0);
  });
  test('what was seen at two steps speaks for two steps, what was seen at nought against it', () => {
    expect(likelierBy({ mean: 2, variance: 0.1 }, 2.56, 2, 0.25)).toBeGreaterThan(0);
    expect(likelierBy({ mean: 0, variance: 0.1 }, 2.56, 2, 0.25)).toBeLessThan(-3);
  });
});

test('sizes are of moves there are, and their shares add up to about one', () => {
  for (const { move, share } of SOUGHT_SIZES) {
    expect(Object.keys(MOVES)).toContain(move);
    expect(share).toBeGreaterThan(0);
  }
  expect(SOUGHT_SIZES.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 2);
});
