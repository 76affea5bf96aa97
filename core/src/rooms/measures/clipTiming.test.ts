import { describe, expect, test } from '@jest/globals';
import type { Capture, View } from '../capture/index.ts';
import { clipTiming } from './clipTiming.ts';

const view = (moments?: View['moments']): Capture['views'][number] => ({
  id: 'fo',
  kind: 'face_on',
  widthPx: 1080,
  heightPx: 1920,
  camera: {},
  groundMarks: [],
  ...(moments ? { moments } : {}),
});

describe('the lead of the pelvis, from two moments of a clip', () => {
  test('by hand: a start at 1.000 s and a top at 1.080 s in a clip of 60 frames', () => {
    const timing = clipTiming({ views: [view({ startDownS: 1, topS: 1.08, frameS: 1 / 60 })] });
    expect(timing?.valueMs).toBeCloseTo(80, 9);
    // 25 ms of seeing and twice a sixtieth over the root of twelve.
    expect(timing?.sdMs).toBeCloseTo(Math.sqrt(625 + 2 * (16.6667 / 3.4641) ** 2), 3);
  });
  test('a start after the top is negative, and is never surer than a start can be seen', () => {
    const timing = clipTiming({ views: [view({ startDownS: 1.1, topS: 1.06, frameS: 1 / 1000 })] });
    expect(timing?.valueMs).toBeCloseTo(-40, 9);
    expect(timing?.sdMs).toBeGreaterThanOrEqual(25);
  });
  test('two views average their frames, not the eye', () => {
    const one = clipTiming({ views: [view({ startDownS: 1, topS: 1.1 })] });
    const two = clipTiming({
      views: [view({ startDownS: 1, topS: 1.1 }), view({ startDownS: 2, topS: 2.14 })],
    });
    expect(two?.valueMs).toBeCloseTo(120, 9);
    expect(two?.sdMs).toBeLessThan(one?.sdMs as number);
    expect(two?.sdMs).toBeGreaterThan(25);
  });
  test('nothing named, nothing said', () => {
    expect(clipTiming({ views: [view()] })).toBeNull();
  });
});
