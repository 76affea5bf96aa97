import type { PlanDay, PlanItem } from './planModel.ts';

/** An item with what a test says otherwise. */
export const testItem = (more: Partial<PlanItem> = {}): PlanItem => ({
  id: '2027-03-01.knee_swap.rung',
  drill: 'knee_swap',
  intent: 'rung',
  as: 'drill',
  stage: 'still',
  layer: 1,
  sets: 1,
  rehearsals: 10,
  balls: 0,
  looks: 0,
  lookEvery: null,
  speedPct: 0,
  club: null,
  clubs: [],
  aid: 'on',
  order: 'blocked',
  stop: false,
  minutes: 2,
  ...more,
});

export const testDay = (date: string, items: readonly PlanItem[], more: Partial<PlanDay> = {}): PlanDay => ({
  date,
  place: 'home',
  minutes: 10,
  warmUpMinutes: 3,
  warmUp: ['march_on_the_spot'],
  items,
  ...more,
});
