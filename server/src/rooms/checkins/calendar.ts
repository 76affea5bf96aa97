import { createHash } from 'node:crypto';
import { calendarText, calendarTitle, lessonTitle } from '@inchstep/contract/words';
import { calendarOf, calendarSequence } from '@inchstep/core/practice';
import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import { firstCoach } from '../../platform/auth.ts';
import { type Context, stamp, today } from '../../platform/context.ts';
import { livePlan } from '../practice/index.ts';
import { libraryWords } from '../prescription/index.ts';

/**
 * The student's practice and lessons as a calendar that can be subscribed to. A lesson with a time stands at that
 * moment of the coach's clock, wherever it is read. Practice has whole days without a time: they stand on the
 * same date in every zone and on both sides of a change of clocks.
 */
export function calendarFor(ctx: Context, studentId: string): string {
  const { practice, intake } = ctx.records.of(studentId);
  const { nameOf } = libraryWords(ctx);
  const coach = firstCoach(ctx)?.name ?? '';
  const calendar = ical({
    name: calendarTitle(coach),
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Inch Step', product: 'practice', language: 'EN' },
    ttl: 3600,
  });
  const kept = practice.plan;
  if (kept) {
    const now = today(ctx);
    const live = livePlan(ctx, studentId) ?? kept.plan;
    for (const { name, date, cancelled, day } of calendarOf(kept, live, now))
      calendar.createEvent({
        id: `${name}.${nameless(studentId)}`,
        start: date,
        allDay: true,
        floating: true,
        stamp: stamp(ctx),
        sequence: calendarSequence(kept, now),
        status: cancelled ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
        summary: calendarText(day, nameOf).title,
        description: calendarText(day, nameOf).text,
      });
  }
  for (const lesson of intake.lessons) {
    const start = lesson.time === null ? lesson.day : new Date(`${lesson.day}T${lesson.time}:00`);
    calendar.createEvent({
      id: `lesson.${nameless(lesson.id)}.${nameless(studentId)}`,
      start,
      ...(lesson.time === null
        ? { allDay: true, floating: true }
        : { end: new Date((start as Date).getTime() + lesson.minutes * 60_000) }),
      stamp: stamp(ctx),
      // A later reading goes before an earlier one: minutes count up, days would not tell a morning from an evening.
      sequence: Math.floor(ctx.now().getTime() / 60_000),
      status: lesson.cancelledAt === null ? ICalEventStatus.CONFIRMED : ICalEventStatus.CANCELLED,
      summary: lessonTitle(coach, lesson.mode === 'video'),
      location: lesson.place,
    });
  }
  return calendar.toString();
}

/** Tells students' days, and lessons, apart without giving their ids away. */
const nameless = (id: string): string =>
  createHash('sha256').update(`calendar ${id}`).digest('hex').slice(0, 16);
