import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { daysBetween, plusDays, WEEKDAYS, weekdayOf } from '../../foundation/index.ts';
import { testCase } from '../diagnosis/testCase.ts';
import { DRILLS } from '../prescription/index.ts';
import { dailyCap, hasMarkedLoad, WEEKLY_GROWTH } from './caps.ts';
import { buildPlan } from './plan.ts';
import { checkPlan, type PlanRequest } from './planRequest.ts';
import { STAGES } from './stages.ts';

const MONDAY = '2027-03-01';
type Student = PlanRequest['file']['student'];
const request = (more: Partial<PlanRequest> = {}, student: Partial<Student> = {}): PlanRequest => {
  const file = testCase();
  return {
    file: { ...file, student: { ...file.student, minutesPerWeek: 100, ...student } },
    drills: ['knee_swap'],
    start: MONDAY,
    nextLesson: null,
    days: ['mon', 'wed', 'fri', 'sun'],
    minutesPerDay: { sun: 40 },
    placeByDay: { sun: 'range' },
    done: [],
    missed: [],
    reached: {},
    ...more,
  };
};
const repsOf = (items: readonly { rehearsals: number; balls: number }[]) =>
  items.reduce((sum, item) => sum + item.rehearsals + item.balls, 0);
const gateOf = (plan: ReturnType<typeof buildPlan>, stage: string, drill = 'knee_swap') =>
  plan.stages.find((s) => s.stage === stage && s.drill === drill)?.gateBy ?? null;

describe('a plan by hand', () => {
  const plan = buildPlan(request());
  test('days are the student’s own, places too', () => {
    for (const day of plan.days) {
      expect(['mon', 'wed', 'fri', 'sun']).toContain(weekdayOf(day.date));
      expect(day.place).toBe(weekdayOf(day.date) === 'sun' ? 'range' : 'home');
    }
  });
  test('the week’s wish of 300 is split evenly over four days, within the cap of 80', () => {
    const first = plan.days.filter((d) => daysBetween(MONDAY, d.date) < 7).map((d) => repsOf(d.items));
    expect(first).toEqual([80, 80, 80, 80]);
  });
  test('stages come in order and each gate after the one before', () => {
    const gates = plan.stages.map((s) => s.gateBy).filter((d) => d !== null);
    expect([...gates].sort()).toEqual(gates);
    expect(plan.stages.map((s) => s.stage)).toEqual([...STAGES]);
    // still: 60 repetitions on two days.
    expect(gateOf(plan, 'still')).toBe('2027-03-03');
    expect(plan.stages[0]?.state).toBe('now');
  });
  test('balls only where balls can be hit, and the feel is kept warm on the other days', () => {
    for (const day of plan.days) {
      for (const item of day.items) if (item.balls > 0) expect(day.place).toBe('range');
    }
    const half = gateOf(plan, 'slow') as string;
    const later = plan.days.filter((d) => d.date > half && d.place === 'home');
    expect(later.length).toBeGreaterThan(2);
    for (const day of later) expect(day.items[0]).toMatchObject({ stage: 'slow', balls: 0 });
  });
  test('the course is left out for one who does not play, and said so', () => {
    expect(plan.stages.at(-1)?.state).toBe('skipped');
    expect(plan.gives).toContainEqual({ what: 'course', by: 0, about: 'knee_swap' });
  });
});

describe('a plan that can’t fit says what gives, and by how much', () => {
  test('five minutes a day: fewer repetitions', () => {
    const short = buildPlan(request({ minutesPerDay: { mon: 5, wed: 5, fri: 5, sun: 5 } }));
    const first = short.days.filter((d) => daysBetween(MONDAY, d.date) < 7);
    const reps = first.reduce((sum, d) => sum + repsOf(d.items), 0);
    expect(reps).toBeLessThan(300);
    expect(short.gives).toContainEqual({ what: 'weekly_reps', by: 300 - reps, about: String(reps) });
  });
  test('no range: the ball stages have no place', () => {
    const home = buildPlan(request({ placeByDay: {} }));
    expect(home.gives.map((g) => g.what)).toContain('ball_place');
    expect(home.stages.find((s) => s.stage === 'half')?.state).toBe('no_place');
    expect(home.days.every((d) => d.items.every((i) => i.balls === 0))).toBe(true);
  });
  test('a lesson before the slow gate: later, by so many days', () => {
    const soon = buildPlan(request({ nextLesson: '2027-03-04' }));
    const slow = gateOf(soon, 'slow') as string;
    expect(soon.gives).toContainEqual({
      what: 'gate_later',
      by: daysBetween('2027-03-04', slow),
      about: 'knee_swap',
    });
    expect(soon.reviewDates).toContain('2027-03-04');
  });
  test('ten balls a visit are never more than ten', () => {
    const few = buildPlan(request({}, { ballsPerVisit: 10 }));
    for (const day of few.days)
      expect(day.items.reduce((sum, i) => sum + i.balls, 0)).toBeLessThanOrEqual(10);
    expect(few.gives.map((g) => g.what)).toContain('balls');
  });
});

describe('caps', () => {
  const drill = (id: string) => DRILLS.find((d) => d.id === id) as (typeof DRILLS)[number];
  const { student } = testCase();
  test('by load, age and limit, by hand', () => {
    expect(dailyCap(drill('palms_coil'), student)).toBe(150);
    expect(dailyCap(drill('knee_swap'), student)).toBe(80);
    expect(dailyCap(drill('knee_roll'), student)).toBe(40);
    expect(dailyCap(drill('knee_swap'), { ...student, ageYears: 13 })).toBe(48);
    expect(dailyCap(drill('knee_swap'), { ...student, ageYears: 66 })).toBe(60);
    expect(dailyCap(drill('knee_swap'), { ...student, limits: ['knee'] })).toBe(40);
  });
  test('a child’s day ends after half an hour', () => {
    const plan = buildPlan(request({ minutesPerDay: { mon: 90, sun: 90 } }, { ageYears: 13 }));
    for (const day of plan.days) expect(day.minutes).toBeLessThanOrEqual(30);
  });
  test('a marked load rests the day after', () => {
    const plan = buildPlan(request({ drills: ['knee_roll'], days: [...WEEKDAYS], placeByDay: {} }));
    const dates = plan.days.filter((d) => d.items.length > 0).map((d) => d.date);
    for (const [i, date] of dates.entries())
      if (i > 0) expect(daysBetween(dates[i - 1] as string, date)).toBeGreaterThan(1);
  });
});

describe('two drills', () => {
  test('the later one waits until the earlier swings at three quarters', () => {
    const plan = buildPlan(request({ drills: ['keep_the_post', 'knee_swap'] }));
    const begins = plan.stages.find((s) => s.drill === 'keep_the_post' && s.stage === 'still')?.from;
    expect(begins).not.toBeNull();
    expect((begins as string) >= (gateOf(plan, 'half') as string)).toBe(true);
  });
});

describe('what was done is kept', () => {
  const done = (reps: number, passes: number) =>
    request({ done: [{ date: '2027-02-26', drill: 'knee_swap', stage: 'still', reps, passes }] });
  test('enough passes settle the first rung', () => {
    expect(buildPlan(done(12, 12)).stages[0]?.state).toBe('done');
    expect(buildPlan(done(12, 4)).stages[0]?.state).toBe('now');
  });
  test('the coach’s decision goes before the count', () => {
    const plan = buildPlan({ ...done(12, 4), reached: { knee_swap: 'half' } });
    expect(plan.stages.slice(0, 2).map((s) => s.state)).toEqual(['done', 'done']);
  });
  test('missed days are left out and never doubled on the next', () => {
    const usual = buildPlan(request());
    const missed = buildPlan(request({ missed: ['2027-03-03', '2027-03-05'] }));
    expect(missed.days.map((d) => d.date)).not.toContain('2027-03-03');
    const most = Math.max(...usual.days.map((d) => repsOf(d.items)));
    for (const day of missed.days) expect(repsOf(day.items)).toBeLessThanOrEqual(most);
    expect((gateOf(missed, 'still') as string) > (gateOf(usual, 'still') as string)).toBe(true);
  });
});

describe('properties', () => {
  const requests = fc
    .record({
      drill: fc.constantFrom(...DRILLS.map((d) => d.id)),
      days: fc.subarray([...WEEKDAYS], { minLength: 1 }),
      minutes: fc.integer({ min: 5, max: 120 }),
      age: fc.integer({ min: 9, max: 80 }),
      balls: fc.integer({ min: 0, max: 120 }),
      range: fc.boolean(),
    })
    .map(({ drill, days, minutes, age, balls, range }) =>
      request(
        {
          drills: [drill],
          days,
          minutesPerDay: Object.fromEntries(days.map((d) => [d, minutes])),
          placeByDay: range ? Object.fromEntries(days.map((d) => [d, 'range'])) : {},
        },
        { ageYears: age, ballsPerVisit: balls },
      ),
    );
  const settings = { seed: 5, numRuns: 60 };
  test('no day is longer than asked, nor over the daily cap; growth stays within a quarter', () => {
    fc.assert(
      fc.property(requests, (r) => {
        const plan = buildPlan(r);
        const drill = DRILLS.find((d) => d.id === r.drills[0]) as (typeof DRILLS)[number];
        const weeks = new Map<number, number>();
        for (const day of plan.days) {
          const asked = r.minutesPerDay[weekdayOf(day.date)] as number;
          expect(day.minutes).toBeLessThanOrEqual(Math.ceil(asked));
          const course = day.items.some((i) => i.stage === 'course');
          if (!course) expect(repsOf(day.items)).toBeLessThanOrEqual(dailyCap(drill, r.file.student));
          const week = Math.floor(daysBetween(r.start, day.date) / 7);
          weeks.set(week, (weeks.get(week) ?? 0) + repsOf(day.items));
        }
        for (const [week, reps] of weeks) {
          const before = weeks.get(week - 1);
          if (before !== undefined) expect(reps).toBeLessThanOrEqual(Math.max(10, before * WEEKLY_GROWTH));
        }
        if (hasMarkedLoad(drill))
          for (const [i, day] of plan.days.entries())
            if (i > 0) expect(daysBetween(plan.days[i - 1]?.date as string, day.date)).toBeGreaterThan(1);
      }),
      settings,
    );
  });
});

describe('checkPlan', () => {
  test.each([
    ['no_drills', 'drills', { drills: [] }],
    ['unknown_drill', 'drills[0]', { drills: ['juggling'] }],
    ['bad_date', 'planning.start', { start: '2027-02-30' }],
    ['lesson_before_start', 'planning.nextLesson', { nextLesson: plusDays(MONDAY, -1) }],
    ['no_days', 'planning.days', { days: [] }],
    ['bad_date', 'planning.missed[0]', { missed: ['yesterday'] }],
    [
      'passes_over_reps',
      'planning.done[0].passes',
      { done: [{ date: MONDAY, drill: 'knee_swap', stage: 'still', reps: 3, passes: 4 }] },
    ],
  ] as const)('%s at %s', (code, path, wrong) => {
    const answer = checkPlan(request(wrong as Partial<PlanRequest>));
    expect(answer.ok).toBe(false);
    if (!answer.ok) expect(answer.problems).toContainEqual(expect.objectContaining({ code, path }));
  });
});
