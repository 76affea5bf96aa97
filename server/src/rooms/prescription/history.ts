import type { DrillGain, DrillRecord } from '@inchstep/core/diagnosis';
import { addOutcomes } from '@inchstep/core/prescription';
import { whatWorks } from '@inchstep/core/progress';
import type { Context } from '../../platform/context.ts';
import { choicesOf, setReached } from './repo.ts';

/** What drills came to with everybody else, counted from the summaries. */
export function recordOfOthers(ctx: Context, exceptStudent: string): Record<string, DrillRecord> {
  const record: Record<string, DrillRecord> = {};
  for (const { studentId, outcomes } of ctx.records.summaries().all)
    if (studentId !== exceptStudent) addOutcomes(record, outcomes);
  return record;
}

/** What was measured of drills with everybody else. */
export const gainsOfOthers = (ctx: Context, exceptStudent: string): DrillGain[] =>
  whatWorks(
    [...ctx.records.summaries().all]
      .filter(({ studentId }) => studentId !== exceptStudent)
      .flatMap(({ courses }) => courses),
  );

/** Notes the rung a drill in use has come to; the ladder tells it so. */
export function noteRung(ctx: Context, studentId: string, drill: string, rung: string): void {
  const current = choicesOf(ctx.db, studentId).find((c) => c.endedAt === null && c.drills.includes(drill));
  if (current) setReached(ctx.db, current.id, { ...current.reached, [drill]: rung });
}
