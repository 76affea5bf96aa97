import { daysBetween, type IsoDay } from '../../../foundation/index.ts';
import type { GateDate, Plan, PlanChange, PlanDay, PlanDiff, PlanItem } from './planModel.ts';

/** A session moves when the same drill is dropped on one day and added within so many days of it. */
const MOVES_WITHIN_DAYS = 3;

interface Session {
  readonly date: IsoDay;
  readonly item: PlanItem;
}

/** What a new plan changes from its first day on, so that a person can read it. */
export function diffOf(
  before: Pick<Plan, 'days' | 'gateDates'>,
  after: Pick<Plan, 'days' | 'gateDates'>,
  from: IsoDay,
): PlanDiff {
  const until = before.days.at(-1)?.date ?? from;
  const was = sessionsOf(before.days, from, until);
  const is = sessionsOf(after.days, from, until);
  const changes: PlanChange[] = [];
  const dropped = [...was].filter(([key]) => !is.has(key)).map(([, session]) => session);
  const added = [...is].filter(([key]) => !was.has(key)).map(([, session]) => session);
  for (const { date, item } of dropped) {
    const at = added.findIndex(
      (other) =>
        other.item.drill === item.drill && Math.abs(daysBetween(date, other.date)) <= MOVES_WITHIN_DAYS,
    );
    if (at < 0) {
      changes.push({ kind: 'dropped', drill: item.drill, date, to: null, by: -repsOf(item) });
      continue;
    }
    const [to] = added.splice(at, 1) as [Session];
    changes.push({ kind: 'moved', drill: item.drill, date, to: to.date, by: repsOf(to.item) - repsOf(item) });
  }
  for (const { date, item } of added)
    changes.push({ kind: 'added', drill: item.drill, date, to: null, by: repsOf(item) });
  for (const [key, { date, item }] of is) {
    const old = was.get(key)?.item;
    if (!old) continue;
    const by = repsOf(item) - repsOf(old);
    if (old.stage !== item.stage) changes.push({ kind: 'rung', drill: item.drill, date, to: null, by });
    else if (by !== 0)
      changes.push({ kind: by > 0 ? 'more' : 'less', drill: item.drill, date, to: null, by });
  }
  changes.sort((a, b) => (a.date === b.date ? 0 : a.date < b.date ? -1 : 1));
  return { changes, gates: gatesMoved(before.gateDates, after.gateDates) };
}

/** A new spreading that needs nobody's word: no gate moves by more than so many days, and no session goes. */
const SMALL_MOVE_DAYS = 3;
const SMALL_CHANGES = 3;
export const isSmallDiff = ({ changes, gates }: PlanDiff): boolean =>
  gates.every(({ days }) => days !== null && Math.abs(days) <= SMALL_MOVE_DAYS) &&
  changes.filter(({ kind }) => kind === 'moved' || kind === 'dropped' || kind === 'added').length <=
    SMALL_CHANGES;

const repsOf = ({ rehearsals, balls }: PlanItem): number => rehearsals + balls;

function sessionsOf(days: readonly PlanDay[], from: IsoDay, until: IsoDay): Map<string, Session> {
  const sessions = new Map<string, Session>();
  for (const { date, items } of days) {
    if (date < from || date > until) continue;
    for (const item of items) sessions.set(`${date} ${item.drill}`, { date, item });
  }
  return sessions;
}

function gatesMoved(before: readonly GateDate[], after: readonly GateDate[]): PlanDiff['gates'] {
  return after.flatMap(({ drill, stage, late }) => {
    const old = before.find((gate) => gate.drill === drill && gate.stage === stage);
    if (!old || old.late === late) return [];
    const days = old.late === null || late === null ? null : daysBetween(old.late, late);
    return [{ drill, stage, from: old.late, to: late, days }];
  });
}
