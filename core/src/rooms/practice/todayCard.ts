import type { IsoDay } from '../../foundation/index.ts';
import type { Plan, PlanDay } from './planModel.ts';
import type { Stage } from './stages.ts';

/** Whether a planned day foresaw each drill on the rung it really stands on. */
const asForeseen = (day: PlanDay, rungs: Readonly<Record<string, Stage>>): boolean =>
  day.items.every(({ drill, stage }) => rungs[drill] === stage);

/**
 * What today's card says: the plan's own day where it foresaw the real rungs, else the same day laid anew from
 * them. A plan assumes that gates open when they are expected to; the card must not.
 */
export function todayCard(
  plan: Plan | null,
  rungs: Readonly<Record<string, Stage>>,
  today: IsoDay,
  laidAnew: () => Plan | null,
): PlanDay | null {
  const planned = plan?.days.find(({ date }) => date === today) ?? null;
  if (planned === null || asForeseen(planned, rungs)) return planned;
  return laidAnew()?.days.find(({ date }) => date === today) ?? null;
}
