import { seededRandom } from '@inchstep/core/foundation';
import { findStations, type MeasuredTrack, measureTrack, smoothTrack } from '@inchstep/core/measures';
import { describe, expect, test } from '@jest/globals';
import { trackGolfer, trueTimeMeasures } from '../devices/tracker.ts';
import { FAULT_EFFECTS } from './faultEffects.ts';
import { makeGolfer, type StandInGolfer, trueMeasures } from './golfer.ts';
import { USUAL_CONTEXT } from './usual.ts';

const golferOf = (seed: number, faults = {}): StandInGolfer =>
  makeGolfer({ handedness: 'right', heightIn: 70 }, faults, seededRandom(seed));
function measured(golfer: StandInGolfer, seed: number): MeasuredTrack {
  const result = measureTrack(
    trackGolfer(golfer, {}, seededRandom(seed)),
    golfer.spec,
    USUAL_CONTEXT,
    seededRandom(5),
  );
  if (!result.ok) throw new Error(result.problems[0]?.code);
  return result.value;
}

test('stations are found within two of a coach’s frames at 60 a second', () => {
  for (const seed of [1, 2, 3, 4]) {
    const golfer = golferOf(seed);
    const found = findStations(smoothTrack(trackGolfer(golfer, {}, seededRandom(seed))));
    if (!found.ok) throw new Error(found.problems[0]?.code);
    expect([...found.value.keys()].sort()).toEqual(
      ['address', 'arm_back', 'arm_down', 'chest_through', 'delivery', 'finish', 'impact', 'top'].sort(),
    );
    for (const [station, frame] of found.value) {
      const lateMs = (frame / 240 - golfer.shape[station].at) * 1000;
      expect([station, Math.abs(lateMs) < (station === 'finish' ? 60 : 34)]).toEqual([station, true]);
    }
  }
});

describe('measures of a track', () => {
  test('hold the truth as often as they say, time measures among them', () => {
    let held = 0;
    let intervals = 0;
    for (let seed = 1; seed <= 8; seed++) {
      const fault = FAULT_EFFECTS[(seed * 5) % FAULT_EFFECTS.length]?.fault as string;
      const golfer = golferOf(seed, { [fault]: 1.5 });
      const truth: Record<string, number> = { ...trueMeasures(golfer), ...trueTimeMeasures(golfer) };
      for (const { id, lo95, hi95 } of measured(golfer, seed).measures) {
        const value = truth[id];
        if (value === undefined) continue;
        intervals++;
        if (lo95 <= value && value <= hi95) held++;
      }
    }
    expect(intervals).toBeGreaterThan(300);
    expect(held / intervals).toBeGreaterThan(0.9);
  });
  test('tell when the pelvis starts forward: later for a late starter', () => {
    const lead = (faults: object) => {
      const { measures } = measured(golferOf(3, faults), 3);
      return measures.find((m) => m.id === 'transition_lead_ms')?.value as number;
    };
    expect(lead({ late_start: 3 })).toBeLessThan(lead({}) - 60);
  });
});
