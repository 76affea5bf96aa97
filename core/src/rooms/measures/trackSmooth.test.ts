import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../foundation/index.ts';
import { smoothTrack, zeroLag } from './trackSmooth.ts';

const wave = (hz: number, rate: number, n: number) =>
  Array.from({ length: n }, (_, i) => Math.sin((2 * Math.PI * hz * i) / rate));
const middle = (values: readonly number[]) => values.slice(100, -100);

describe('smoothing without lag', () => {
  test('keeps what is slow in size and in time', () => {
    const slow = wave(2, 240, 960);
    const off = zeroLag(slow, 12 / 240).map((v, i) => Math.abs(v - (slow[i] as number)));
    expect(Math.max(...middle(off))).toBeLessThan(0.01);
  });
  test('halves the power at the cutoff, as two Butterworth passes should, and kills what is fast', () => {
    const size = (hz: number) => Math.max(...middle(zeroLag(wave(hz, 240, 960), 12 / 240)));
    expect(size(12)).toBeCloseTo(Math.SQRT1_2, 2);
    expect(size(60)).toBeLessThan(0.002);
  });
  test('a straight line stays one to its very ends', () => {
    const line = Array.from({ length: 80 }, (_, i) => 3 + 0.5 * i);
    zeroLag(line, 0.05).forEach((v, i) => {
      expect(v).toBeCloseTo(line[i] as number, 6);
    });
  });
});

describe('a track', () => {
  const times = Array.from({ length: 240 }, (_, i) => i / 240);
  test('bridges a short gap, drops a landmark with a long one, and tells the noise it had', () => {
    const random = seededRandom(4);
    const path = times.map((t, i) =>
      i > 50 && i < 60
        ? ([Number.NaN, Number.NaN, Number.NaN] as const)
        : ([t + 0.1 * gaussian(random), 0.1 * gaussian(random), 0.1 * gaussian(random)] as const),
    );
    const gone = times.map((_, i) =>
      i > 50 && i < 120 ? ([Number.NaN, 0, 0] as const) : ([0, 0, 0] as const),
    );
    const track = smoothTrack({
      times,
      points: new Map([
        ['lead_hip', path],
        ['trail_hip', gone],
      ]),
    });
    expect(track.points.has('trail_hip')).toBe(false);
    expect(track.points.get('lead_hip')?.[55]?.every(Number.isFinite)).toBe(true);
    expect(track.noiseIn.get('lead_hip')).toBeGreaterThan(0.07);
    expect(track.noiseIn.get('lead_hip')).toBeLessThan(0.12);
  });
  test('uneven times are made even', () => {
    const uneven = times.map((t, i) => t + (i % 2 === 0 ? 0 : 0.001));
    const points = new Map([['grip' as const, uneven.map((t) => [t, 2 * t, 0] as const)]]);
    const track = smoothTrack({ times: uneven, points });
    const at = (i: number) => track.points.get('grip')?.[i]?.[0] as number;
    for (const i of [5, 50, 200]) expect(at(i)).toBeCloseTo(track.startSeconds + i * track.stepSeconds, 6);
  });
});
