import { between, seededRandom } from '@inchstep/core/foundation';
import { measureCapture } from '@inchstep/core/measures';
import { describe, expect, test } from '@jest/globals';
import { type SimulateRequest, simulate } from '../simulate.ts';
import { FAULT_EFFECTS } from './faultEffects.ts';

/** A golfer nobody tuned for: random height, hand and up to two random faults. */
function randomRequest(seed: number, more: Partial<SimulateRequest> = {}): SimulateRequest {
  const random = seededRandom(seed);
  const fault = () => FAULT_EFFECTS[Math.floor(random() * FAULT_EFFECTS.length)]?.fault as string;
  return {
    golfer: { handedness: random() < 0.3 ? 'left' : 'right', heightIn: between(random, 62, 76) },
    faults: { [fault()]: between(random, 0, 3), [fault()]: between(random, 0, 2) },
    seed: seed * 31,
    stations: ['address', 'arm_back', 'top', 'delivery', 'impact'],
    ...more,
  };
}

function study(golfers: number, more: Partial<SimulateRequest> = {}) {
  let held = 0;
  let asked = 0;
  const squares: Record<string, number[]> = {};
  for (let seed = 1; seed <= golfers; seed++) {
    const [swing] = simulate(randomRequest(seed, more));
    if (!swing) throw new Error('no swing');
    for (const { id, value, lo95, hi95 } of measureCapture(swing.capture).measures) {
      const truth = swing.truth.measures[id];
      if (truth === undefined) continue;
      asked++;
      if (lo95 <= truth && truth <= hi95) held++;
      squares[id] = [...(squares[id] ?? []), (value - truth) ** 2];
    }
  }
  const rms = (id: string) => {
    const list = squares[id] ?? [];
    return Math.sqrt(list.reduce((a, b) => a + b, 0) / list.length);
  };
  return { share: held / asked, asked, rms };
}

describe('random golfers and cameras', () => {
  const two = study(40);
  test('two views: intervals hold the truth about as often as they say', () => {
    expect(two.asked).toBeGreaterThan(1000);
    expect(two.share).toBeGreaterThan(0.92);
    expect(two.share).toBeLessThan(0.99);
  });
  test('two views: shifts within 0.45 in, turns within 5.5 degrees', () => {
    for (const id of ['shift_top', 'shift_delivery', 'shift_impact']) expect(two.rms(id)).toBeLessThan(0.45);
    for (const id of ['turn_top', 'turn_impact']) expect(two.rms(id)).toBeLessThan(5.5);
  });
  test('one view is wider, and still honest', () => {
    const one = study(25, { views: [{ kind: 'face_on' }] });
    expect(one.share).toBeGreaterThan(0.91);
  });
  test('no sticks on the ground: still honest', () => {
    const bare = study(20, {
      views: [
        { kind: 'face_on', sticks: false },
        { kind: 'down_the_line', sticks: false },
      ],
    });
    expect(bare.share).toBeGreaterThan(0.91);
  });
});
