import { LANDMARKS, type Motion } from '@inchstep/core/capture';
import { gaussian, type Random, type Vec3 } from '@inchstep/core/foundation';
import type { StandInGolfer } from '../golfer/golfer.ts';

interface TrackerSpec {
  readonly rateHz?: number;
  /** Noise of each coordinate, inches. */
  readonly noiseIn?: number;
}

/** A motion capture room: every landmark at an even rate with noise, in the ground frame. */
export function trackGolfer(golfer: StandInGolfer, spec: TrackerSpec, random: Random): Motion {
  const { rateHz = 240, noiseIn = 0.08 } = spec;
  const frames = Math.floor(golfer.lengthSeconds * rateHz) + 1;
  const times = Array.from({ length: frames }, (_, i) => i / rateHz);
  const poses = times.map((t) => golfer.poseAt(t).landmarks);
  const noisy = (p: Vec3): Vec3 => [
    p[0] + noiseIn * gaussian(random),
    p[1] + noiseIn * gaussian(random),
    p[2] + noiseIn * gaussian(random),
  ];
  return {
    times,
    points: new Map(LANDMARKS.map((landmark) => [landmark, poses.map((pose) => noisy(pose[landmark]))])),
  };
}

/** Seconds of the time measures' events, from the golfer without noise at a millisecond's step. */
export function trueTimeMeasures(golfer: StandInGolfer): {
  transition_lead_ms: number;
  turn_rate_hold: number;
} {
  const step = 0.001;
  const at = (station: 'address' | 'top' | 'delivery' | 'impact') => golfer.shape[station].at;
  const hips = (t: number) => {
    const { lead_hip: l, trail_hip: r } = golfer.poseAt(t).landmarks;
    return { x: (l[0] + r[0]) / 2, turn: (Math.atan2(-(l[1] - r[1]), l[0] - r[0]) * 180) / Math.PI };
  };
  const speed = (t: number) => hips(t + step).x - hips(t - step).x;
  let fastest = at('address') + step;
  for (let t = fastest; t < at('delivery'); t += step) if (speed(t) > speed(fastest)) fastest = t;
  let start = fastest;
  while (start > at('address') && speed(start) > 0.1 * speed(fastest)) start -= step;
  let most = 0;
  for (let t = at('top'); t < at('impact'); t += step)
    most = Math.max(most, (hips(t + step).turn - hips(t).turn) / step);
  const mean = (hips(at('impact')).turn - hips(at('delivery')).turn) / (at('impact') - at('delivery'));
  return { transition_lead_ms: 1000 * (at('top') - start), turn_rate_hold: mean / most };
}
