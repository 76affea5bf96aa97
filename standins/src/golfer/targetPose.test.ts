import type { Station } from '@inchstep/core/capture';
import { distance, seededRandom, type Vec3 } from '@inchstep/core/foundation';
import { bandFor } from '@inchstep/core/intake';
import {
  FIT_LANDMARKS,
  type FitLandmark,
  POSE_MEASURES,
  type Pose,
  targetPoses,
} from '@inchstep/core/measures';
import { describe, expect, test } from '@jest/globals';
import { makeGolfer, type StandInGolfer } from './golfer.ts';
import { USUAL_CONTEXT } from './usual.ts';

const STOPS: Station[] = ['address', 'top', 'delivery', 'impact', 'finish'];
const made = (faults: object, seed = 5) =>
  makeGolfer({ handedness: 'right', heightIn: 70 }, faults as never, seededRandom(seed));
const posesOf = (golfer: StandInGolfer, landmarks: readonly FitLandmark[] = FIT_LANDMARKS) =>
  new Map<Station, Pose>(
    STOPS.map((s) => [s, Object.fromEntries(landmarks.map((l) => [l, golfer.station(s).landmarks[l]]))]),
  );
const sizesOf = (golfer: StandInGolfer) => ({
  outerHipWidthIn: golfer.body.outerHipWidthIn,
  outerHipWidthSdShare: 0,
});

/** Steps by which the worst measure of these poses lies outside its band. */
function outside(poses: ReadonlyMap<Station, Pose>, golfer: StandInGolfer): Map<string, number> {
  const at = (s: Station, l: FitLandmark) => poses.get(s)?.[l] as Vec3;
  return new Map(
    POSE_MEASURES.filter((d) => d.needs.every(([s, ls]) => ls.every((l) => at(s, l)))).map((d) => {
      const { lo, hi, step } = bandFor(d.id, USUAL_CONTEXT);
      const value = d.value(at, sizesOf(golfer));
      return [
        d.id,
        Math.max(lo === null ? 0 : (lo - value) / step, hi === null ? 0 : (value - hi) / step, 0),
      ];
    }),
  );
}

describe.each([
  ['sway', { sway: 2 }],
  ['a knee that falls in, and a stall', { lead_knee_collapse: 1.5, stall: 1.5 }],
  ['depth loss and a wide base', { depth_loss: 2, base_wide: 1 }],
])('%s', (_, faults) => {
  const golfer = made(faults);
  const own = posesOf(golfer);
  const found = targetPoses(own, sizesOf(golfer), USUAL_CONTEXT);
  const target = new Map(found.map((t) => [t.station, t.target]));
  test('the target lies inside the bands that the student is outside of', () => {
    const before = outside(own, golfer);
    expect(Math.max(...before.values())).toBeGreaterThan(0.8);
    for (const [id, steps] of outside(target, golfer)) expect([id, steps < 0.25]).toEqual([id, true]);
    const out = [...before].filter(([, steps]) => steps > 0).map(([id]) => id);
    expect(found.flatMap((t) => t.mends).sort()).toEqual(out.sort());
  });
  test('thighs, shanks and hips keep the student’s own length', () => {
    for (const station of STOPS)
      for (const [a, b] of [
        ['lead_hip', 'trail_hip'],
        ['lead_hip', 'lead_knee'],
        ['trail_knee', 'trail_ankle'],
      ] as const) {
        const long = (poses: ReadonlyMap<Station, Pose>) =>
          distance(poses.get(station)?.[a] as Vec3, poses.get(station)?.[b] as Vec3);
        expect(Math.abs(long(target) - long(own))).toBeLessThan(0.3);
      }
  });
});

test('a swing inside every band is left where it is, but for the inner margin', () => {
  const golfer = made({}, 2);
  const own = posesOf(golfer);
  for (const { station, target, mends } of targetPoses(own, sizesOf(golfer), USUAL_CONTEXT)) {
    expect(mends).toEqual([]);
    const off = distance(target.lead_hip as Vec3, own.get(station)?.lead_hip as Vec3);
    expect(off).toBeLessThan(0.6);
  }
});

test('works with what was seen: hips and legs alone', () => {
  const golfer = made({ sway: 2 });
  const own = posesOf(golfer, [
    'lead_hip',
    'trail_hip',
    'lead_knee',
    'trail_knee',
    'lead_ankle',
    'trail_ankle',
  ]);
  const top = targetPoses(own, sizesOf(golfer), USUAL_CONTEXT).find((t) => t.station === 'top');
  expect(top?.mends).toContain('shift_top');
  expect((top?.target.lead_hip?.[0] as number) - (own.get('top')?.lead_hip?.[0] as number)).toBeGreaterThan(
    0.8,
  );
});
