import type { DrillHistory, DrillRecord } from '@inchstep/core/diagnosis';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import type { Context } from '../../platform/context.ts';
import { allChoices, choicesOf, setReached } from './repo.ts';

/** A drill that brought the student to three quarters of full speed has worked. */
const WORKED_FROM = ['three_quarter', 'full', 'clubs', 'course'];
/** One that was given this long and did not get there has stalled. */
const STALLED_AFTER_DAYS = 14;

type Choice = ReturnType<typeof choicesOf>[number];

function outcomesOf(choice: Choice, now: Date): DrillHistory[] {
  return choice.drills.flatMap((drill): DrillHistory[] => {
    if (WORKED_FROM.includes(choice.reached[drill] ?? '')) return [{ drill, outcome: 'worked' }];
    if (choice.endedAt === null) return [];
    const until = parseISO(choice.endedAt) < now ? parseISO(choice.endedAt) : now;
    const days = differenceInCalendarDays(until, parseISO(choice.at));
    return days >= STALLED_AFTER_DAYS ? [{ drill, outcome: 'stalled' }] : [];
  });
}

/** What drills came to with one student, oldest first. */
export const drillHistory = (ctx: Context, studentId: string): DrillHistory[] =>
  [...choicesOf(ctx.db, studentId)].reverse().flatMap((choice) => outcomesOf(choice, ctx.now()));

/** What drills came to with everybody else, counted. */
export function drillRecord(ctx: Context, exceptStudent: string): Record<string, DrillRecord> {
  const record: Record<string, DrillRecord> = {};
  for (const choice of allChoices(ctx.db)) {
    if (choice.studentId === exceptStudent) continue;
    for (const { drill, outcome } of outcomesOf(choice, ctx.now())) {
      const { worked, stalled } = record[drill] ?? { worked: 0, stalled: 0 };
      record[drill] =
        outcome === 'worked' ? { worked: worked + 1, stalled } : { worked, stalled: stalled + 1 };
    }
  }
  return record;
}

/** Notes the rung a drill in use has come to; the ladder tells it so. */
export function noteRung(ctx: Context, studentId: string, drill: string, rung: string): void {
  const current = choicesOf(ctx.db, studentId).find((c) => c.endedAt === null && c.drills.includes(drill));
  if (current) setReached(ctx.db, current.id, { ...current.reached, [drill]: rung });
}
