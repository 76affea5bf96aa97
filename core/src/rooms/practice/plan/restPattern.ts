import { BALL_PLACES, type Slot } from './slots.ts';

/**
 * Of the asked days from one on, those to leave out so that no two in a row are left and those that are left are
 * worth the most: exact, from the last day back.
 */
export function restPattern(slots: readonly Slot[], from: number, ballDayWorth: number): Set<number> {
  const worthOf = ({ asked, closed, place, day }: Slot): number =>
    !asked || closed !== null || day < from ? 0 : BALL_PLACES.includes(place) ? ballDayWorth : 1;
  const best = new Float64Array(slots.length + 2);
  for (let day = slots.length - 1; day >= 0; day--) {
    const worth = worthOf(slots[day] as Slot);
    best[day] = Math.max(best[day + 1] as number, worth + (best[day + 2] as number));
  }
  const left = new Set<number>();
  for (let day = 0; day < slots.length; ) {
    const worth = worthOf(slots[day] as Slot);
    const taken = worth > 0 && worth + (best[day + 2] as number) >= (best[day + 1] as number);
    if (!taken && worth > 0) left.add(day);
    // The day after one that is taken rests by the rule itself.
    if (taken && worthOf(slots[day + 1] ?? (slots[day] as Slot)) > 0) left.add(day + 1);
    day += taken ? 2 : 1;
  }
  return left;
}
