import type { Reading } from '@inchstep/contract/measures';
import type { Brief, Progress, Series } from '@inchstep/contract/progress';
import { waitsForCoach } from '@inchstep/core/practice';
import { tellingMeasures } from '@inchstep/core/prescription';
import { judgeChange, movedToward, sessionPoint } from '@inchstep/core/progress';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { type Context, dayOf, today } from '../../platform/context.ts';
import { checkinDays, lastCheckin, movedMeasures } from '../checkins/index.ts';
import { listDiagnoses } from '../diagnosis/index.ts';
import { getStudent, holdOf, listStudents } from '../intake/index.ts';
import { baselineAndLast, latestBand, listReadings, sessionsOf } from '../measures/index.ts';
import { currentPlan, gateStates, listGates, listSets } from '../practice/index.ts';
import { drillsInUse, libraryOf } from '../prescription/index.ts';

function seriesOf(
  readings: readonly Reading[],
  measure: string,
  family: number,
  began: string,
): Series | null {
  const days = sessionsOf(readings, measure);
  const sessions = days.map((s) => ({ ...s, ...sessionPoint(measure, s, days) }));
  const band = latestBand(readings, measure);
  const last = sessions.at(-1);
  if (!band || !last) return null;
  const change = judgeChange(measure, baselineAndLast(sessions, began), family);
  return {
    measure,
    band,
    sessions,
    change,
    direction: movedToward(last.mean - change.delta, last.mean, band),
    family,
  };
}

/** Measures that tell whether the present work helps. */
export function focusMeasures(ctx: Context, studentId: string): string[] {
  const choice = drillsInUse(ctx, studentId);
  return choice ? tellingMeasures(choice.drills, choice.forFault, libraryOf(ctx)) : [];
}

export function progressOf(ctx: Context, studentId: string): Progress {
  getStudent(ctx, studentId);
  const readings = listReadings(ctx, studentId);
  const focus = focusMeasures(ctx, studentId);
  const since = drillsInUse(ctx, studentId)?.at;
  const began = since ? dayOf(since) : '';
  const ids = new Set(readings.flatMap((reading) => reading.measures.map((m) => m.id)));
  // False alarms are shared among the measures a coach is asked to look at together.
  const family = Math.max(1, focus.length);
  const series = [...ids]
    .map((id) => seriesOf(readings, id, focus.includes(id) ? family : ids.size, began))
    .filter((s) => s !== null);
  const rank = (id: string) => (focus.includes(id) ? focus.indexOf(id) : 100);
  return {
    series: series.sort((a, b) => rank(a.measure) - rank(b.measure)),
    focus,
    lessons: [...new Set(listDiagnoses(ctx, studentId).map((d) => dayOf(d.at)))].sort(),
    checkins: checkinDays(ctx, studentId),
    stages: listGates(ctx, studentId).map((gate) => ({
      drill: gate.drill,
      stage: gate.stage,
      from: dayOf(gate.at),
    })),
  };
}

const SILENT_DAYS = 7;
const STALLED_DAYS = 21;
const OWNED_DAYS = 7;

/** One screen before a lesson: what is being worked on, what was done, what moved, what is due. */
export function briefOf(ctx: Context, studentId: string): Brief {
  const student = getStudent(ctx, studentId);
  const choice = drillsInUse(ctx, studentId);
  const plan = currentPlan(ctx, studentId);
  const sets = listSets(ctx, studentId);
  const gates = gateStates(ctx, studentId);
  const { series } = progressOf(ctx, studentId);
  const focus = focusMeasures(ctx, studentId);
  const since = plan ? dayOf(plan.at) : '';
  const planned = plan?.plan.days.filter((day) => day.date < today(ctx)).flatMap((day) => day.items) ?? [];
  const hold = holdOf(ctx, studentId) !== null;
  const moved = series.filter((s) => focus.includes(s.measure) && s.sessions.length > 1);
  return {
    studentId,
    name: `${student.profile.firstName} ${student.profile.familyName}`,
    nextLesson: student.profile.nextLesson,
    focus: choice ? [choice.forFault] : [],
    drills: choice?.drills ?? [],
    stage: gates[0]?.stage ?? null,
    repsDone: sets.filter((set) => set.date >= since).reduce((sum, set) => sum + set.reps.length, 0),
    repsPlanned: planned.reduce((sum, item) => sum + item.rehearsals + item.balls, 0),
    moved: movedMeasures(ctx, studentId).map(({ id, ...change }) => ({ measure: id, ...change })),
    limits: [...new Set(student.limits.map((l) => l.limit))],
    hold,
    lastWords: lastCheckin(ctx, studentId)?.note ?? '',
    state: stateOf(ctx, {
      hold,
      hasDrills: choice !== null,
      since,
      lastSet: sets.at(-1)?.date ?? null,
      gateOpen: gates.some(waitsForCoach),
      series: moved,
      reachedFull: gates.every((g) => g.stage === 'course' || g.stage === 'clubs'),
    }),
  };
}

interface StateFacts {
  readonly hold: boolean;
  readonly hasDrills: boolean;
  readonly since: string;
  readonly lastSet: string | null;
  readonly gateOpen: boolean;
  readonly series: readonly Series[];
  readonly reachedFull: boolean;
}

function stateOf(ctx: Context, facts: StateFacts): Brief['state'] {
  const daysSince = (day: string) => differenceInCalendarDays(parseISO(today(ctx)), parseISO(day));
  if (facts.hold) return 'pain';
  if (!facts.hasDrills) return 'new';
  if (facts.reachedFull && facts.series.some(isOwned)) return 'owned';
  if (facts.gateOpen) return 'gate_waiting';
  const began = facts.since === '' ? 0 : daysSince(facts.since);
  if (
    (facts.lastSet === null && began >= SILENT_DAYS) ||
    (facts.lastSet !== null && daysSince(facts.lastSet) >= SILENT_DAYS)
  )
    return 'silent';
  return began >= STALLED_DAYS && facts.series.length > 0 && !facts.series.some(moves)
    ? 'stalled'
    : 'working';
}

/** Surely or probably nearer its band than before. */
const moves = ({ change, direction }: Series): boolean =>
  direction === 'better' && (change.verdict === 'real' || change.verdict === 'maybe');

/** In its band on two days at least a week apart. */
function isOwned(series: Series): boolean {
  const { lo, hi } = series.band;
  const days = series.sessions
    .filter((s) => (lo === null || s.mean >= lo) && (hi === null || s.mean <= hi))
    .map((s) => s.date);
  const [first, last] = [days[0], days.at(-1)];
  return (
    first !== undefined &&
    last !== undefined &&
    differenceInCalendarDays(parseISO(last), parseISO(first)) >= OWNED_DAYS
  );
}

export const allBriefs = (ctx: Context): Brief[] =>
  listStudents(ctx)
    .filter((student) => student.archivedAt === null)
    .map((student) => briefOf(ctx, student.id));
