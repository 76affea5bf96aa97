import type { FindingId } from './findings.ts';

/** Findings that speak for no fault, each with the reason; a finding is either here or feeds one (a test). */
export const UNFED: Partial<Readonly<Record<FindingId, string>>> = {
  'obs.self_reports_still_head': 'What the student feels is set beside the measured head, not weighed.',
  'obs.foot_banks_inside': 'What a long trail foot should do; it excludes looks of the opposite.',
  'obs.hips_tucked_through': 'What tucking hips should do; it excludes folded ones.',
  'trunk_lean_address.low':
    'An upright trunk is made up for by the grip of the club; no pivot fault starts there.',
  'knee_flex_address.low': 'Straight legs cost balance, not the pivot.',
  'lead_foot_flare.high': 'A flared lead foot frees the finish.',
  'trail_foot_flare.low': 'A turned-in trail foot costs turn, which is measured itself.',
  'trail_hip_depth_top.high': 'More depth than the band is room to come down in.',
  'lead_knee_out_top.high': 'A knee far out has turned with the pelvis.',
  'lead_knee_flex_change_top.low': 'Seen with little turn, which is measured itself.',
  'transition_lead_ms.high': 'An early start shows in where the pelvis is half-way down.',
  'lead_thigh_past_line.low': 'The same as a short shift half-way, which feeds hanging back.',
  'lead_low_arm_down.high': 'A very low lead side is late, not wrong; impact tells.',
  'bearing_back.low': 'Toward the ball going back is read from the seat.',
  'turn_impact.high': 'Very open hips are a strength where depth is kept.',
  'lead_knee_flex_impact.low': 'A locked lead leg is looked at for the knee’s sake, not the swing’s.',
  'trail_hip_behind_finish.low': 'A trail hip that went past has finished its turn.',
  'knee_line_delivery.high': 'Knees far open go with early turn, which is measured itself.',
  'trail_knee_flex_delivery.high': 'A deep trail knee shows as a kick when it goes to the ball.',
  'tilt_impact.high': 'A high lead hip at impact is the rise of a posted leg.',
  'shoulder_tilt_impact.high': 'Side bend beyond the band belongs to the arms and the back.',
};
