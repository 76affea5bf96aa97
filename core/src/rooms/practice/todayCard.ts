import { type IsoDay, plusDays } from '../../foundation/index.ts';
import type { Library } from '../prescription/index.ts';
import { askNow, type PlanFile, requestOf } from './layPlan.ts';
import { groundOf } from './plan/ground.ts';
import { layDays } from './plan/lay.ts';
import type { PlanDay } from './plan/planModel.ts';
import { LOOK_BACK_DAYS } from './ruleNumbers.ts';

/**
 * What the student's card says for a day: the session that the plan holds for it, with the rungs the drills really
 * stand on, from what was done until the day before. Null on a day without practice, and without a plan.
 */
export function cardOf(file: PlanFile, library: Library, today: IsoDay): PlanDay | null {
  const { plan } = file.practice;
  if (!plan || plan.drills.length === 0) return null;
  const request = requestOf(file, library, { ...askNow(file, plan, today), weeks: 1 });
  if (request.drills.some((id) => !library.byId(id))) return null;
  // A card is laid with every look at the page: only what the rules look back to is read.
  const since = plusDays(today, -LOOK_BACK_DAYS);
  const logs = request.logs.filter(({ date }) => date < today && date >= since);
  const ground = groundOf({ ...request, logs });
  // The plan that stands may let a joint rest today so that a better day is free.
  const planned = plan.plan.days.find(({ date }) => date === today);
  const root = ground.tracks[0]?.drill.id;
  const isPlanned = planned === undefined || planned.items.some(({ drill }) => drill === root);
  const covered =
    plan.plan.days.some(({ date }) => date <= today) && plan.plan.days.some(({ date }) => date >= today);
  const rests = covered && (planned === undefined ? isRest(plan.plan.empty, today) : !isPlanned);
  const laid = layDays(ground, { skips: new Set(rests ? [0] : []) }, 1);
  return laid.days.find(({ date }) => date === today) ?? null;
}

const isRest = (empty: readonly { readonly date: IsoDay; readonly why: string }[], today: IsoDay): boolean =>
  empty.some(({ date, why }) => date === today && why === 'rest');
