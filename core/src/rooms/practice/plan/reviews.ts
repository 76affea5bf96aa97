import { type IsoDay, plusDays } from '../../../foundation/index.ts';
import { RETENTION_AFTER_DAYS } from '../ruleNumbers.ts';
import type { GateDate } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';

/** The next lesson, a check-in each week until the last gate, and two looks for what lasts. */
export function reviewsOf({ start, nextLesson }: PlanRequest, gates: readonly GateDate[]): IsoDay[] {
  const dated = gates.flatMap(({ likely }) => (likely === null ? [] : [likely]));
  const last = dated.sort().at(-1) ?? plusDays(start, 14);
  const dates = new Set<IsoDay>();
  for (let day = plusDays(start, 7); day <= last; day = plusDays(day, 7)) dates.add(day);
  if (nextLesson !== null) dates.add(nextLesson);
  for (const after of RETENTION_AFTER_DAYS) dates.add(plusDays(last, after));
  return [...dates].sort();
}
