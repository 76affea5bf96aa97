import type { Club } from '@inchstep/core/intake';
import type { AmountId, ClubAmount } from '@inchstep/core/prescription';

/** Names of what changes with the club. */
export const AMOUNT_WORDS = {
  bump: 'Pelvis toward the target',
  breastbone_away: 'Breastbone away from it',
  shuffle: 'Feet in the shuffle',
  shift_forward: 'Pelvis forward, half-way down',
} as const satisfies Readonly<Record<AmountId, string>>;

/** One amount or two, in the reader's units. */
export const amountRange = (loIn: number, hiIn: number, length: (inches: number) => string): string =>
  loIn === hiIn ? length(loIn) : `${length(loIn)} to ${length(hiIn)}`;

/** What a drill wants with one club, in a line: "pelvis forward, half-way down 2.0 in to 3.0 in"; null where nothing depends on it. */
export function amountsWithClub(
  amounts: readonly ClubAmount[],
  club: Club | null,
  length: (inches: number) => string,
): string | null {
  const each = amounts.flatMap(({ id, byClub }) => {
    const row = byClub.find((of) => of.club === club);
    if (!row || row.hiIn === 0) return [];
    return [`${AMOUNT_WORDS[id].toLowerCase()} ${amountRange(row.loIn, row.hiIn, length)}`];
  });
  return each.length > 0 ? each.join('; ') : null;
}
