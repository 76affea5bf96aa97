import { STATIONS } from '@inchstep/core/capture';
import { FAULTS } from '@inchstep/core/diagnosis';
import { distance, seededRandom } from '@inchstep/core/foundation';
import { bandFor } from '@inchstep/core/intake';
import { severityOf } from '@inchstep/core/measures';
import { describe, expect, test } from '@jest/globals';
import { trueTimeMeasures } from '../devices/tracker.ts';
import { simulate } from '../simulate.ts';
import { FAULT_EFFECTS } from './faultEffects.ts';
import { anotherSwing, makeGolfer, trueMeasures } from './golfer.ts';
import { USUAL_CONTEXT } from './usual.ts';

const golfer = (faults: Record<string, number>, seed = 5) =>
  makeGolfer({ handedness: 'right', heightIn: 70 }, faults, seededRandom(seed));

describe('a golfer without faults', () => {
  test.each([1, 2, 3, 4, 5, 6])('lies in nearly every band (seed %i)', (seed) => {
    const out = Object.entries(trueMeasures(golfer({}, seed))).filter(
      ([id, value]) => Math.abs(severityOf(value, bandFor(id, USUAL_CONTEXT))) > 0.3,
    );
    expect(out.map(([id]) => id).length).toBeLessThanOrEqual(2);
  });
  test('nearly keeps the length of the limbs over the whole swing', () => {
    const body = golfer({});
    const shank = STATIONS.map((s) => {
      const { lead_knee, lead_ankle } = body.station(s).landmarks;
      return distance(lead_knee, lead_ankle);
    });
    // Its knees are placed by bend and roll, not by a ball joint: an inch over the whole swing.
    for (const length of shank) expect(Math.abs(length - (shank[0] as number))).toBeLessThan(1.1);
  });
  test('moves smoothly: no landmark jumps between frames', () => {
    const body = golfer({});
    for (let t = 0; t < body.lengthSeconds - 1 / 120; t += 1 / 120) {
      const [a, b] = [body.poseAt(t), body.poseAt(t + 1 / 120)];
      expect(distance(a.landmarks.lead_hip, b.landmarks.lead_hip)).toBeLessThan(0.5);
      expect(distance(a.landmarks.grip, b.landmarks.grip)).toBeLessThan(6);
    }
  });
});

describe('every fault that pictures or a track can show', () => {
  const shown = FAULT_EFFECTS.filter((e) => e.adds.length > 0 || e.stance).map((e) => e.fault);
  test.each(shown)('%s moves a finding of its own the right way, more with each grade', (fault) => {
    const rows = FAULTS.find((f) => f.id === fault)?.evidence ?? [];
    const reach = (grade: number) => {
      const made = golfer({ [fault]: grade });
      const truth: Record<string, number> = { ...trueMeasures(made), ...trueTimeMeasures(made) };
      return Math.max(
        ...rows.flatMap(({ finding, strength }) => {
          const [id, side] = finding.split('.') as [string, string];
          const value = truth[id];
          if (strength < 2 || value === undefined || (side !== 'low' && side !== 'high')) return [];
          const band = bandFor(id, USUAL_CONTEXT);
          const edge = side === 'low' ? band.lo : band.hi;
          return edge === null ? [] : [((side === 'low' ? -1 : 1) * (value - edge)) / band.step];
        }),
      );
    };
    expect(reach(3)).toBeGreaterThan(reach(1));
    expect(reach(3)).toBeGreaterThan(0.9);
  });
});

describe('chance', () => {
  const ask = { golfer: { handedness: 'right' as const, heightIn: 68 }, faults: { sway: 1 }, seed: 12 };
  test('one seed, one swing; another seed, another', () => {
    const told = () => simulate(ask).map(({ capture, truth }) => ({ capture, truth }));
    expect(told()).toEqual(told());
    expect(simulate(ask)[0]?.capture.marks).not.toEqual(simulate({ ...ask, seed: 13 })[0]?.capture.marks);
  });
  test('swings of one day differ a little, not much', () => {
    const first = golfer({ sway: 1 });
    const random = seededRandom(3);
    const shifts = Array.from(
      { length: 30 },
      () => trueMeasures(anotherSwing(first, random)).shift_top as number,
    );
    const mean = shifts.reduce((a, b) => a + b, 0) / shifts.length;
    const sd = Math.sqrt(shifts.reduce((a, b) => a + (b - mean) ** 2, 0) / shifts.length);
    expect(sd).toBeGreaterThan(0.05);
    expect(sd).toBeLessThan(0.6);
    expect(Math.abs(mean - (trueMeasures(first).shift_top as number))).toBeLessThan(0.3);
  });
  test('a left-hander is the mirror image in the picture and the same in the truth', () => {
    const [right] = simulate(ask);
    const [left] = simulate({ ...ask, golfer: { handedness: 'left', heightIn: 68 } });
    expect(left?.truth.measures).toEqual(right?.truth.measures);
    const width = right?.capture.views[0]?.widthPx ?? 0;
    const mirrored = left?.capture.marks.map((m) => width - m.u) ?? [];
    right?.capture.marks.forEach((mark, i) => {
      expect(mirrored[i]).toBeCloseTo(mark.u, 1);
    });
  });
});
