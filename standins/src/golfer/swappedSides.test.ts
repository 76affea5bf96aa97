import type { Station } from '@inchstep/core/capture';
import { fitBody, swappedSides, swapSides } from '@inchstep/core/measures';
import { describe, expect, test } from '@jest/globals';
import { simulate } from '../simulate.ts';
import { randomGolfer } from '../studies/coverage.ts';

const stations: readonly Station[] = ['address', 'top', 'delivery', 'impact', 'finish'];
const capture = (seed: number) => {
  const [swing] = simulate(randomGolfer(300_000 + seed, { stations }));
  if (!swing) throw new Error('no swing');
  return swing.capture;
};

describe('lead and trail changed about', () => {
  test.each([
    [1, 'v1', 'address'],
    [2, 'v1', 'impact'],
    [3, 'v1', 'delivery'],
  ] as const)('golfer %i, %s at %s: is found, and changing it back mends it', (seed, view, station) => {
    const good = capture(seed);
    const wrong = { ...good, marks: swapSides(good.marks, { view, station }) };
    const [first] = swappedSides(wrong, fitBody(wrong));
    expect(first).toEqual({ view, station });
    expect(swapSides(wrong.marks, { view, station })).toEqual(good.marks);
  });
  test('a sound capture is never told to be changed about', () => {
    for (let seed = 10; seed < 14; seed++) {
      const good = capture(seed);
      expect(swappedSides(good, fitBody(good))).toEqual([]);
    }
  });
});
