import { describe, expect, test } from '@jest/globals';
import { ownSdOf, scatterTimes } from './seenHow.ts';

describe('how a place was seen', () => {
  test.each([
    ['looks that agree', 0.002, 0.85, 0.87],
    ['looks as usual', 0.015, 0.97, 1.03],
    ['looks that don’t', 0.03, 1.3, 1.4],
    ['looks all over the picture', 0.4, 1.7, 1.7],
    ['nobody knows', undefined, 1, 1],
  ])('%s', (_, scatter, from, to) => {
    expect(scatterTimes(scatter)).toBeGreaterThanOrEqual(from);
    expect(scatterTimes(scatter)).toBeLessThanOrEqual(to);
  });
  test('surely seen and as usual, a place’s own doubt is the usual one', () => {
    expect(ownSdOf(0.01, 0.004, { seen: 1 })).toBe(0.004);
    expect(ownSdOf(0.01, 0.004, {})).toBe(0.004);
  });
  test('hidden, all of its doubt grows by half, and what is more is its own', () => {
    // 1.5 times all of hypot(3, 4) thousandths is 7.5; less the 3 that stay together: sqrt(56.25 - 9).
    expect(ownSdOf(0.003, 0.004, { seen: 0 })).toBeCloseTo(Math.sqrt(47.25) / 1000, 12);
  });
  test('what is together with other places knows nothing of one frame’s scatter', () => {
    const own = (scatter: number) => ownSdOf(0.01, 0.004, { seen: 1, scatter });
    expect(own(0.4)).toBeCloseTo(1.7 * 0.004, 12);
    expect(own(0.4) / own(0)).toBeCloseTo(2, 12);
  });
});
