import type { StudentFacts } from '../../intake/index.ts';
import type { LoadClass } from '../../prescription/index.ts';
import {
  CHILD_SHARE,
  DAILY_REPS,
  FULLEST_WEEK_WITHIN_DAYS,
  GAP_DAYS,
  JOINTS,
  LEAST_WEEK_SHARE,
  LIGHT_SHARE,
  LIMITED_SHARE,
  OLDER_FROM_YEARS,
  OLDER_SHARE,
  WEEK_HAS_DAYS,
  WEEKLY_GROWTH,
} from '../ruleNumbers.ts';
import { type Deed, dateOfNumber, dayNumber, type Evidence, type PlanRule } from './evidence.ts';

const LIMIT: Record<LoadClass, StudentFacts['limits'][number]> = {
  B: 'back',
  H: 'hip',
  K: 'knee',
  A: 'ankle',
  T: 'balance',
};
const HAIR = 1e-6;

const ageFactor = ({ ageYears }: StudentFacts): number =>
  ageYears < 18 ? CHILD_SHARE : ageYears >= OLDER_FROM_YEARS ? OLDER_SHARE : 1;

/** Deeds that load a joint; null = all deeds. */
const deedsOn = ({ deeds }: Evidence, joint: LoadClass | null): readonly Deed[] =>
  joint === null ? deeds : deeds.filter(({ drill }) => drill.loads[joint] !== undefined);

const sumBy = (deeds: readonly Deed[], amountOf: (deed: Deed) => number): Map<number, number> => {
  const sums = new Map<number, number>();
  for (const deed of deeds) sums.set(deed.day, (sums.get(deed.day) ?? 0) + amountOf(deed));
  return sums;
};
const plannedDays = ({ deeds }: Evidence): Set<number> =>
  new Set(deeds.filter(({ planned }) => planned).map(({ day }) => day));

/** Share of a joint's day that each repetition takes. */
function shareOf(joint: LoadClass, student: StudentFacts): (deed: Deed) => number {
  const limited = student.limits.includes(LIMIT[joint]) ? LIMITED_SHARE : 1;
  return ({ drill, reps }) =>
    reps / ((drill.loads[joint] === 2 ? DAILY_REPS.marked : DAILY_REPS.light) * ageFactor(student) * limited);
}

const isLight = ({ request }: Evidence, day: number): boolean => {
  if (request.nextLesson === null) return false;
  const until = dayNumber(request.nextLesson) - day;
  return until === 0 || until === 1;
};

function jointCaps(evidence: Evidence, light: boolean) {
  const { student } = evidence.request.file;
  const planned = plannedDays(evidence);
  return [null, ...JOINTS].flatMap((joint) => {
    const most = joint === null ? DAILY_REPS.none * ageFactor(student) : 1;
    const sums = sumBy(
      deedsOn(evidence, joint),
      joint === null ? ({ reps }) => reps : shareOf(joint, student),
    );
    return [...sums]
      .filter(([day]) => planned.has(day) && (!light || isLight(evidence, day)))
      .filter(([, sum]) => sum > most * (light ? LIGHT_SHARE : 1) + HAIR)
      .map(([day]) => ({ date: dateOfNumber(day), about: joint ?? 'all' }));
  });
}

/** Days on which a spell of practice begins: the first ever, and each after a gap of more than a week. */
function spells(days: readonly number[]): { readonly from: number; readonly before: number | null }[] {
  const found: { from: number; before: number | null }[] = [];
  days.forEach((day, i) => {
    const last = days[i - 1];
    if (last === undefined || day - last > GAP_DAYS) found.push({ from: day, before: last ?? null });
  });
  return found;
}

function weeksOf(evidence: Evidence, joint: LoadClass | null) {
  const sums = sumBy(deedsOn(evidence, joint), ({ reps }) => reps);
  const days = [...sums.keys()].filter((day) => (sums.get(day) ?? 0) > 0).sort((a, b) => a - b);
  const week = (end: number) => {
    let sum = 0;
    for (let day = end - 6; day <= end; day++) sum += sums.get(day) ?? 0;
    return sum;
  };
  return { days, week };
}

/** A week may always hold half a day's cap of a joint, or of everything. */
function leastIn(evidence: Evidence, joint: LoadClass | null): number {
  const { student } = evidence.request.file;
  const all = ageFactor(student) * LEAST_WEEK_SHARE;
  if (joint === null) return DAILY_REPS.none * all;
  const hard =
    evidence.deeds.some(({ drill }) => drill.loads[joint] === 2) ||
    evidence.request.drills.some((id) => evidence.drillOf(id)?.loads[joint] === 2);
  const limited = student.limits.includes(LIMIT[joint]) ? LIMITED_SHARE : 1;
  return (hard ? DAILY_REPS.marked : DAILY_REPS.light) * all * limited;
}

/** A quarter more than the seven days before; or the fullest of the last weeks, where days were missed since. */
function mostIn(day: number, week: (end: number) => number, evidence: Evidence): number {
  const grown = WEEKLY_GROWTH * week(day - 7);
  const { active, firstPlanned, request } = evidence;
  const daysIn = (end: number) => [0, 1, 2, 3, 4, 5, 6].filter((ago) => active.has(end - ago)).length;
  if (day - 13 >= firstPlanned || daysIn(day - 7) >= request.days.length) return grown;
  const weeks = Array.from({ length: FULLEST_WEEK_WITHIN_DAYS }, (_, i) => day - 8 - i);
  return Math.max(grown, ...weeks.filter((end) => daysIn(end) >= WEEK_HAS_DAYS).map(week));
}

function growth(evidence: Evidence) {
  const planned = plannedDays(evidence);
  return [null, ...JOINTS].flatMap((joint) => {
    const { days, week } = weeksOf(evidence, joint);
    const starts = spells(days);
    return days
      .filter((day) => planned.has(day))
      .filter((day) => {
        const from = starts.findLast((spell) => spell.from <= day)?.from ?? day;
        return (
          day - from >= 13 &&
          week(day) > Math.max(leastIn(evidence, joint), mostIn(day, week, evidence)) + HAIR
        );
      })
      .map((day) => ({ date: dateOfNumber(day), about: joint ?? 'all' }));
  });
}

function afterGap(evidence: Evidence) {
  const planned = plannedDays(evidence);
  return [null, ...JOINTS].flatMap((joint) => {
    const { days, week } = weeksOf(evidence, joint);
    return spells(days)
      .filter(
        ({ from, before }) =>
          before !== null && days.some((day) => planned.has(day) && day >= from && day < from + 7),
      )
      .filter(({ from, before }) => week(from + 6) > week(before as number) + HAIR)
      .map(({ from }) => ({ date: dateOfNumber(from), about: joint ?? 'all' }));
  });
}

function rest(evidence: Evidence) {
  const planned = plannedDays(evidence);
  return JOINTS.flatMap((joint) => {
    const marked = new Set(
      evidence.deeds.filter(({ drill, reps }) => drill.loads[joint] === 2 && reps > 0).map(({ day }) => day),
    );
    return [...marked]
      .filter((day) => marked.has(day + 1) && (planned.has(day) || planned.has(day + 1)))
      .map((day) => ({ date: dateOfNumber(day + 1), about: joint }));
  });
}

/** Rules that keep a body whole, over every drill and everything logged. */
export const BODY_RULES: readonly PlanRule[] = [
  { rule: 'daily_cap', breaches: (evidence) => jointCaps(evidence, false) },
  { rule: 'light_before_lesson', breaches: (evidence) => jointCaps(evidence, true) },
  { rule: 'growth', breaches: growth },
  { rule: 'after_gap', breaches: afterGap },
  { rule: 'rest_day', breaches: rest },
  {
    rule: 'pain',
    breaches: ({ days, request }) =>
      request.file.student.limits.includes('pain')
        ? days.flatMap(({ date, items }) => items.map(({ drill }) => ({ date, about: drill })))
        : [],
  },
];
