import { add, midpoint, scale, type Vec3 } from '../../foundation/index.ts';
import type { Pose } from '../measures/index.ts';
import { beltFrame, chestFrame, placed } from './moveHands.ts';

export type PropId =
  | 'belt_bar'
  | 'hip_club'
  | 'loop_stick'
  | 'spine_stick'
  | 'shoulder_club'
  | 'pocket_phone'
  | 'lead_pocket_phone'
  | 'bucket'
  | 'hip_band'
  | 'trail_wedge'
  | 'leg_lines'
  | 'coin'
  | 'held_rod'
  | 'ankle_sticks'
  | 'gate_basket';

/** What the figure draws between two of its points. */
export interface Stroke {
  readonly from: string;
  readonly to: string;
  readonly widthIn: number;
  /** A solid thing stands behind the body, so that it hides nothing of it. */
  readonly tone: 'body' | 'club' | 'object' | 'solid';
}

type Points = Readonly<Record<string, Vec3>>;
interface Prop {
  readonly strokes: readonly Stroke[];
  /** Its points on a body, with its arms; `k` is standing height. */
  readonly points: (pose: Pose, arms: Points, k: number, halfStanceIn: number) => Record<string, Vec3>;
}

const stick = (from: string, to: string, widthIn = 0.9): Stroke => ({ from, to, widthIn, tone: 'object' });
const solid = (from: string, to: string, widthIn: number): Stroke => ({ from, to, widthIn, tone: 'solid' });
const atBelt = (pose: Pose, k: number, across: number, front: number, up = 0): Vec3 =>
  placed(beltFrame(pose), k, [across, front, up]);
const hands = (arms: Points): Vec3 => midpoint(arms.lead_hand as Vec3, arms.trail_hand as Vec3);

/** What a student wears, holds or stands on, as points of the figure. */
export const PROPS: Readonly<Record<PropId, Prop>> = {
  belt_bar: {
    strokes: [stick('bar_trail', 'bar_lead')],
    points: (pose, _, k) => ({
      bar_lead: atBelt(pose, k, 0.24, 0.1, 0.03),
      bar_trail: atBelt(pose, k, -0.24, 0.1, 0.03),
    }),
  },
  hip_club: {
    strokes: [stick('bar_trail', 'bar_lead')],
    points: (pose, _, k) => ({
      bar_lead: atBelt(pose, k, 0.3, 0.1, 0.03),
      bar_trail: atBelt(pose, k, -0.17, 0.1, 0.03),
    }),
  },
  loop_stick: {
    strokes: [stick('stick_start', 'stick_end')],
    points: (pose, _, k) => ({
      stick_start: atBelt(pose, k, -0.04, 0.09, 0.03),
      stick_end: atBelt(pose, k, 0.34, 0.09, 0.03),
    }),
  },
  spine_stick: {
    strokes: [stick('stick_tail', 'stick_top')],
    points: (pose, _, k) => {
      const { up, front } = chestFrame(pose);
      const back = add(pose.neck as Vec3, scale(front, -0.075 * k));
      return { stick_top: add(back, scale(up, 0.2 * k)), stick_tail: add(back, scale(up, -0.34 * k)) };
    },
  },
  shoulder_club: {
    strokes: [stick('stick_trail', 'stick_lead')],
    points: (pose, _, k) => {
      const frame = chestFrame(pose);
      return {
        stick_lead: placed(frame, k, [0.3, 0.07, -0.02]),
        stick_trail: placed(frame, k, [-0.24, 0.07, -0.02]),
      };
    },
  },
  pocket_phone: {
    strokes: [solid('pocket_low', 'pocket', 3)],
    points: (pose, _, k) => ({
      pocket: atBelt(pose, k, -0.05, -0.07, 0.015),
      pocket_low: atBelt(pose, k, -0.05, -0.07, -0.05),
    }),
  },
  lead_pocket_phone: {
    strokes: [solid('pocket_low', 'pocket', 3)],
    points: (pose, _, k) => ({
      pocket: atBelt(pose, k, 0.06, 0.07, 0.015),
      pocket_low: atBelt(pose, k, 0.06, 0.07, -0.05),
    }),
  },
  bucket: {
    strokes: [stick('handle', 'bucket_top', 0.6), solid('bucket_top', 'bucket', 8)],
    points: (_, arms) => {
      const grip = hands(arms);
      return { handle: grip, bucket_top: add(grip, [0, 0, -4]), bucket: add(grip, [0, 0, -9]) };
    },
  },
  hip_band: {
    strokes: [stick('band_hip', 'band_anchor', 1.6)],
    points: (pose, _, k) => ({
      band_hip: atBelt(pose, k, 0, 0.08, 0),
      band_anchor: [-0.5 * k, -0.25 * k, 0.45 * k],
    }),
  },
  trail_wedge: {
    strokes: [stick('wedge_back', 'wedge_front', 2)],
    points: (_, __, k, half) => ({
      wedge_back: [-half - 0.035 * k, -0.03 * k, 1],
      wedge_front: [-half - 0.045 * k, 0.08 * k, 1],
    }),
  },
  leg_lines: {
    strokes: [stick('line_lead_low', 'line_lead', 0.5), stick('line_trail_low', 'line_trail', 0.5)],
    points: (_, __, k, half) => {
      const out = half + 0.04 * k;
      return {
        line_lead_low: [out, 0, 0],
        line_lead: [out, 0, 0.62 * k],
        line_trail_low: [-out, 0, 0],
        line_trail: [-out, 0, 0.62 * k],
      };
    },
  },
  coin: {
    strokes: [stick('coin', 'coin', 2.2)],
    points: (_, __, k, half) => ({ coin: [-half + 0.02 * k, 0.03 * k, 0.6] }),
  },
  held_rod: {
    strokes: [stick('rod_foot', 'rod_top')],
    points: (_, arms, k) => {
      const grip = hands(arms);
      return {
        rod_top: add(grip, [0, 0, 0.04 * k]),
        rod_foot: [grip[0], grip[1], Math.max(0.5, grip[2] - 0.36 * k)],
      };
    },
  },
  ankle_sticks: {
    strokes: [stick('stick_lead_back', 'stick_lead_front'), stick('stick_trail_back', 'stick_trail_front')],
    points: (_, __, k, half) => ({
      stick_lead_back: [half, -0.14 * k, 0.4],
      stick_lead_front: [half, 0.18 * k, 0.4],
      stick_trail_back: [-half, -0.14 * k, 0.4],
      stick_trail_front: [-half, 0.18 * k, 0.4],
    }),
  },
  // The club lies on the basket behind the lead foot; its grip ends an inch inside the lead knee.
  gate_basket: {
    strokes: [solid('basket_low', 'basket', 8), stick('basket', 'gate_grip')],
    points: (_, __, k, half) => ({
      basket_low: [half - 1.5, -0.2 * k, 4],
      basket: [half - 1.5, -0.2 * k, 0.26 * k],
      gate_grip: [half - 1.5, 0.04 * k, 0.28 * k],
    }),
  },
};
