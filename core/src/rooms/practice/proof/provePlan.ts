import type { Breach, EmptyDay, PlanDay, Proof } from '../plan/planModel.ts';
import type { PlanRequest } from '../plan/planRequest.ts';
import { BODY_RULES } from './bodyRules.ts';
import { evidenceOf, type PlanRule } from './evidence.ts';
import { ORDER_RULES } from './orderRules.ts';
import { TIME_RULES } from './timeRules.ts';

/** Every hard rule, each a predicate for itself; a broken one names the day and what it is about. */
export const PLAN_RULES: readonly PlanRule[] = [...TIME_RULES, ...BODY_RULES, ...ORDER_RULES];

/**
 * Checks a plan from its days alone, without asking how they were laid. It shares the numbers of the rules with
 * the planner and nothing else.
 */
export function provePlan(request: PlanRequest, days: readonly PlanDay[], empty: readonly EmptyDay[]): Proof {
  const evidence = evidenceOf(request, days, empty);
  const broken: Breach[] = [];
  for (const { rule, breaches } of PLAN_RULES)
    for (const { date, about } of breaches(evidence)) broken.push({ rule, date, about });
  return { rules: PLAN_RULES.length, broken };
}
