import { describe, expect, test } from '@jest/globals';
import type { Station } from '../../capture/index.ts';
import { seenBody } from './proposals.ts';
import { inOrder } from './proposedStations.ts';

describe('stations that were found', () => {
  const order = (found: readonly [Station, number][]) => [...inOrder(new Map(found))];
  test.each<[string, [Station, number][], Station[]]>([
    [
      'in order they all stay',
      [
        ['address', 10],
        ['top', 60],
        ['delivery', 80],
        ['impact', 85],
        ['finish', 120],
      ],
      ['address', 'top', 'delivery', 'impact', 'finish'],
    ],
    [
      'two in one frame: impact is surer than delivery',
      [
        ['top', 60],
        ['delivery', 85],
        ['impact', 85],
      ],
      ['top', 'impact'],
    ],
    [
      'delivery before the top is none',
      [
        ['top', 60],
        ['delivery', 55],
        ['impact', 85],
      ],
      ['top', 'impact'],
    ],
    [
      'a finish before impact is none, and an address after the top',
      [
        ['address', 61],
        ['top', 60],
        ['impact', 85],
        ['finish', 84],
      ],
      ['top', 'impact'],
    ],
    ['nothing found, nothing kept', [], []],
  ])('%s', (_, found, left) => {
    expect(order(found).map(([station]) => station)).toEqual(left);
    for (const [station, frame] of order(found)) expect(found).toContainEqual([station, frame]);
  });
});

describe('places that no network sees', () => {
  /** A network that sees hips at 100, shoulders at 50, ears at 30 down the picture, each 20 apart. */
  const at = (i: number): [u: number, v: number] => {
    const side = i % 2 === 1 ? -10 : 10;
    if (i === 23 || i === 24) return [200 + side, 100];
    if (i === 11 || i === 12) return [210 + side, 50];
    return i === 7 || i === 8 ? [220 + side, 30] : [0, 0];
  };
  const points = {
    u: Array.from({ length: 33 }, (_, i) => at(i)[0]),
    v: Array.from({ length: 33 }, (_, i) => at(i)[1]),
    seen: Array.from({ length: 33 }, (_, i) => (i === 12 ? 0.5 : 0.9)),
  };
  test('hang from shoulders, hips and ears, by hand, for either hand', () => {
    for (const left of [false, true]) {
      const { places } = seenBody(0, points, left);
      // Shoulders (210, 50), hips (200, 100), ears (220, 30): trunk (10, -50), to the ears (10, -20).
      expect(places.neck).toMatchObject({ u: 210 - 1.5 + 3.5, v: 50 + 7.5 - 7 });
      expect(places.sternum).toMatchObject({ u: 210 - 3 + 2, v: 50 + 15 - 4 });
      expect(places.seat?.u).toBeCloseTo(202.7, 9);
      expect(places.seat?.v).toBeCloseTo(86.5, 9);
    }
  });
  test('are seen as well as what they hang from', () => {
    expect(seenBody(0, points, false).places.neck?.seen).toBeCloseTo(0.7, 9);
  });
});
