import { motionCsv, pressureCsv, readCsv, shotsCsv } from '@inchstep/contract/formats';
import {
  guessColumns,
  guessOffset,
  type PressureTrace,
  readMotionTable,
  readPressure,
  readShots,
  shotSigns,
  toGround,
} from '@inchstep/core/capture';
import { seededRandom } from '@inchstep/core/foundation';
import { describe, expect, test } from '@jest/globals';
import { makeGolfer } from '../golfer/golfer.ts';
import { hitShots, shotMeans } from './launchMonitor.ts';
import { standOnMat } from './pressureMat.ts';
import { trackGolfer } from './tracker.ts';

const cells = (text: string) => {
  const rows = readCsv(text);
  if (!rows.ok) throw new Error('not a CSV');
  return rows.value;
};
const golfer = (faults = {}) => makeGolfer({ handedness: 'right', heightIn: 70 }, faults, seededRandom(2));

describe('what the devices write is read back', () => {
  test('shots, without a question, with either hand', () => {
    const shots = hitShots({ sway: 2 }, 12, seededRandom(1));
    for (const hand of ['right', 'left'] as const) {
      const table = cells(shotsCsv(shots, hand === 'left'));
      const guesses = guessColumns(table);
      expect(guesses.every((g) => g.unitTold)).toBe(true);
      const read = readShots(table, guesses, hand);
      if (!read.ok) throw new Error(JSON.stringify(read.problems));
      expect(read.value).toHaveLength(12);
      read.value.forEach((shot, i) => {
        for (const [field, value] of Object.entries(shots[i] ?? {}))
          expect(shot[field as keyof typeof shot]).toBeCloseTo(value, 2);
      });
    }
  });
  test('motion: the same points in the same frame', () => {
    const motion = trackGolfer(golfer(), {}, seededRandom(1));
    const raw = readMotionTable(cells(motionCsv(motion)));
    if (!raw.ok) throw new Error(JSON.stringify(raw.problems));
    const read = toGround(raw.value, false);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value).toMatchObject({
      aligned: 'as_written',
      unit: 'in',
      unitGuessed: false,
      unmatched: [],
    });
    expect(read.value.motion.points.get('lead_hip')?.[200]?.[0]).toBeCloseTo(
      motion.points.get('lead_hip')?.[200]?.[0] as number,
      3,
    );
  });
  test('pressure', () => {
    const trace = standOnMat(golfer(), {}, seededRandom(1));
    const read = readPressure(cells(pressureCsv(trace)));
    expect(read.ok && read.value.leadPct[50]).toBeCloseTo(trace.leadPct[50] as number, 2);
  });
});

describe('the ball and the mat follow the fault', () => {
  const signs = (faults: object) =>
    shotSigns(hitShots(faults as never, 30, seededRandom(9)))
      .filter((s) => s.seen === 'present')
      .map((s) => s.finding);
  test('a sound swing shows no sign; a sway puts the low point behind, a spin-out slices', () => {
    expect(signs({})).toEqual([]);
    expect(signs({ sway: 2 })).toEqual(['ball.low_point_behind']);
    expect(signs({ spin_out: 2 })).toContain('ball.slice');
    expect(signs({ depth_loss: 2.5 })).toEqual(expect.arrayContaining(['ball.hook', 'ball.push']));
  });
  test('shots scatter around the mean that the truth names', () => {
    const shots = hitShots({ stall: 1 }, 400, seededRandom(3));
    const middle = shots.reduce((sum, s) => sum + (s.curveDeg ?? 0), 0) / shots.length;
    expect(Math.abs(middle - shotMeans({ stall: 1 }).curveDeg)).toBeLessThan(0.3);
  });
  test('more pressure on the lead foot at impact than at the top, less when hanging back', () => {
    const at = (trace: PressureTrace, seconds: number) => trace.leadPct[Math.round(seconds * 100)] as number;
    const sound = standOnMat(golfer(), {}, seededRandom(1));
    const hanging = standOnMat(golfer({ hang_back: 2 }), {}, seededRandom(1));
    const { top, impact } = golfer().shape;
    expect(at(sound, impact.at)).toBeGreaterThan(at(sound, top.at) + 15);
    expect(at(hanging, impact.at)).toBeLessThan(at(sound, impact.at) - 10);
  });
  test('a mat with a late clock: the first guess lies within a tenth of a second', () => {
    const late = standOnMat(golfer(), { lateSeconds: 0.4 }, seededRandom(1));
    const { top, impact } = golfer().shape;
    expect(Math.abs(guessOffset(late, { top: top.at, impact: impact.at }) - 0.4)).toBeLessThan(0.1);
  });
});
