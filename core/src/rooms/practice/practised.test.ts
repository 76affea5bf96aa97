import { describe, expect, test } from '@jest/globals';
import { HOUSE_LIBRARY } from '../prescription/index.ts';
import { EMPTY_PLAN, type PlanDay } from './plan/planModel.ts';
import { USUAL_ASK } from './plan/planRequest.ts';
import { testDay, testItem } from './plan/testItem.ts';
import type { GateWord, LoggedSet, PracticeRecord } from './practiceRecord.ts';
import { missedDays, practisedOf } from './practised.ts';
import { notPrescribed } from './prescribed.ts';
import type { Stage } from './stages.ts';

let made = 0;
const set = (date: string, reps = 'PPPFP', more: Partial<LoggedSet> = {}): LoggedSet => ({
  id: `set ${made++}`,
  date,
  drill: 'knee_swap',
  stage: 'still',
  reps,
  at: `${date}T18:00:00Z`,
  doneAt: null,
  from: 'student',
  device: null,
  layer: 1,
  ...more,
});
const day = (date: string, rehearsals: number): PlanDay => testDay(date, [testItem({ rehearsals })]);
const record = (sets: LoggedSet[]): PracticeRecord => ({
  sets,
  gates: [],
  plan: {
    at: '2027-03-01T09:00:00Z',
    drills: ['knee_swap'],
    ask: { ...USUAL_ASK, start: '2027-03-01', days: ['mon'] },
    plan: {
      ...EMPTY_PLAN,
      days: [day('2027-03-01', 20), day('2027-03-03', 30), day('2027-03-05', 40)],
    },
  },
});

describe('practised against planned', () => {
  test.each<[string, LoggedSet[], string, [done: number, planned: number]]>([
    ['before the first day', [], '2027-03-01', [0, 0]],
    ['on a day on which something was done, that day counts', [set('2027-03-01')], '2027-03-01', [5, 20]],
    ['on a day on which nothing was done yet, it does not', [set('2027-03-01')], '2027-03-03', [5, 20]],
    ['a day that is over counts', [set('2027-03-01')], '2027-03-04', [5, 50]],
    ['what was done before the plan does not', [set('2027-02-27'), set('2027-03-01')], '2027-03-02', [5, 20]],
  ])('%s', (_, sets, today, [done, planned]) => {
    expect(practisedOf(record(sets), today)).toMatchObject({ repsDone: done, repsPlanned: planned });
  });
  test('the pass rate leaves out what could not be told', () => {
    expect(practisedOf(record([set('2027-03-01', 'PP?F')]), '2027-03-02').passRate).toBeCloseTo(2 / 3);
    expect(practisedOf(record([]), '2027-03-02').passRate).toBeNull();
  });
  test('says how much of it the coach logged', () => {
    const sets = [set('2027-03-01'), set('2027-03-03', 'PP', { from: 'coach' })];
    expect(practisedOf(record(sets), '2027-03-04')).toMatchObject({ repsDone: 7, byCoach: 2 });
    expect(practisedOf(record([]), '2027-03-04').byCoach).toBe(0);
  });
  test('without a plan nothing was asked for', () => {
    expect(practisedOf({ ...record([set('2027-03-01')]), plan: null }, '2027-03-02')).toMatchObject({
      repsDone: 5,
      repsPlanned: 0,
    });
  });
  test('it is counted from the plan’s first day on, or from the first set', () => {
    const [early, late] = [set('2027-02-27'), set('2027-03-02')];
    expect(practisedOf(record([late]), '2027-03-04').since).toBe('2027-03-01');
    expect(practisedOf({ ...record([late, early]), plan: null }, '2027-03-04').since).toBe('2027-02-27');
    expect(practisedOf({ ...record([]), plan: null }, '2027-03-04').since).toBeNull();
  });
  test('missed days are planned ones that went by without a set; today is not over', () => {
    expect(missedDays(record([set('2027-03-03')]), '2027-03-05')).toEqual(['2027-03-01']);
    expect(missedDays(record([]), '2027-03-06')).toEqual(['2027-03-01', '2027-03-03', '2027-03-05']);
    expect(missedDays({ ...record([]), plan: null }, '2027-03-06')).toEqual([]);
  });
});

describe('whether a set was prescribed', () => {
  const choice = (day: string, endedDay: string | null, drills = ['knee_swap']) => ({
    drills,
    forFault: 'sway',
    at: `${day}T09:00:00Z`,
    day,
    endedAt: endedDay && `${endedDay}T09:00:00Z`,
    endedDay,
    reached: {},
  });
  const word = (decision: GateWord['decision'], stage: Stage, on: string): GateWord => ({
    drill: 'knee_swap',
    stage,
    decision,
    at: `${on}T12:00:00Z`,
    day: on,
  });
  const words = [
    word('advance', 'still', '2027-03-04'),
    word('advance', 'slow', '2027-03-10'),
    word('back', 'half', '2027-03-20'),
  ];
  const choices = [choice('2027-03-01', '2027-03-25'), choice('2027-03-25', null, ['kiss_the_post'])];
  const why = (stage: Stage, date: string, drill = 'knee_swap', from: 'coach' | 'student' = 'student') =>
    notPrescribed(
      { prescription: { choices }, practice: { gates: words, sets: [] } },
      { drill, stage, date, from },
      HOUSE_LIBRARY,
    );
  test.each<[string, Stage, string, ReturnType<typeof notPrescribed>]>([
    ['on its first rung', 'still', '2027-03-02', null],
    ['a day before it was taken into use: elsewhere it is later', 'still', '2027-02-28', null],
    ['long before', 'still', '2027-02-20', 'drill'],
    ['above its rung', 'half', '2027-03-05', 'rung'],
    ['on a rung that it has reached', 'half', '2027-03-12', null],
    ['below its rung', 'still', '2027-03-12', null],
    ['done before it went down, sent afterwards', 'half', '2027-03-18', null],
    ['on the day it went down', 'half', '2027-03-20', null],
    ['after it went down', 'half', '2027-03-23', 'rung'],
    ['after it was put aside', 'slow', '2027-04-01', 'drill'],
  ])('%s', (_, stage, date, expected) => {
    expect(why(stage, date)).toBe(expected);
  });
  test('the coach may test at full speed from any rung; the student goes by the ladder', () => {
    expect(why('full', '2027-03-05', 'knee_swap', 'coach')).toBeNull();
    expect(why('full', '2027-03-05')).toBe('rung');
    expect(why('three_quarter', '2027-03-05', 'knee_swap', 'coach')).toBe('rung');
    expect(why('full', '2027-04-01', 'knee_swap', 'coach')).toBe('drill');
  });
  test('another drill', () => {
    expect(why('still', '2027-03-27', 'kiss_the_post')).toBeNull();
    expect(why('still', '2027-03-10', 'kiss_the_post')).toBe('drill');
  });
});
