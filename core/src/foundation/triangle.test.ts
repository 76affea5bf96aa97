import { expect, test } from '@jest/globals';
import { gaussian, seededRandom } from './random.ts';
import { backwardInPlace, choleskyInPlace, forwardInPlace } from './triangle.ts';

test('choleskyInPlace gives the textbook factor of [[4,2],[2,5]]', () => {
  const m = Float64Array.of(4, 2, 2, 5);
  expect(choleskyInPlace(m, 2)).toBe(true);
  expect([m[0], m[2], m[3]]).toEqual([2, 1, 2]);
});
test('what is not definite is said not to be', () => {
  expect(choleskyInPlace(Float64Array.of(1, 2, 2, 1), 2)).toBe(false);
});
test('forward, then backward, solves what the triangle came from; zeros at the head stay', () => {
  const random = seededRandom(9);
  const n = 12;
  const made = Float64Array.from({ length: n * n }, () => gaussian(random));
  const full = Float64Array.from({ length: n * n }, (_, at) => {
    const [i, j] = [Math.floor(at / n), at % n];
    let sum = i === j ? 0.5 : 0;
    for (let k = 0; k < n; k++) sum += (made[i * n + k] as number) * (made[j * n + k] as number);
    return sum;
  });
  const lower = Float64Array.from(full);
  expect(choleskyInPlace(lower, n)).toBe(true);
  for (const zeros of [0, 5]) {
    const b = Float64Array.from({ length: n }, (_, i) => (i < zeros ? 0 : gaussian(random)));
    const x = Float64Array.from(b);
    forwardInPlace(lower, n, x);
    expect(x.slice(0, zeros).every((y) => y === 0)).toBe(true);
    backwardInPlace(lower, n, x);
    b.forEach((wanted, i) => {
      let sum = 0;
      for (let k = 0; k < n; k++) sum += (full[i * n + k] as number) * (x[k] as number);
      expect(sum).toBeCloseTo(wanted, 9);
    });
  }
});
