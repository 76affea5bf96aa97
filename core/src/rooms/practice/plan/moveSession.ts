import type { IsoDay } from '../../../foundation/index.ts';
import { provePlan } from '../proof/provePlan.ts';
import type { Breach, Plan, PlanDay } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';

/**
 * The rules that a plan would break if the session of one day were put on another as it is; a session that stands
 * there goes where the first one came from.
 */
export function breachesOfMove(
  request: PlanRequest,
  plan: Pick<Plan, 'days' | 'empty'>,
  from: IsoDay,
  to: IsoDay,
): readonly Breach[] {
  const moved = plan.days
    .map((day): PlanDay => ({ ...day, date: day.date === from ? to : day.date === to ? from : day.date }))
    .sort((a, b) => (a.date < b.date ? -1 : 1));
  const swapped = plan.days.some(({ date }) => date === to);
  const moves = [...request.moves, { from, to }, ...(swapped ? [{ from: to, to: from }] : [])];
  const before = new Set(provePlan(request, plan.days, plan.empty).broken.map(({ rule }) => rule));
  return provePlan({ ...request, moves }, moved, plan.empty).broken.filter(({ rule }) => !before.has(rule));
}
