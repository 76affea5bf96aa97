import {
  bad,
  good,
  type IsoDay,
  isIsoDay,
  type Problem,
  problem,
  type Result,
  type Weekday,
} from '../../foundation/index.ts';
import type { CaseFile } from '../diagnosis/index.ts';
import type { Place } from '../intake/index.ts';
import { HOUSE_LIBRARY, type Library } from '../prescription/index.ts';
import type { Stage } from './stages.ts';

export interface DoneSet {
  readonly date: IsoDay;
  readonly drill: string;
  readonly stage: Stage;
  readonly reps: number;
  readonly passes: number;
}

export interface PlanRequest {
  readonly file: CaseFile;
  readonly drills: readonly string[];
  readonly start: IsoDay;
  readonly nextLesson: IsoDay | null;
  readonly days: readonly Weekday[];
  readonly minutesPerDay: Partial<Record<Weekday, number>>;
  readonly placeByDay: Partial<Record<Weekday, Place>>;
  readonly done: readonly DoneSet[];
  readonly missed: readonly IsoDay[];
  /** Stages already reached by a decision of the coach. */
  readonly reached: Readonly<Record<string, Stage>>;
  /** Where the drills are found; the house's own unless given. */
  readonly library?: Library;
}

export type PlanProblem =
  | 'unknown_drill'
  | 'no_drills'
  | 'no_days'
  | 'bad_date'
  | 'lesson_before_start'
  | 'passes_over_reps';

export function checkPlan(request: PlanRequest): Result<PlanRequest, PlanProblem> {
  const problems: Problem<PlanProblem>[] = [];
  const date = (value: string, path: string) => {
    if (!isIsoDay(value)) problems.push(problem('bad_date', path, { value }));
  };
  if (request.drills.length === 0) problems.push(problem('no_drills', 'drills'));
  request.drills.forEach((id, i) => {
    if (!(request.library ?? HOUSE_LIBRARY).byId(id))
      problems.push(problem('unknown_drill', `drills[${i}]`, { id }));
  });
  date(request.start, 'planning.start');
  if (request.nextLesson !== null) {
    date(request.nextLesson, 'planning.nextLesson');
    if (request.nextLesson < request.start) {
      problems.push(
        problem('lesson_before_start', 'planning.nextLesson', {
          start: request.start,
          nextLesson: request.nextLesson,
        }),
      );
    }
  }
  if (request.days.length === 0) problems.push(problem('no_days', 'planning.days'));
  request.missed.forEach((day, i) => {
    date(day, `planning.missed[${i}]`);
  });
  request.done.forEach((set, i) => {
    date(set.date, `planning.done[${i}].date`);
    if (set.passes > set.reps) {
      problems.push(
        problem('passes_over_reps', `planning.done[${i}].passes`, { passes: set.passes, reps: set.reps }),
      );
    }
  });
  return problems.length > 0 ? bad(problems) : good(request);
}
