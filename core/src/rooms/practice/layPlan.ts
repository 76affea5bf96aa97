import { good, type IsoDay, plusDays, type Result } from '../../foundation/index.ts';
import { type IntakeRecord, nextLessonFrom } from '../intake/index.ts';
import { inUse, knownCase, type Library, type PrescriptionRecord } from '../prescription/index.ts';
import { countedSets } from './countedSets.ts';
import { buildPlan } from './plan/buildPlan.ts';
import type { Plan } from './plan/planModel.ts';
import {
  checkPlan,
  NOTHING_KNOWN,
  type PlanAsk,
  type PlanProblem,
  type PlanRequest,
} from './plan/planRequest.ts';
import type { KeptPlan, PracticeRecord } from './practiceRecord.ts';
import { missedDays } from './practised.ts';
import { standsOn } from './rung.ts';

/** What a plan is laid from; nothing else is asked. */
export interface PlanFile {
  readonly intake: IntakeRecord;
  readonly prescription: PrescriptionRecord;
  readonly practice: PracticeRecord;
}

/** A plan for the drills in use, from the asked days; what was done already is kept. `missRate` tries another one. */
export function layPlan(
  file: PlanFile,
  library: Library,
  ask: PlanAsk,
  missRate: number | null = null,
): Result<Plan, PlanProblem> {
  const checked = checkPlan({ ...requestOf(file, library, ask), missRate });
  return checked.ok ? good(buildPlan(checked.value)) : checked;
}

/**
 * What the plan that stands asks from a day on: what was asked stays as it was asked, but when the next lesson is
 * the record alone knows; one that is moved or called off changes the plan.
 */
export function askNow({ intake }: Pick<PlanFile, 'intake'>, { ask }: KeptPlan, today: IsoDay): PlanAsk {
  const start = ask.start > today ? ask.start : today;
  return { ...ask, start, nextLesson: nextLessonFrom(intake.lessons, start)?.day ?? null };
}

/** Three quarters reached is work that was done: it is looked at again after it was put aside. */
const HELD_FROM: readonly string[] = ['three_quarter', 'full', 'clubs', 'course'];
const LOOKED_AT_FOR_DAYS = 45;

export function requestOf(file: PlanFile, library: Library, ask: PlanAsk): PlanRequest {
  const now = inUse(file.prescription);
  const drills = now?.drills ?? [];
  const { sets, gates, plan } = file.practice;
  const since = now?.at ?? '';
  return {
    ...NOTHING_KNOWN,
    ...ask,
    file: knownCase(file),
    drills,
    logs: countedSets(sets).map(({ date, drill, stage, reps, layer }) => ({
      date,
      drill,
      stage,
      letters: reps,
      layer,
      before: null,
    })),
    gates: gates
      .filter(({ at }) => at >= since)
      .map(({ day, drill, stage, decision }) => ({ date: day, drill, stage, decision })),
    missed: missedDays(file.practice, ask.start),
    standings: Object.fromEntries(
      drills.flatMap((id) => {
        const drill = library.byId(id);
        return drill ? [[id, standsOn(file, drill)]] : [];
      }),
    ),
    coachDecides: true,
    retired: retiredOf(file.prescription, drills, ask.start),
    held: file.intake.heldSince !== null,
    previous: plan && plan.drills.join() === drills.join() ? plan.plan : null,
    library,
  };
}

function retiredOf({ choices }: PrescriptionRecord, drills: readonly string[], today: IsoDay) {
  const seen = new Set(drills);
  return choices.flatMap(({ drills: chosen, endedDay, reached }) => {
    if (endedDay === null || endedDay < plusDays(today, -LOOKED_AT_FOR_DAYS)) return [];
    return chosen.flatMap((drill) => {
      if (seen.has(drill) || !HELD_FROM.includes(reached[drill] ?? '')) return [];
      seen.add(drill);
      return [{ drill, on: endedDay }];
    });
  });
}
