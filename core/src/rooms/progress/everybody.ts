import { daysBetween, type IsoDay } from '../../foundation/index.ts';
import { STAGES, type Stage } from '../practice/index.ts';
import type { Climb, DrillCourse } from './courses.ts';
import { type GroupPooled, partlyPooled } from './partlyPooled.ts';

/** What a drill does against a fault over all of a coach's students. */
interface DrillWorks extends GroupPooled {
  readonly fault: string;
  readonly drill: string;
  /** `mean` and `sd` are of the gain per 100 repetitions, in steps, drawn towards the other groups. */
  readonly courses: number;
  readonly reps: number;
  /** The same without the others, for a student of middling severity. */
  readonly alone: number;
}

/** No course is known better than this, steps per 100 repetitions: students differ. */
const STUDENT_SD = 0.4;
/** How much more a fault of one step more may gain, before anything is seen; shrinks the slope. */
const SLOPE_SD = 0.3;
/** So few repetitions say nothing of a hundred. */
const LEAST_REPS = 30;

/** Gain per 100 repetitions by fault and drill, partly pooled, the severity of each course counted; the surest gains first. */
export function whatWorks(courses: readonly DrillCourse[]): DrillWorks[] {
  const counted = courses
    .filter(({ reps }) => reps >= LEAST_REPS)
    .map((course) => ({
      ...course,
      per: (100 * course.gain) / course.reps,
      variance: (100 * (course.gainSd / course.reps)) ** 2 + STUDENT_SD ** 2,
    }));
  const slope = severitySlope(counted);
  const middling = counted.reduce((sum, { severity }) => sum + severity, 0) / Math.max(1, counted.length);
  const keys = [...new Set(counted.map(({ fault, drill }) => `${fault}|${drill}`))];
  const groups = keys.map((key) => {
    const own = counted.filter(({ fault, drill }) => `${fault}|${drill}` === key);
    const weight = own.reduce((sum, { variance }) => sum + 1 / variance, 0);
    const mean =
      own.reduce(
        (sum, { per, severity, variance }) => sum + (per - slope * (severity - middling)) / variance,
        0,
      ) / weight;
    return { own, mean, se: Math.sqrt(1 / weight) };
  });
  return partlyPooled(groups)
    .map(({ mean, sd }, i): DrillWorks => {
      const { own, mean: alone } = groups[i] as (typeof groups)[number];
      const { fault, drill } = own[0] as DrillCourse;
      return {
        fault,
        drill,
        mean,
        sd,
        alone,
        courses: own.length,
        reps: own.reduce((sum, { reps }) => sum + reps, 0),
      };
    })
    .sort((a, b) => b.mean - b.sd - (a.mean - a.sd));
}

/** Within groups: how much more is gained where more was to be gained. */
function severitySlope(
  courses: readonly { fault: string; drill: string; severity: number; per: number; variance: number }[],
): number {
  let xy = 0;
  let xx = 1 / SLOPE_SD ** 2;
  for (const one of courses) {
    const group = courses.filter(({ fault, drill }) => fault === one.fault && drill === one.drill);
    const middle = (of: (c: (typeof courses)[number]) => number) =>
      group.reduce((sum, c) => sum + of(c), 0) / group.length;
    const x = one.severity - middle(({ severity }) => severity);
    xy += (x * (one.per - middle(({ per }) => per))) / one.variance;
    xx += (x * x) / one.variance;
  }
  return xy / xx;
}

/** How long a rung takes over all students. */
interface GateTime {
  readonly stage: Stage;
  readonly passed: number;
  /** Still on it: counted as not yet, not left out. */
  readonly notYet: number;
  /** P(passed within so many weeks), by week from 1. */
  readonly byWeek: readonly number[];
  /** Weeks until half of them are through; null while more than half may be on it still. */
  readonly medianWeeks: number | null;
}

const WEEKS = 8;

/** A discrete hazard week by week: of those who were on a rung for so many weeks, the share that passed in the next. */
export function gateTimes(climbs: readonly Climb[], today: IsoDay): GateTime[] {
  return STAGES.flatMap((stage): GateTime[] => {
    const own = climbs.filter((climb) => climb.stage === stage);
    if (own.length === 0) return [];
    const weeks = own.map(({ from, passed }) => ({
      weeks: Math.floor(Math.max(0, daysBetween(from, passed ?? today)) / 7),
      passed: passed !== null,
    }));
    let on = 1;
    const byWeek = Array.from({ length: WEEKS }, (_, w) => {
      const through = weeks.filter((one) => one.passed && one.weeks === w).length;
      // Who has been on it for less than this week can't tell of it.
      const atRisk = weeks.filter((one) => one.weeks > w || (one.passed && one.weeks === w)).length;
      if (atRisk > 0) on *= 1 - through / atRisk;
      return 1 - on;
    });
    const half = byWeek.findIndex((p) => p >= 0.5);
    return [
      {
        stage,
        passed: weeks.filter((one) => one.passed).length,
        notYet: weeks.filter((one) => !one.passed).length,
        byWeek,
        medianWeeks: half < 0 ? null : half + 1,
      },
    ];
  });
}
