import type { Result } from '../../foundation/index.ts';
import { good } from '../../foundation/index.ts';
import type { IntakeRecord } from '../intake/index.ts';
import { inUse, knownCase, type Library, type PrescriptionRecord } from '../prescription/index.ts';
import { countedSets } from './countedSets.ts';
import { buildPlan } from './plan.ts';
import type { Plan, PlanDay } from './planModel.ts';
import { checkPlan, type PlanProblem, type PlanRequest } from './planRequest.ts';
import type { PlanAsk, PracticeRecord } from './practiceRecord.ts';
import { missedDays } from './practised.ts';
import { rungOf } from './rung.ts';
import { todayCard } from './todayCard.ts';

/** What a plan is laid from; nothing else is asked. */
export interface PlanFile {
  readonly intake: IntakeRecord;
  readonly prescription: PrescriptionRecord;
  readonly practice: PracticeRecord;
}

/** A plan for the drills in use, from the asked days; what was done already is kept. */
export function layPlan(
  file: PlanFile,
  library: Library,
  ask: PlanAsk,
  horizonDays?: number,
): Result<Plan, PlanProblem> {
  const checked = checkPlan(requestOf(file, library, ask));
  return checked.ok ? good(buildPlan(checked.value, horizonDays)) : checked;
}

function requestOf(file: PlanFile, library: Library, ask: PlanAsk): PlanRequest {
  const drills = inUse(file.prescription)?.drills ?? [];
  const { sets, gates } = file.practice;
  return {
    file: knownCase(file),
    drills,
    ...ask,
    done: countedSets(sets).map(({ date, drill, stage, reps }) => ({
      date,
      drill,
      stage,
      reps: reps.length,
      passes: reps.replaceAll(/[F?]/g, '').length,
    })),
    missed: missedDays(file.practice, ask.start),
    library,
    reached: Object.fromEntries(drills.map((drill) => [drill, rungOf(gates, drill)])),
  };
}

/** What the student's card says today, from the rungs the drills really stand on; null on a day without practice. */
export function cardOf(file: PlanFile, library: Library, today: string): PlanDay | null {
  const { plan, gates } = file.practice;
  const drills = inUse(file.prescription)?.drills ?? [];
  const rungs = Object.fromEntries(drills.map((drill) => [drill, rungOf(gates, drill)]));
  return todayCard(plan?.plan ?? null, rungs, today, () => {
    if (!plan || drills.length === 0) return null;
    const { nextLesson } = plan.ask;
    const ask = {
      ...plan.ask,
      start: today,
      nextLesson: nextLesson !== null && nextLesson >= today ? nextLesson : null,
    };
    // Only today is asked for.
    const laid = layPlan(file, library, ask, 1);
    return laid.ok ? laid.value : null;
  });
}
