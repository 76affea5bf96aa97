import type { AmountId } from '@inchstep/core/prescription';

/** Names of what changes with the club. */
export const AMOUNT_WORDS = {
  bump: 'Pelvis toward the target',
  breastbone_away: 'Breastbone away from it',
  shuffle: 'Feet in the shuffle',
  shift_forward: 'Pelvis forward, half-way down',
} as const satisfies Readonly<Record<AmountId, string>>;
