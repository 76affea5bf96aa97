import type { LinkStrength } from './faultTable.ts';

interface Cause {
  readonly cause: string;
  readonly effect: string;
  readonly strength: LinkStrength;
}

// cause: effect strength, effect strength. The graph has no loops (a test holds it to that).
const CAUSE_LINES = `
base_narrow: sway 2, over_slide 2
base_wide: hang_back 2, frozen_hips 1
setup_squat: hip_hike 3, depth_loss 1
hips_off_centre: sway 1, no_load 2
false_bump: hang_back 2, reverse_pivot 1, no_load 1
lead_knee_collapse: over_turn 3, reverse_pivot 3, sway 2, lost_brace 2, head_drift 1
lost_brace: sway 2, hang_back 1, over_turn 1
no_load: reverse_pivot 3, spin_out 1
frozen_hips: no_load 2, hip_hike 1, spin_out 1
sway: hang_back 3, head_drift 2, late_start 1, over_slide 1
reverse_pivot: hang_back 3
hip_hike: spin_out 2, toward_ball_back 1
flat_turn: spin_out 1, depth_loss 2
over_turn: late_start 1, flat_turn 1
toward_ball_back: depth_loss 3
late_start: hang_back 2, spin_out 2
hang_back: trail_side_stays 2, stall 1
spin_out: wipe 2, upper_dive 1
over_slide: stall 2, depth_loss 1
knee_shut: stall 3, over_slide 1
trail_knee_kick: depth_loss 3
depth_loss: stall 2, stands_up 3
lead_hip_pop: stall 3, depth_loss 1
no_post: over_slide 2, no_extension 1
stall: trail_side_stays 2
no_extension: stands_up 1, upper_dive 1`;

// What the ball (and the look of the hit) says of a fault. Shared by many: never a root alone.
const BALL_LINES = `
sway: ball.fat 2, ball.thin 2, ball.low_point_behind 3, ball.weak 1
hang_back: ball.fat 2, ball.thin 2, ball.low_point_behind 3, ball.weak 1
reverse_pivot: ball.fat 2, ball.thin 2, ball.low_point_behind 3, ball.weak 1
trail_side_stays: ball.fat 2, ball.thin 2, ball.low_point_behind 3, ball.weak 1
spin_out: obs.over_the_top 3, ball.slice 2, ball.pull 2, ball.heavy_turf 2
hip_hike: obs.over_the_top 3, ball.slice 2, ball.pull 2, ball.heavy_turf 2
depth_loss: ball.push 2, ball.hook 2, ball.heel 1, ball.thin 1
stall: obs.flip 3, ball.hook 2, ball.weak 1, ball.thin 1
over_slide: ball.push 2, ball.weak 2, obs.stuck_inside 2
wipe: ball.slice 2, ball.toe 1
upper_dive: ball.pull 2, ball.heavy_turf 2
frozen_hips: ball.weak 2
no_load: ball.weak 2
lead_knee_collapse: ball.fat 2, ball.thin 1
over_turn: ball.fat 1`;

function read(lines: string): Cause[] {
  return lines
    .trim()
    .split('\n')
    .flatMap((line) => {
      const [cause, effects] = line.split(': ') as [string, string];
      return effects.split(', ').map((part) => {
        const [effect, strength] = part.split(' ') as [string, string];
        return { cause, effect, strength: Number(strength) as LinkStrength };
      });
    });
}

export const CAUSES: readonly Cause[] = read(CAUSE_LINES);
export const BALL_SIGNS: readonly Cause[] = read(BALL_LINES);

/** Everything downstream of a fault, the fault itself left out. */
export function downstreamOf(fault: string): Set<string> {
  const found = new Set<string>();
  const walk = (from: string) => {
    for (const { cause, effect } of CAUSES) {
      if (cause !== from || found.has(effect)) continue;
      found.add(effect);
      walk(effect);
    }
  };
  walk(fault);
  return found;
}
