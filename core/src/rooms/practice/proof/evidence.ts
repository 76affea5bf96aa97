import type { IsoDay } from '../../../foundation/index.ts';
import { type Drill, HOUSE_LIBRARY } from '../../prescription/index.ts';
import type { Breach, EmptyDay, PlanDay, PlanItem } from '../plan/planModel.ts';
import type { PlanRequest } from '../plan/planRequest.ts';

/** A hard rule: its code, and every day on which a plan breaks it. */
export interface PlanRule {
  readonly rule: string;
  readonly breaches: (evidence: Evidence) => readonly Omit<Breach, 'rule'>[];
}

/** Repetitions of a drill on a day, planned or logged; days are whole numbers. */
export interface Deed {
  readonly day: number;
  readonly drill: Drill;
  readonly reps: number;
  readonly planned: boolean;
}

/** A plan as the rules look at it. */
export interface Evidence {
  readonly request: PlanRequest;
  readonly days: readonly PlanDay[];
  readonly empty: readonly EmptyDay[];
  readonly deeds: readonly Deed[];
  /** Days on which anything was or will be repeated. */
  readonly active: ReadonlySet<number>;
  /** The first day that was still open when the plan was laid. */
  readonly firstPlanned: number;
  readonly drillOf: (id: string) => Drill | undefined;
}

const MS_A_DAY = 86_400_000;
export const dayNumber = (date: IsoDay): number => Date.parse(`${date}T00:00:00Z`) / MS_A_DAY;
export const dateOfNumber = (day: number): IsoDay => new Date(day * MS_A_DAY).toISOString().slice(0, 10);

const NAMES = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const;
export const weekdayName = (date: IsoDay): (typeof NAMES)[number] =>
  NAMES[new Date(`${date}T00:00:00Z`).getUTCDay()] as (typeof NAMES)[number];

const repetitions = ({ rehearsals, balls }: PlanItem): number => rehearsals + balls;

export function evidenceOf(
  request: PlanRequest,
  days: readonly PlanDay[],
  empty: readonly EmptyDay[],
): Evidence {
  const { byId } = request.library ?? HOUSE_LIBRARY;
  const deeds: Deed[] = [];
  for (const { date, drill: id, letters } of request.logs) {
    const drill = byId(id);
    if (drill) deeds.push({ day: dayNumber(date), drill, reps: letters.length, planned: false });
  }
  for (const { date, items } of days)
    for (const item of items) {
      const drill = byId(item.drill);
      if (drill) deeds.push({ day: dayNumber(date), drill, reps: repetitions(item), planned: true });
    }
  const active = new Set(deeds.filter(({ reps }) => reps > 0).map(({ day }) => day));
  const logged = request.logs.map(({ date }) => dayNumber(date) + 1);
  const firstPlanned = Math.max(dayNumber(request.start), ...logged);
  return { request, days, empty, deeds, active, firstPlanned, drillOf: byId };
}
