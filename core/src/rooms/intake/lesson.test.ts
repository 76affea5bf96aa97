import { describe, expect, test } from '@jest/globals';
import {
  heldDays,
  isClockTime,
  type LessonRecord,
  lessonProblem,
  lessonState,
  nextLessonFrom,
  overlaps,
  plannedFrom,
  runningAt,
} from './lesson.ts';

const lesson = (more: Partial<LessonRecord> = {}): LessonRecord => ({
  id: 'l',
  day: '2027-03-10',
  time: '09:30',
  minutes: 60,
  mode: 'in_person',
  place: '',
  startedAt: null,
  endedAt: null,
  cancelledAt: null,
  summary: null,
  sentAt: null,
  ...more,
});
const at = (time: string) => `2027-03-10T${time}:00.000Z`;

describe('what became of a lesson', () => {
  test.each<[string, Partial<LessonRecord>, string, string]>([
    ['agreed', {}, '08:00', 'planned'],
    ['called off', { cancelledAt: at('07:00') }, '08:00', 'cancelled'],
    ['begun', { startedAt: at('09:31') }, '10:00', 'running'],
    ['ended', { startedAt: at('09:31'), endedAt: at('10:30') }, '10:31', 'done'],
    ['never ended, an hour over', { startedAt: at('09:31') }, '11:30', 'running'],
    ['never ended, forgotten', { startedAt: at('09:31') }, '13:31', 'done'],
    [
      'called off, and begun all the same',
      { cancelledAt: at('07:00'), startedAt: at('09:31') },
      '10:00',
      'running',
    ],
  ])('%s', (_, more, now, state) => {
    expect(lessonState(lesson(more), at(now))).toBe(state);
    expect(runningAt([lesson(more)], at(now)) !== null).toBe(state === 'running');
  });
});

describe('the next one', () => {
  const lessons = [
    lesson({ id: 'late', day: '2027-03-12' }),
    lesson({ id: 'noon', time: '12:00' }),
    lesson({ id: 'open', time: null }),
    lesson({ id: 'off', time: '08:00', cancelledAt: at('07:00') }),
    lesson({ id: 'held', day: '2027-03-09', startedAt: at('09:31') }),
  ];
  test('is agreed, not begun, and not before today', () => {
    expect(plannedFrom(lessons, '2027-03-10').map(({ id }) => id)).toEqual(['open', 'noon', 'late']);
    expect(nextLessonFrom(lessons, '2027-03-11')?.id).toBe('late');
    expect(nextLessonFrom(lessons, '2027-03-13')).toBeNull();
    expect(heldDays(lessons)).toEqual(['2027-03-09']);
  });
});

describe('two places at once', () => {
  test.each<[string, string | null, number, string | null, boolean]>([
    ['apart', '09:00', 60, '10:00', false],
    ['by a minute', '09:00', 61, '10:00', true],
    ['the same', '10:00', 30, '10:00', true],
    ['one within the other', '10:15', 15, '10:00', true],
    ['without a time nobody knows', null, 60, '10:00', false],
  ])('%s', (_, time, minutes, other, wanted) => {
    const [a, b] = [lesson({ time, minutes }), lesson({ time: other })];
    expect([overlaps(a, b), overlaps(b, a)]).toEqual([wanted, wanted]);
  });
  test('never on two days', () => {
    expect(overlaps(lesson(), lesson({ day: '2027-03-11' }))).toBe(false);
  });
});

describe('a time that can be', () => {
  test.each(['00:00', '09:30', '23:59'])('%s', (time) => expect(isClockTime(time)).toBe(true));
  test.each(['24:00', '9:30', '09:60', '', 'noon', '09:30:00'])('not %s', (time) =>
    expect(isClockTime(time)).toBe(false),
  );
  test.each<[string, string | null, string | null]>([
    ['2027-03-10', null, null],
    ['2027-03-09', null, 'past'],
    ['2027-02-30', null, 'day'],
    ['2027-03-10', '25:00', 'time'],
  ])('%s %s: %s', (day, time, problem) => {
    expect(lessonProblem({ day, time }, '2027-03-10')).toBe(problem);
  });
});
