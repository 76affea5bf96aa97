import type { IsoDay } from '../../foundation/index.ts';
import { countedSets } from './countedSets.ts';
import type { KeptPlan, PracticeRecord } from './practiceRecord.ts';

/** What was done under the plan that stands, against what it asked for until now. */
export interface Practised {
  readonly repsDone: number;
  /** Of these, what the coach counted and logged, in a lesson or at the desk; the rest the student did. */
  readonly byCoach: number;
  readonly repsPlanned: number;
  /** Share of judged repetitions that passed; null without any. */
  readonly passRate: number | null;
  /** The day from which on it is counted: the plan's first, or that of the first set; null where there is neither. */
  readonly since: IsoDay | null;
}

/** A day counts as asked for once it is over, or once something was done on it. */
export function practisedOf({ sets, plan }: PracticeRecord, today: IsoDay): Practised {
  const done = countedSets(sets).filter(({ date }) => !plan || date >= plan.ask.start);
  const letters = done.map(({ reps }) => reps).join('');
  const judged = letters.replaceAll('?', '').length;
  const begun = done.some(({ date }) => date === today);
  return {
    repsDone: letters.length,
    byCoach: done.reduce((sum, { from, reps }) => sum + (from === 'coach' ? reps.length : 0), 0),
    repsPlanned: plan ? plannedUntil(plan, today, begun) : 0,
    passRate: judged === 0 ? null : letters.replaceAll(/[F?]/g, '').length / judged,
    since: plan?.ask.start ?? earliest(done.map(({ date }) => date)),
  };
}

const earliest = (days: readonly IsoDay[]): IsoDay | null =>
  days.reduce<IsoDay | null>((first, day) => (first === null || day < first ? day : first), null);

const plannedUntil = ({ plan }: KeptPlan, today: IsoDay, withToday: boolean): number =>
  plan.days
    .filter(({ date }) => date < today || (withToday && date === today))
    .flatMap(({ items }) => items)
    .reduce((sum, { rehearsals, balls }) => sum + rehearsals + balls, 0);

/** Days of the plan that went by without a set, oldest first. */
export function missedDays({ sets, plan }: PracticeRecord, today: IsoDay): IsoDay[] {
  if (!plan) return [];
  const practised = new Set(sets.map(({ date }) => date));
  return plan.plan.days.map(({ date }) => date).filter((date) => date < today && !practised.has(date));
}
