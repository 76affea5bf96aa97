import { describe, expect, test } from '@jest/globals';
import type { Plan, PlanDay } from './planModel.ts';
import type { Stage } from './stages.ts';
import { todayCard } from './todayCard.ts';

const day = (date: string, stage: Stage, reps = 30): PlanDay => ({
  date,
  place: 'home',
  minutes: 10,
  warmUpMinutes: 2,
  items: [
    {
      drill: 'knee_swap',
      stage,
      sets: 3,
      rehearsals: reps,
      balls: 0,
      looks: 1,
      speedPct: 0,
      club: null,
      minutes: 8,
    },
  ],
});
const plan = (...days: PlanDay[]): Plan => ({ stages: [], days, gives: [], reviewDates: [] });
const never = (): Plan => {
  throw new Error('nothing is laid anew');
};

describe('today’s card', () => {
  const foreseen = plan(day('2027-03-08', 'slow'), day('2027-03-10', 'full', 18));
  test('no plan, or nothing planned today: no card, and nothing is laid', () => {
    expect(todayCard(null, {}, '2027-03-10', never)).toBeNull();
    expect(todayCard(foreseen, { knee_swap: 'full' }, '2027-03-09', never)).toBeNull();
  });
  test('as foreseen: the plan’s own day', () => {
    expect(todayCard(foreseen, { knee_swap: 'slow' }, '2027-03-08', never)).toBe(foreseen.days[0]);
  });
  test('the drill stands lower than foreseen: the day is laid anew from where it stands', () => {
    const anew = plan(day('2027-03-10', 'slow', 60));
    const card = todayCard(foreseen, { knee_swap: 'slow' }, '2027-03-10', () => anew);
    expect(card?.items[0]).toMatchObject({ stage: 'slow', rehearsals: 60 });
  });
  test('laid anew there may be nothing for today', () => {
    expect(todayCard(foreseen, { knee_swap: 'slow' }, '2027-03-10', () => plan())).toBeNull();
  });
});
