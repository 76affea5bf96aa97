import { daysBetween, plusDays } from '@inchstep/core/foundation';
import type { Plan } from '@inchstep/core/practice';
import type { Drill } from '@inchstep/core/prescription';

/** A day on the rail: where it stands, how long its session is, and what it loads. */
export interface RailDay {
  readonly date: string;
  readonly day: number;
  readonly minutes: number;
  readonly balls: boolean;
  readonly place: string;
  /** Why there is none, where a day was asked for. */
  readonly empty: string | null;
  /** Repetitions that load each joint. */
  readonly loads: Readonly<Record<string, number>>;
}

export interface RailGate {
  readonly drill: string;
  readonly stage: string;
  readonly likely: number | null;
  readonly late: number | null;
}

export interface Rail {
  readonly from: string;
  readonly days: number;
  readonly sessions: readonly RailDay[];
  readonly gates: readonly RailGate[];
  /** Joints that anything loads, most loaded first, with the fullest day of each. */
  readonly joints: readonly { readonly joint: string; readonly most: number }[];
}

const LIFE: readonly string[] = ['away', 'ill', 'missed', 'held'];
export const isGap = ({ empty }: Pick<RailDay, 'empty'>): boolean => empty !== null && LIFE.includes(empty);

/** A plan as it lies on the rail, from a day on for so many days. */
export function railOf(
  plan: Pick<Plan, 'days' | 'empty' | 'gateDates'>,
  from: string,
  days: number,
  drillOf: (id: string) => Pick<Drill, 'loads'> | undefined,
): Rail {
  const until = plusDays(from, days - 1);
  const within = ({ date }: { readonly date: string }) => date >= from && date <= until;
  const sessions = [
    ...plan.days.filter(within).map(
      ({ date, minutes, place, items }): RailDay => ({
        date,
        day: daysBetween(from, date),
        minutes,
        place,
        balls: items.some(({ balls }) => balls > 0),
        empty: null,
        loads: loadsOf(items, drillOf),
      }),
    ),
    ...plan.empty.filter(within).map(
      ({ date, why }): RailDay => ({
        date,
        day: daysBetween(from, date),
        minutes: 0,
        place: '',
        balls: false,
        empty: why,
        loads: {},
      }),
    ),
  ].sort((a, b) => a.day - b.day);
  const at = (date: string | null) => (date === null ? null : daysBetween(from, date));
  return {
    from,
    days,
    sessions,
    gates: plan.gateDates.map(({ drill, stage, likely, late }) => ({
      drill,
      stage,
      likely: at(likely),
      late: at(late),
    })),
    joints: jointsOf(sessions),
  };
}

function loadsOf(
  items: Plan['days'][number]['items'],
  drillOf: (id: string) => Pick<Drill, 'loads'> | undefined,
): Record<string, number> {
  const loads: Record<string, number> = {};
  for (const { drill, rehearsals, balls } of items)
    for (const joint of Object.keys(drillOf(drill)?.loads ?? {}))
      loads[joint] = (loads[joint] ?? 0) + rehearsals + balls;
  return loads;
}

function jointsOf(sessions: readonly RailDay[]): Rail['joints'] {
  const most = new Map<string, number>();
  for (const { loads } of sessions)
    for (const [joint, reps] of Object.entries(loads)) most.set(joint, Math.max(most.get(joint) ?? 0, reps));
  return [...most].map(([joint, reps]) => ({ joint, most: reps })).sort((a, b) => b.most - a.most);
}
