import { describe, expect, test } from '@jest/globals';
import type { Station } from '../../capture/index.ts';
import { aboutStation, againAbout, framesAbout, framesPerSecond, LOOKS } from './lookPlan.ts';

const clip = (frames: number, rate: number) => Array.from({ length: frames }, (_, i) => i / rate);

describe('frames to look at', () => {
  test.each([
    ['60 a second, every third', clip(13, 60), 20, [0, 3, 6, 9, 12]],
    ['the last one always', clip(14, 60), 20, [0, 3, 6, 9, 12, 13]],
    ['a slow clip whole', clip(4, 15), 20, [0, 1, 2, 3]],
    ['240 a second, every twelfth', clip(25, 240), 20, [0, 12, 24]],
    ['a single frame', [0.4], 20, [0]],
    ['nothing', [], 20, []],
  ] as const)('%s', (_, times, perSecond, frames) => {
    expect(framesPerSecond(times, perSecond)).toEqual(frames);
  });
  test('about a moment every frame, of a fast clip every fourth', () => {
    expect(framesAbout(clip(60, 60), [[0.5, 0.05]])).toEqual([27, 28, 29, 30, 31, 32, 33]);
    expect(framesAbout(clip(240, 240), [[0.5, 0.05]])).toEqual([108, 112, 116, 120, 124, 128, 132]);
  });
  test('moments near each other share their frames, and the clip’s ends are kept to', () => {
    const about = framesAbout(clip(60, 60), [
      [0.5, 0.05],
      [0.52, 0.05],
      [0, 0.05],
    ]);
    expect(new Set(about).size).toBe(about.length);
    expect([...about].sort((a, b) => a - b)).toEqual(about);
    expect(about[0]).toBe(0);
  });
  test('a clip of two seconds and a quarter is looked at less than twice a frame', () => {
    const times = clip(135, 60);
    const stations: [Station, number][] = [
      ['address', 0.35],
      ['arm_back', 0.8],
      ['top', 1.1],
      ['arm_down', 1.27],
      ['delivery', 1.34],
      ['impact', 1.42],
      ['chest_through', 1.57],
      ['finish', 2],
    ];
    const looks =
      framesPerSecond(times, LOOKS.coarsePerSecond).length +
      framesAbout(
        times,
        stations.map(([station, at]) => [at, aboutStation(station)]),
      ).length +
      2 *
        framesAbout(
          times,
          stations.map(([station, at]) => [at, againAbout(station)]),
        ).length;
    expect(looks).toBeLessThan(1.6 * times.length);
  });
});
