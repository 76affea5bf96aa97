import { isChild, type StudentFacts } from '../intake/index.ts';
import { type Drill, LIMIT_OF_LOAD, loadsOf } from '../prescription/index.ts';

/** Dry repetitions a day by the drill's heaviest load. */
const DAILY_REPS = { none: 150, light: 80, marked: 40 } as const;
const CHILD_SHARE = 0.6;
const OLDER_SHARE = 0.75;
const OLDER_FROM_YEARS = 60;
const LIMITED_SHARE = 0.5;
/** Weekly repetitions may grow by this much. */
export const WEEKLY_GROWTH = 1.25;
export const CHILD_MINUTES_A_DAY = 30;
export const WARM_UP_MINUTES = 3;
/** Sets of two rehearsals and a ball in one visit, if time, balls and caps allow. */
export const BALL_SETS_A_VISIT = 20;
/** A wish that many coaches have for a week of dry repetitions. */
export const WEEKLY_WISH = 300;

export const hasMarkedLoad = (drill: Drill): boolean => loadsOf(drill).some(([, grade]) => grade === 2);

/** Most repetitions of a drill in one day for this student. */
export function dailyCap(drill: Drill, student: StudentFacts): number {
  const loads = loadsOf(drill);
  const heaviest = hasMarkedLoad(drill) ? 'marked' : loads.length > 0 ? 'light' : 'none';
  let cap: number = DAILY_REPS[heaviest];
  if (isChild(student)) cap *= CHILD_SHARE;
  else if (student.ageYears >= OLDER_FROM_YEARS) cap *= OLDER_SHARE;
  if (loads.some(([load]) => student.limits.includes(LIMIT_OF_LOAD[load]))) cap *= LIMITED_SHARE;
  return Math.round(cap);
}
