import { createHash } from 'node:crypto';
import { calendarText, calendarTitle } from '@inchstep/contract/words';
import { calendarOf, calendarSequence } from '@inchstep/core/practice';
import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import { firstCoach } from '../../platform/auth.ts';
import { type Context, stamp, today } from '../../platform/context.ts';
import { livePlan } from '../practice/index.ts';
import { libraryWords } from '../prescription/index.ts';

/**
 * The student's practice as a calendar that can be subscribed to. Whole days without a time: they stand on the
 * same date in every zone and on both sides of a change of clocks.
 */
export function calendarFor(ctx: Context, studentId: string): string {
  const { practice } = ctx.records.of(studentId);
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
  return calendar.toString();
}

/** Tells students' days apart without giving their id away. */
const nameless = (studentId: string): string =>
  createHash('sha256').update(`calendar ${studentId}`).digest('hex').slice(0, 16);
