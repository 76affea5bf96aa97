import type { QuarrelCode } from '@inchstep/core/prescription';

/** Why two drills are kept apart. */
export const QUARREL_WORDS = {
  seat_back_or_through: 'one keeps the seat back while the other sends it through',
  trail_leg_bent_or_long: 'one keeps the trail leg bent while the other lets it grow long',
  lead_leg_straight_or_low: 'one straightens the lead leg while the other keeps it low',
  trail_foot_up_or_long: 'one keeps the trail heel low while the other stands on the toes',
  post_kept_or_left: 'one stays on the post while the other leaves it',
  same_foot_raised: 'both raise the same foot',
  bar_meets_chair: 'the bar meets the chair',
  box_behind_moved_foot: 'the box no longer stands at the foot that was moved',
} as const satisfies Readonly<Record<QuarrelCode, string>>;

export const quarrelText = (why: QuarrelCode | null): string => (why ? ` (${QUARREL_WORDS[why]})` : '');
