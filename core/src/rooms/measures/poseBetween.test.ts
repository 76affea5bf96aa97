import { describe, expect, test } from '@jest/globals';
import { distance, seededRandom, type Vec3 } from '../../foundation/index.ts';
import { poseBetween } from './poseBetween.ts';
import type { Pose } from './targetPose.ts';

/** A body on planted feet whose pelvis has turned by so many degrees and moved by so many inches. */
const turned = (deg: number, shiftIn: number): Pose => {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return {
    lead_hip: [shiftIn + 4 * c, -30 - 4 * s, 36],
    trail_hip: [shiftIn - 4 * c, -30 + 4 * s, 36],
    lead_ankle: [8, -30, 3],
    trail_ankle: [-8, -30, 3],
  };
};
const POSES = [turned(0, 0), turned(20, -1), turned(45, -1.5), turned(-10, 3), turned(-40, 4)];
const centre = (pose: Pose) => ((pose.lead_hip as Vec3)[0] + (pose.trail_hip as Vec3)[0]) / 2;

describe('a body drawn between stations', () => {
  test('is the measured one at each station, and past the ends', () => {
    for (const [i, pose] of POSES.entries()) expect(poseBetween(POSES, i)).toEqual(pose);
    expect(poseBetween(POSES, -1)).toEqual(POSES[0]);
    expect(poseBetween(POSES, 9)).toEqual(POSES[4]);
    expect(poseBetween([], 0)).toEqual({});
  });
  test('planted feet stay; the hips keep their distance while they turn', () => {
    for (let position = 0; position <= 4; position += 0.05) {
      const pose = poseBetween(POSES, position);
      expect(distance(pose.lead_ankle as Vec3, [8, -30, 3])).toBeLessThan(0.15);
      expect(distance(pose.lead_hip as Vec3, pose.trail_hip as Vec3)).toBeCloseTo(8, 1);
    }
  });
  test('goes from station to station without a jump and without overshooting either', () => {
    let last = centre(poseBetween(POSES, 0));
    for (let k = 1; k <= 400; k++) {
      const position = k / 100;
      const x = centre(poseBetween(POSES, position));
      expect(Math.abs(x - last)).toBeLessThan(0.12);
      const [a, b] = [Math.floor(position), Math.min(4, Math.ceil(position))].map((i) =>
        centre(POSES[i] as Pose),
      );
      expect(x).toBeGreaterThan(Math.min(a as number, b as number) - 0.05);
      expect(x).toBeLessThan(Math.max(a as number, b as number) + 0.05);
      last = x;
    }
  });
  test('half-way up a straight even climb is half-way', () => {
    const climb = [0, 2, 4, 6].map((x): Pose => ({ lead_hip: [x, 0, 36] }));
    expect((poseBetween(climb, 1.5).lead_hip as Vec3)[0]).toBeCloseTo(3, 9);
  });
  test('a place that one of the two stations lacks is left out; any path stays finite', () => {
    const random = seededRandom(8);
    const wild = Array.from(
      { length: 6 },
      (): Pose => ({ lead_hip: [random() * 9, random() * 9, random() * 9] }),
    );
    const pose = poseBetween([...wild, { ...turned(3, 1) }], 5.4);
    expect(Object.keys(pose)).toEqual(['lead_hip']);
    expect((pose.lead_hip as Vec3).every(Number.isFinite)).toBe(true);
  });
});
