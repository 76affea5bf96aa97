import type {
  Lesson,
  LessonDeed,
  LessonList,
  MoveLesson,
  NewLesson,
  ThreadEvent,
} from '@inchstep/contract/intake';
import { moveLessonSchema } from '@inchstep/contract/intake';
import { dueOn, lessonProblem, nextLessonFrom, runningAt, USUAL_LESSON_MINUTES } from '@inchstep/core/intake';
import { type Context, newId, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { once } from '../../platform/writes/once.ts';
import { insertLesson, lessonById, lessonsOf, updateLesson } from './lessonRepo.ts';
import { record } from './record.ts';
import { bumpVersion, eventsOf, studentRow } from './repo.ts';

export function listLessons(ctx: Context, studentId: string): LessonList {
  if (!studentRow(ctx.db, studentId)) throw new Refusal('not_found');
  const lessons = lessonsOf(ctx.db, studentId);
  return { lessons, running: runningAt(lessons, stamp(ctx)) };
}

const NEW = { startedAt: null, endedAt: null, cancelledAt: null, summary: null, sentAt: null };

/** Agrees a lesson, or begins one: the one agreed for today where there is one, else one that nobody agreed. */
export function agreeLesson(
  ctx: Context,
  studentId: string,
  { id, begin = false, ...asked }: NewLesson,
  author: string,
): Lesson {
  const when = moveLessonSchema.parse(begin ? { ...asked, day: today(ctx) } : asked);
  return once(
    ctx,
    { id, what: 'lesson', studentId, author },
    () => {
      refuseBadTime(ctx, when);
      if (begin) refuseTwo(ctx, studentId, id);
      const due = begin ? dueOn(lessonsOf(ctx.db, studentId), when.day) : null;
      if (due) {
        updateLesson(ctx.db, due.id, { mode: when.mode });
        doToLesson(ctx, studentId, due.id, 'begin');
        return;
      }
      const startedAt = begin ? stamp(ctx) : null;
      insertLesson(ctx.db, studentId, author, { ...NEW, id, ...when, startedAt });
      told(ctx, studentId, begin ? 'lesson_began' : 'lesson_agreed', when);
    },
    () => lessonBegun(ctx, studentId, id),
  );
}

/** The lesson that a press agreed or began: its own, or the one of that day that it began. */
function lessonBegun(ctx: Context, studentId: string, id: string): Lesson {
  const lessons = lessonsOf(ctx.db, studentId);
  const own = lessons.find((lesson) => lesson.id === id);
  const latest = runningAt(lessons, stamp(ctx)) ?? lessons.findLast(({ startedAt }) => startedAt !== null);
  return own ?? latest ?? getLesson(ctx, studentId, id);
}

export const moveLesson = (ctx: Context, studentId: string, id: string, asked: MoveLesson): Lesson => {
  const when = moveLessonSchema.parse(asked);
  return change(ctx, studentId, id, (lesson) => {
    if (lesson.startedAt !== null) throw new Refusal('lesson_begun');
    if (when.day !== lesson.day || when.time !== lesson.time) refuseBadTime(ctx, when);
    return { changed: when, tells: 'lesson_moved' };
  });
};

/** A lesson of this student's, or a refusal. */
export function getLesson(ctx: Context, studentId: string, id: string): Lesson {
  const lesson = lessonById(ctx.db, id);
  if (lesson?.studentId !== studentId) throw new Refusal('not_found');
  const { studentId: _, ...rest } = lesson;
  return rest;
}

/** What was drafted and sent of a lesson. */
export const keepSummary = (
  ctx: Context,
  id: string,
  kept: { readonly draft: string; readonly summary: string; readonly sentAt: string },
): void => updateLesson(ctx.db, id, kept);

/** What the thread noted in a lesson. */
export const eventsIn = (ctx: Context, studentId: string, id: string): ThreadEvent[] =>
  eventsOf(ctx.db, studentId).filter(({ lessonId }) => lessonId === id);

/** What a deed changes and what the thread says of it; null where it was done already. */
type Change = { readonly changed: Partial<Lesson>; readonly tells: LessonTold | null } | null;

/** Done twice, a deed is done once. */
export const doToLesson = (ctx: Context, studentId: string, id: string, deed: LessonDeed): Lesson =>
  change(ctx, studentId, id, (lesson): Change => {
    const now = stamp(ctx);
    if (deed === 'begin') {
      if (lesson.startedAt !== null) return null;
      refuseTwo(ctx, studentId, id);
      // Held on another day than it was agreed for, it was held on that day.
      return { changed: { startedAt: now, day: today(ctx), cancelledAt: null }, tells: 'lesson_began' };
    }
    if (deed === 'cancel' || deed === 'restore') {
      if (lesson.startedAt !== null) throw new Refusal('lesson_begun');
      const off = deed === 'cancel';
      if ((lesson.cancelledAt !== null) === off) return null;
      return {
        changed: { cancelledAt: off ? now : null },
        tells: off ? 'lesson_cancelled' : 'lesson_agreed',
      };
    }
    if (lesson.startedAt === null) throw new Refusal('lesson_not_begun');
    const ends = deed === 'end';
    if ((lesson.endedAt !== null) === ends) return null;
    return { changed: { endedAt: ends ? now : null }, tells: ends ? 'lesson_ended' : null };
  });

function change(ctx: Context, studentId: string, id: string, make: (lesson: Lesson) => Change): Lesson {
  const lesson = getLesson(ctx, studentId, id);
  ctx.records.write(studentId, () => {
    const made = make(lesson);
    if (!made) return;
    updateLesson(ctx.db, id, made.changed);
    if (made.tells) told(ctx, studentId, made.tells, { ...lesson, ...made.changed });
    // A form that was opened before shows a day that is no more.
    bumpVersion(ctx.db, studentId);
  });
  return getLesson(ctx, studentId, id);
}

/** The day of the next lesson, as a form or a plan asks it: another day moves it, none calls it off. */
export function setNextLesson(ctx: Context, studentId: string, day: string | null, author: string): void {
  const next = nextLessonFrom(lessonsOf(ctx.db, studentId), today(ctx));
  // A day that has gone by since the form was opened asks for nothing.
  if ((next?.day ?? null) === day || (day !== null && day < today(ctx))) return;
  if (day === null) {
    if (next) doToLesson(ctx, studentId, next.id, 'cancel');
    return;
  }
  if (next) {
    const { time, minutes, mode, place } = next;
    moveLesson(ctx, studentId, next.id, { day, time, minutes, mode, place });
    return;
  }
  const row = { id: newId(), day, time: null, minutes: USUAL_LESSON_MINUTES, mode: 'in_person' as const };
  ctx.records.write(studentId, () => {
    insertLesson(ctx.db, studentId, author, { ...NEW, place: '', ...row });
    told(ctx, studentId, 'lesson_agreed', row);
  });
}

/** Every day for which a lesson was ever agreed. */
export const lessonDays = (ctx: Context, studentId: string): string[] =>
  lessonsOf(ctx.db, studentId).map(({ day }) => day);

/** The day of the next lesson that is agreed; null without one. */
export const nextLessonDay = (ctx: Context, studentId: string): string | null =>
  nextLessonFrom(lessonsOf(ctx.db, studentId), today(ctx))?.day ?? null;

function refuseBadTime(ctx: Context, when: Pick<Lesson, 'day' | 'time'>): void {
  if (lessonProblem(when, today(ctx)) === 'past')
    throw new Refusal('date_in_past', { value: when.day }, 'day');
}

function refuseTwo(ctx: Context, studentId: string, id: string): void {
  const running = runningAt(lessonsOf(ctx.db, studentId), stamp(ctx));
  if (running && running.id !== id) throw new Refusal('lesson_running');
}

type LessonTold = Extract<
  ThreadEvent['kind'],
  'lesson_agreed' | 'lesson_moved' | 'lesson_cancelled' | 'lesson_began' | 'lesson_ended'
>;

const told = (
  ctx: Context,
  studentId: string,
  kind: LessonTold,
  { day, time, minutes }: Pick<Lesson, 'day' | 'time' | 'minutes'>,
): void => record(ctx, studentId, kind, { day, time, minutes });
