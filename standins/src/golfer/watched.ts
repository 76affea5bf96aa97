import type { Landmark } from '@inchstep/core/capture';
import { gaussian, seededRandom } from '@inchstep/core/foundation';
import type { Hand, ViewKind } from '@inchstep/core/intake';
import { type SeenBody, seenBody } from '@inchstep/core/measures';
import { look, makeCamera } from '../devices/camera.ts';
import { makeGolfer } from './golfer.ts';

export const RATE = 60;
const WIDTH = 1080;
const POINTS: readonly (readonly [number, Landmark])[] = [
  [7, 'head'],
  [8, 'head'],
  [11, 'lead_shoulder'],
  [12, 'trail_shoulder'],
  [15, 'grip'],
  [16, 'grip'],
  [23, 'lead_hip'],
  [24, 'trail_hip'],
  [25, 'lead_knee'],
  [26, 'trail_knee'],
  [27, 'lead_ankle'],
  [28, 'trail_ankle'],
  [29, 'lead_heel'],
  [30, 'trail_heel'],
  [31, 'lead_toe'],
  [32, 'trail_toe'],
];

/** What a body network would answer for each frame of a filmed stand-in; noise as a share of body height. */
export function watch(kind: ViewKind, hand: Hand, options: { noise?: number; swapAt?: number } = {}) {
  const golfer = makeGolfer({ handedness: hand, heightIn: 70 }, { sway: 1 }, seededRandom(6));
  const camera = makeCamera('v', { kind, widthPx: WIDTH, heightPx: 1920 }, seededRandom(3));
  const random = seededRandom(8);
  const left = hand === 'left';
  const frames = Math.floor(golfer.lengthSeconds * RATE);
  const bodies = Array.from({ length: frames }, (_, f): SeenBody => {
    const { landmarks } = golfer.poseAt(f / RATE);
    const [u, v, seen] = [new Float64Array(33), new Float64Array(33), new Float64Array(33).fill(0.95)];
    for (const [i, landmark] of POINTS) {
      const p = look(camera, landmarks[landmark]);
      // A left-hander's left is the trail side, and the picture is the other way about.
      const at = left && i > 8 ? (i % 2 === 1 ? i + 1 : i - 1) : i;
      const off = () => 800 * (options.noise ?? 0) * gaussian(random);
      u[at] = (left ? WIDTH - p.u : p.u) + off();
      v[at] = p.v + off();
    }
    const body = seenBody(f / RATE, { u, v, seen }, left);
    return f === options.swapAt ? seenBody(f / RATE, { u: other(u), v: other(v), seen }, left) : body;
  });
  return { golfer, camera, bodies };
}

/** The same points with left and right taken for each other. */
const other = (values: Float64Array): Float64Array =>
  values.map((value, i) => (i < 11 ? value : (values[i % 2 === 1 ? i + 1 : i - 1] ?? value)));
