import { BELIEVED, type Diagnosis } from '../diagnosis/index.ts';
import type { Drill } from './drillTable.ts';

const TURN_MEASURES = ['turn_impact', 'turn_rate_hold', 'trail_hip_behind_finish'];
const TURN_FAULTS = ['stall', 'lead_hip_pop', 'trail_side_stays'];
const DOWNSWING_DEPTH = ['seat_loss_arm_down', 'seat_loss_delivery', 'seat_loss_impact'];
const DOWNSWING_TILT = ['lead_low_arm_down', 'drop_arm_down'];

/** Trains more turn through the ball, which an open face or a high lead arm makes worse. */
export const trainsTurnThrough = (drill: Drill): boolean =>
  drill.needsFaceAndArms ||
  drill.moves.some((id) => TURN_MEASURES.includes(id)) ||
  drill.fixes.some(({ fault }) => TURN_FAULTS.includes(fault));

/** Keeps depth or tilt coming down, which can't be kept before it was made at the top. */
export const needsDepthAtTop = (drill: Drill): boolean =>
  drill.phase === 'down' && drill.moves.some((id) => [...DOWNSWING_DEPTH, ...DOWNSWING_TILT].includes(id));

type Reasoned = Pick<Diagnosis, 'faults' | 'blockers'> & Partial<Pick<Diagnosis, 'present'>>;

/** Faults without depth at the top, the plainest first. */
const WITHOUT_DEPTH = ['toward_ball_back', 'hip_hike', 'frozen_hips'] as const;

/** The fault that leaves the top without depth, or null where depth is there or nothing is known of it. */
export function depthMissing({ faults, present = [] }: Reasoned): string | null {
  const chance = (fault: string) => faults[fault] ?? 0;
  if (chance('toward_ball_back') > BELIEVED) return 'toward_ball_back';
  if (!present.includes('trail_hip_depth_top.low')) return null;
  return WITHOUT_DEPTH.reduce(
    (most, fault) => (chance(fault) > chance(most) ? fault : most),
    WITHOUT_DEPTH[0],
  );
}
