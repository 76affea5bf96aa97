import { BALL_PLACES, type Slot } from './slots.ts';

const WEEK = 7;

/**
 * What a day that only keeps a feel leaves to others of what the weeks ahead may hold: for each of the seven days on
 * which a week that holds this day may end, the visits with balls until then, and the days that share the rest.
 */
export interface Reserve {
  readonly visits: Float64Array;
  readonly sharers: Float64Array;
}

/** Of a day that leaves nothing to others. */
export const NO_RESERVE: Reserve = {
  visits: new Float64Array(WEEK),
  sharers: new Float64Array(WEEK).fill(1),
};

export function reserves(slots: readonly Slot[]): Reserve[] {
  const isOpen = slots.map(({ asked, closed }) => asked && closed === null);
  return slots.map((_, day): Reserve => {
    const reserve = { visits: new Float64Array(WEEK), sharers: new Float64Array(WEEK) };
    let [visits, sharers] = [0, 0];
    for (let ahead = 0; ahead < WEEK; ahead++) {
      const slot = slots[day + ahead];
      if (slot && isOpen[day + ahead]) {
        if (!BALL_PLACES.includes(slot.place)) sharers += 1;
        else if (ahead > 0) visits += 1;
      }
      reserve.visits[ahead] = visits;
      reserve.sharers[ahead] = Math.max(1, sharers);
    }
    return reserve;
  });
}
