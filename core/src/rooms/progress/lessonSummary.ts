import { type IsoDay, plusDays } from '../../foundation/index.ts';
import { betterFirst, type FilmAsk, type MovedMeasure } from '../checkins/index.ts';
import { nextLessonFrom } from '../intake/index.ts';
import { type LessonNote, type PlanDay, readReps, type Stage, standsOn } from '../practice/index.ts';
import { inUse, type Library } from '../prescription/index.ts';
import type { LessonMoment } from './lessonFile.ts';
import { movedOf } from './moved.ts';
import type { StudentRecord } from './studentRecord.ts';

/** What was repeated in a lesson on one rung of a drill. */
interface LessonCount {
  readonly drill: string;
  readonly stage: Stage;
  readonly passed: number;
  /** Repetitions that were judged, either way. */
  readonly judged: number;
}

/** Facts from which a lesson's summary is drafted, in the coach's order. */
export interface LessonSummary {
  readonly better: readonly MovedMeasure[];
  readonly counts: readonly LessonCount[];
  /** The one piece now: the first drill in use, on the rung it stands on. */
  readonly piece: { readonly drill: string; readonly stage: Stage } | null;
  /** What is planned for the week after: days, and repetitions in all. */
  readonly week: { readonly days: number; readonly reps: number; readonly first: IsoDay } | null;
  readonly notes: readonly Pick<LessonNote, 'tag' | 'text'>[];
  readonly leave: readonly string[];
  readonly next: { readonly day: IsoDay; readonly time: string | null } | null;
  /** What is asked for next: the request that goes along says the same. */
  readonly send: Pick<FilmAsk, 'kinds' | 'swings' | 'dueOn'>;
}

const MOST_LEFT = 3;
/** Notes that are the student's to read; the coach's own stay in the record. */
const FOR_THE_STUDENT: readonly LessonNote['tag'][] = ['feels_like', 'try_next', 'leave'];

export function lessonSummary(
  record: StudentRecord,
  library: Library,
  moments: readonly LessonMoment[],
  ahead: readonly PlanDay[],
  send: LessonSummary['send'],
  today: IsoDay,
): LessonSummary {
  const drill = library.byId(inUse(record.prescription)?.drills[0] ?? '');
  const next = nextLessonFrom(record.intake.lessons, plusDays(today, 1));
  return {
    better: betterFirst(movedOf(record, library)),
    counts: countsOf(moments),
    piece: drill ? { drill: drill.id, stage: standsOn(record, drill).stage } : null,
    week: weekOf(ahead, today),
    notes: moments.flatMap((moment) =>
      moment.what === 'note' && FOR_THE_STUDENT.includes(moment.tag) && moment.text !== ''
        ? [{ tag: moment.tag, text: moment.text }]
        : [],
    ),
    leave: record.diagnosis.diagnoses.at(-1)?.follow.slice(0, MOST_LEFT) ?? [],
    next: next && { day: next.day, time: next.time },
    send,
  };
}

/** Each drill and rung once, in the order in which they were done. */
function countsOf(moments: readonly LessonMoment[]): LessonCount[] {
  const counts = new Map<string, { drill: string; stage: Stage; passed: number; judged: number }>();
  for (const moment of moments) {
    if (moment.what !== 'set') continue;
    const key = `${moment.drill} ${moment.stage}`;
    const count = counts.get(key) ?? { drill: moment.drill, stage: moment.stage, passed: 0, judged: 0 };
    const reps = readReps(moment.reps) ?? [];
    count.passed += reps.filter((rep) => rep === 'P').length;
    count.judged += reps.filter((rep) => rep !== '?').length;
    counts.set(key, count);
  }
  return [...counts.values()];
}

function weekOf(ahead: readonly PlanDay[], today: IsoDay): LessonSummary['week'] {
  const until = plusDays(today, 7);
  const days = ahead.filter(({ date }) => date > today && date <= until);
  const [first] = days;
  if (!first) return null;
  const items = days.flatMap(({ items: all }) => all);
  return {
    days: days.length,
    reps: items.reduce((sum, { rehearsals, balls }) => sum + rehearsals + balls, 0),
    first: first.date,
  };
}
