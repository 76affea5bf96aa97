import { daysBetween, type IsoDay } from '../../foundation/index.ts';
import type { Plan, PlanDay } from './plan/planModel.ts';
import type { KeptPlan } from './practiceRecord.ts';

/** A day of practice as a calendar keeps it: the same day has the same name in every new plan. */
interface CalendarEntry {
  readonly name: string;
  readonly date: IsoDay;
  /** It was planned and is not any more: a calendar that knows it takes it away. */
  readonly cancelled: boolean;
  readonly day: PlanDay;
}

/**
 * The dates of a student's practice: what was planned until today as it was, what lies ahead as it is now, and
 * what was taken back as such.
 */
export function calendarOf(kept: KeptPlan, live: Pick<Plan, 'days'>, today: IsoDay): CalendarEntry[] {
  const entry = (day: PlanDay, cancelled: boolean): CalendarEntry => ({
    name: `practice.${day.date}`,
    date: day.date,
    cancelled,
    day,
  });
  const ahead = live.days.filter(({ date }) => date >= today);
  const dates = new Set(ahead.map(({ date }) => date));
  const before = kept.plan.days.filter(({ date }) => date < today).map((day) => entry(day, false));
  const gone = kept.plan.days.filter(({ date }) => date >= today && !dates.has(date));
  return [...before, ...ahead.map((day) => entry(day, false)), ...gone.map((day) => entry(day, true))].sort(
    (a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0),
  );
}

/** Counts up with every day on which the calendar is read, so that a later reading goes before an earlier one. */
export const calendarSequence = (kept: KeptPlan, today: IsoDay): number =>
  Math.max(0, daysBetween(kept.ask.start, today));
