import {
  bad,
  daysBetween,
  good,
  type IsoDay,
  isIsoDay,
  type Problem,
  problem,
  type Result,
  type Weekday,
} from '../../../foundation/index.ts';
import type { CaseFile } from '../../diagnosis/index.ts';
import { minutesOf, type Place } from '../../intake/index.ts';
import { HOUSE_LIBRARY, type Library } from '../../prescription/index.ts';
import { readReps } from '../gate.ts';
import type { LadderStanding } from '../ladder.ts';
import { MOST_WEEKS, MOST_WISHED, PLAN_WEEKS, WEEKLY_WISH } from '../ruleNumbers.ts';
import { SECONDS, type Stage } from '../stages.ts';
import type { Plan } from './planModel.ts';

export const EXCEPTION_KINDS = ['away', 'no_range', 'ill', 'extra', 'tournament'] as const;
/** Days on which life is otherwise, both ends included. */
export interface PlanException {
  readonly from: IsoDay;
  readonly to: IsoDay;
  readonly kind: (typeof EXCEPTION_KINDS)[number];
  readonly minutes: number | null;
  readonly place: Place | null;
}

export const PACES = ['ladder', 'fast'] as const;
type Pace = (typeof PACES)[number];

export interface SecondsPer {
  readonly rehearsal: number;
  readonly ball: number;
  readonly look: number;
}

/** What was logged: the letters of a set, in order. */
export interface PlanLog {
  readonly date: IsoDay;
  readonly drill: string;
  readonly stage: Stage;
  readonly letters: string;
  readonly layer: number;
  readonly before: 'cue' | null;
}

/** What the coach asks of a plan. */
export interface PlanAsk {
  readonly start: IsoDay;
  readonly nextLesson: IsoDay | null;
  readonly days: readonly Weekday[];
  readonly minutesPerDay: Partial<Record<Weekday, number>>;
  readonly placeByDay: Partial<Record<Weekday, Place>>;
  readonly exceptions: readonly PlanException[];
  /** Dry repetitions wanted in a week. */
  readonly wishRepsPerWeek: number;
  readonly pace: Pace;
  readonly weeks: number;
  readonly secondsPer: SecondsPer;
  /** Balls come in buckets of this size; null = singly. */
  readonly bucketBalls: number | null;
  /** Sessions that the coach has put on another day. */
  readonly moves: readonly { readonly from: IsoDay; readonly to: IsoDay }[];
  /** The order in which drills begin: by phase, or as they are named. */
  readonly order: 'phase' | 'own';
  /** Drills that the coach lets begin, whatever the one before stands at. */
  readonly opened: readonly string[];
}

export const USUAL_ASK: Omit<PlanAsk, 'start' | 'days'> = {
  nextLesson: null,
  minutesPerDay: {},
  placeByDay: {},
  exceptions: [],
  wishRepsPerWeek: WEEKLY_WISH,
  pace: 'ladder',
  weeks: PLAN_WEEKS,
  secondsPer: { rehearsal: SECONDS.rehearsal, ball: SECONDS.ball, look: SECONDS.look },
  bucketBalls: null,
  moves: [],
  order: 'phase',
  opened: [],
};

export interface PlanRequest extends PlanAsk {
  readonly file: CaseFile;
  readonly drills: readonly string[];
  readonly logs: readonly PlanLog[];
  /** The coach's decisions, in order. */
  readonly gates: readonly {
    readonly date: IsoDay;
    readonly drill: string;
    readonly stage: Stage;
    readonly decision: 'advance' | 'hold' | 'back';
  }[];
  readonly missed: readonly IsoDay[];
  /** Share of asked days that will be missed; null = as it was until now. */
  readonly missRate: number | null;
  /** Where the drills stand, when that is known better than by the logs alone. */
  readonly standings: Readonly<Record<string, LadderStanding>>;
  /** Whether gates with a measure wait for the coach's word; without films they open by the count. */
  readonly coachDecides: boolean;
  /** Drills that have done their work and were put aside. */
  readonly retired: readonly { readonly drill: string; readonly on: IsoDay }[];
  /** Pain was reported and holds every drill. */
  readonly held: boolean;
  /** The plan before, from which as little as the rules allow is changed. */
  readonly previous: Pick<Plan, 'days' | 'gateDates'> | null;
  /** Where the drills are found; the house's own unless given. */
  readonly library?: Library;
}

export const NOTHING_KNOWN: Omit<PlanRequest, keyof PlanAsk | 'file' | 'drills'> = {
  logs: [],
  gates: [],
  missed: [],
  missRate: null,
  standings: {},
  coachDecides: false,
  retired: [],
  held: false,
  previous: null,
};

export type PlanProblem =
  | 'unknown_drill'
  | 'no_drills'
  | 'named_twice'
  | 'no_days'
  | 'no_minutes'
  | 'bad_date'
  | 'lesson_before_start'
  | 'exception_ends_first'
  | 'wish_too_big'
  | 'weeks_out_of_range'
  | 'bad_reps'
  | 'log_in_future';

export function checkPlan(request: PlanRequest): Result<PlanRequest, PlanProblem> {
  const problems = [
    ...checkDrills(request),
    ...checkDates(request),
    ...checkAmounts(request),
    ...request.logs.flatMap((log, i): Problem<PlanProblem>[] =>
      readReps(log.letters) ? [] : [problem('bad_reps', `planning.logs[${i}].letters`)],
    ),
  ];
  return problems.length > 0 ? bad(problems) : good(request);
}

function checkDrills({ drills, library = HOUSE_LIBRARY }: PlanRequest): Problem<PlanProblem>[] {
  if (drills.length === 0) return [problem('no_drills', 'drills')];
  return drills.flatMap((id, i): Problem<PlanProblem>[] => {
    if (!library.byId(id)) return [problem('unknown_drill', `drills[${i}]`, { id })];
    return drills.indexOf(id) < i ? [problem('named_twice', `drills[${i}]`, { id })] : [];
  });
}

function checkDates(request: PlanRequest): Problem<PlanProblem>[] {
  const problems: Problem<PlanProblem>[] = [];
  const date = (value: string, path: string): boolean => {
    if (isIsoDay(value)) return true;
    problems.push(problem('bad_date', path, { value }));
    return false;
  };
  const { start, nextLesson } = request;
  const begins = date(start, 'planning.start');
  if (nextLesson !== null && date(nextLesson, 'planning.nextLesson') && nextLesson < start)
    problems.push(problem('lesson_before_start', 'planning.nextLesson', { start, nextLesson }));
  request.missed.forEach((day, i) => {
    date(day, `planning.missed[${i}]`);
  });
  request.logs.forEach((log, i) => {
    // A log from beyond the plan: a clock that jumped, or a slip of the pen.
    if (
      date(log.date, `planning.logs[${i}].date`) &&
      begins &&
      daysBetween(start, log.date) > 7 * request.weeks
    )
      problems.push(problem('log_in_future', `planning.logs[${i}].date`, { value: log.date, start }));
  });
  request.gates.forEach((gate, i) => {
    date(gate.date, `planning.gates[${i}].date`);
  });
  request.exceptions.forEach(({ from, to }, i) => {
    const both = date(from, `planning.exceptions[${i}].from`) && date(to, `planning.exceptions[${i}].to`);
    if (both && to < from)
      problems.push(problem('exception_ends_first', `planning.exceptions[${i}].to`, { from, to }));
  });
  request.moves.forEach(({ from, to }, i) => {
    date(from, `planning.moves[${i}].from`);
    date(to, `planning.moves[${i}].to`);
  });
  return problems;
}

function checkAmounts(request: PlanRequest): Problem<PlanProblem>[] {
  const problems: Problem<PlanProblem>[] = [];
  const { days, minutesPerDay, wishRepsPerWeek, weeks } = request;
  if (days.length === 0) problems.push(problem('no_days', 'planning.days'));
  else if (days.every((day) => minutesOf(minutesPerDay, day) < 1))
    problems.push(problem('no_minutes', 'planning.minutesPerDay'));
  if (wishRepsPerWeek > MOST_WISHED)
    problems.push(
      problem('wish_too_big', 'planning.wishRepsPerWeek', { value: wishRepsPerWeek, most: MOST_WISHED }),
    );
  if (!(weeks >= 1 && weeks <= MOST_WEEKS))
    problems.push(problem('weeks_out_of_range', 'planning.weeks', { value: weeks, most: MOST_WEEKS }));
  return problems;
}
