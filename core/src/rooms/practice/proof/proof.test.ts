import { describe, expect, test } from '@jest/globals';
import { sampleCase } from '../../diagnosis/sampleCase.ts';
import { buildPlan } from '../plan/buildPlan.ts';
import type { PlanDay, PlanItem } from '../plan/planModel.ts';
import { NOTHING_KNOWN, type PlanRequest, USUAL_ASK } from '../plan/planRequest.ts';
import { testDay, testItem } from '../plan/testItem.ts';
import { packPlan, provePack } from './planPack.ts';
import { PLAN_RULES, provePlan } from './provePlan.ts';

const MONDAY = '2027-03-01';
const request = (more: Partial<PlanRequest> = {}, student: object = {}): PlanRequest => {
  const file = sampleCase();
  return {
    ...NOTHING_KNOWN,
    ...USUAL_ASK,
    file: { ...file, student: { ...file.student, aids: ['stick'], ballsPerVisit: 30, ...student } },
    drills: ['knee_swap'],
    start: MONDAY,
    days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'],
    minutesPerDay: { mon: 30, tue: 30, wed: 30, thu: 30, fri: 30, sat: 30, sun: 30 },
    placeByDay: { sun: 'range' },
    ...more,
  };
};
const day = (date: string, items: Partial<PlanItem>[], more: Partial<PlanDay> = {}) =>
  testDay(
    date,
    items.map((item) => testItem(item)),
    more,
  );
const rulesBroken = (days: PlanDay[], more: Partial<PlanRequest> = {}, student: object = {}) => [
  ...new Set(provePlan(request(more, student), days, []).broken.map(({ rule }) => rule)),
];

describe('each rule finds what breaks it, and nothing else does', () => {
  test.each<[string, PlanDay[], Partial<PlanRequest>, object, string[]]>([
    ['a sound day', [day(MONDAY, [{}])], {}, {}, []],
    [
      'a day that was not asked for',
      [day('2027-03-02', [{}])],
      { days: ['mon'], minutesPerDay: { mon: 30 } },
      {},
      ['asked_day'],
    ],
    ['a day that was missed', [day(MONDAY, [{}])], { missed: [MONDAY] }, {}, ['asked_day']],
    ['before the start', [day('2027-02-28', [{}])], {}, {}, ['asked_day']],
    [
      'while ill',
      [day(MONDAY, [{}])],
      { exceptions: [{ kind: 'ill', from: MONDAY, to: MONDAY, minutes: null, place: null }] },
      {},
      ['asked_day', 'minutes'],
    ],
    ['longer than asked', [day(MONDAY, [{ minutes: 28 }], { minutes: 31 })], {}, {}, ['minutes']],
    [
      'a child longer than half an hour',
      [day(MONDAY, [{ minutes: 28 }])],
      { minutesPerDay: { mon: 90 } },
      { ageYears: 12 },
      ['minutes'],
    ],
    ['no warm-up before a load', [day(MONDAY, [{}], { warmUpMinutes: 0, warmUp: [] })], {}, {}, ['warm_up']],
    ['a warm-up without moves', [day(MONDAY, [{}], { warmUp: [] })], {}, {}, ['warm_up']],
    ['81 of a light load', [day(MONDAY, [{ rehearsals: 81 }])], {}, {}, ['daily_cap']],
    [
      '41 with the knee’s limit',
      [day(MONDAY, [{ rehearsals: 41 }])],
      {},
      { limits: ['knee'] },
      ['daily_cap'],
    ],
    ['61 from sixty years on', [day(MONDAY, [{ rehearsals: 61 }])], {}, { ageYears: 60 }, ['daily_cap']],
    [
      'two drills that share a knee',
      [day(MONDAY, [{ rehearsals: 50 }, { drill: 'rod_knee_draw', rehearsals: 50 }])],
      { drills: ['knee_swap', 'rod_knee_draw'], opened: ['rod_knee_draw', 'knee_swap'] },
      {},
      ['daily_cap'],
    ],
    [
      '151 of what loads nothing',
      [day(MONDAY, [{ drill: 'palms_coil', rehearsals: 151 }])],
      { drills: ['palms_coil'] },
      {},
      ['daily_cap'],
    ],
    [
      'full before a lesson',
      [day(MONDAY, [{ rehearsals: 60 }])],
      { nextLesson: '2027-03-02' },
      {},
      ['light_before_lesson'],
    ],
    [
      'marked on two days running',
      [day(MONDAY, [{ drill: 'knee_roll' }]), day('2027-03-02', [{ drill: 'knee_roll' }])],
      { drills: ['knee_roll'] },
      {},
      ['rest_day'],
    ],
    ['pain now', [day(MONDAY, [{}])], {}, { limits: ['pain'] }, ['pain']],
    [
      'balls at home',
      [day(MONDAY, [{ stage: 'half', balls: 5, clubs: Array(5).fill('short_iron') }])],
      {},
      {},
      ['balls'],
    ],
    [
      'more balls than there are',
      [
        day(
          '2027-03-07',
          [{ stage: 'half', balls: 31, rehearsals: 0, clubs: Array(31).fill('short_iron') }],
          { place: 'range' },
        ),
      ],
      {},
      {},
      ['balls'],
    ],
    [
      'more than whole buckets',
      [
        day(
          '2027-03-07',
          [{ stage: 'half', balls: 26, rehearsals: 0, clubs: Array(26).fill('short_iron') }],
          { place: 'range' },
        ),
      ],
      { bucketBalls: 25 },
      {},
      ['balls'],
    ],
    [
      'the drill itself where it can’t stand',
      [day(MONDAY, [{ drill: 'knee_to_far_ball' }])],
      { drills: ['knee_to_far_ball'] },
      {},
      ['place'],
    ],
    [
      'the drill itself without its aid',
      [day(MONDAY, [{ drill: 'kiss_the_post' }])],
      { drills: ['kiss_the_post'] },
      { aids: [] },
      ['place'],
    ],
    [
      'above its speed limit',
      [day(MONDAY, [{ drill: 'two_cheek_chair', stage: 'full' }])],
      { drills: ['two_cheek_chair'] },
      { aids: ['chair'] },
      ['speed_limit'],
    ],
    [
      'a course rung at home',
      [day(MONDAY, [{ stage: 'course', as: 'feel', rehearsals: 0 }])],
      {},
      {},
      ['course'],
    ],
    [
      'two new drills in a week',
      [day(MONDAY, [{ stage: 'half' }]), day('2027-03-03', [{ drill: 'keep_the_post', as: 'feel' }])],
      { drills: ['knee_swap', 'keep_the_post'] },
      {},
      ['one_new_piece'],
    ],
    [
      'the second drill before the first is there',
      [day(MONDAY, [{}]), day('2027-03-10', [{ drill: 'keep_the_post', as: 'feel' }])],
      { drills: ['knee_swap', 'keep_the_post'], placeByDay: { wed: 'range' } },
      {},
      [],
    ],
    ['new on the day of a lesson', [day(MONDAY, [{}])], { nextLesson: MONDAY }, {}, ['nothing_new']],
    [
      'two rungs at once',
      [day(MONDAY, [{}]), day('2027-03-03', [{ stage: 'half' }])],
      {},
      {},
      ['rung_by_rung'],
    ],
    ['two sessions on a day', [day(MONDAY, [{}]), day(MONDAY, [{}])], {}, {}, ['one_session_a_day']],
    ['a day without a word', [day(MONDAY, [{}]), day('2027-03-03', [{}])], {}, {}, ['no_empty_day']],
  ])('%s', (_, days, more, student, broken) => {
    const silent = rulesBroken(days, more, student).filter(
      (rule) => rule !== 'no_empty_day' || broken.includes('no_empty_day'),
    );
    expect(silent.sort()).toEqual([...broken].sort());
  });
  test('a week that grows by more than a quarter, once there was one', () => {
    const weeks = (second: number) =>
      [0, 2, 4, 7, 9, 11, 13].map((offset) =>
        day(`2027-03-${String(1 + offset).padStart(2, '0')}`, [{ rehearsals: offset < 7 ? 40 : second }]),
      );
    expect(rulesBroken(weeks(37))).not.toContain('growth');
    expect(rulesBroken(weeks(60))).toContain('growth');
  });
  test('a first week after a gap that is more than the last one', () => {
    const logs = ['2027-02-01', '2027-02-03'].map((date) => ({
      date,
      drill: 'knee_swap',
      stage: 'still' as const,
      letters: 'P'.repeat(20),
      layer: 1,
      before: null,
    }));
    expect(rulesBroken([day(MONDAY, [{ rehearsals: 40 }])], { logs })).not.toContain('after_gap');
    expect(rulesBroken([day(MONDAY, [{ rehearsals: 41 }])], { logs })).toContain('after_gap');
  });
  test('parts of a cycle out of their order', () => {
    const drills = ['rod_knee_draw', 'reach_the_rod', 'pull_the_rod'];
    const parts = (ids: string[]) => [
      day(
        '2027-03-07',
        ids.map((drill) => ({ drill, intent: 'part' as const, as: 'feel' as const })),
        { place: 'range' },
      ),
    ];
    expect(rulesBroken(parts(drills), { drills })).not.toContain('cycle');
    expect(rulesBroken(parts([...drills].reverse()), { drills })).toContain('cycle');
  });
  test('every rule is broken by at least one plan of these tests, and a plan of the planner breaks none', () => {
    expect(PLAN_RULES.map(({ rule }) => rule).sort()).toEqual(
      [
        'after_gap',
        'asked_day',
        'ball_use',
        'balls',
        'course',
        'cycle',
        'daily_cap',
        'downstream_waits',
        'growth',
        'light_before_lesson',
        'minutes',
        'no_empty_day',
        'nothing_new',
        'one_new_piece',
        'one_session_a_day',
        'pain',
        'place',
        'rest_day',
        'rung_by_rung',
        'speed_limit',
        'warm_up',
        'wish',
      ].sort(),
    );
    expect(buildPlan(request()).proof).toEqual({ rules: PLAN_RULES.length, broken: [] });
  });
  test('more in a week than was wished for', () => {
    const days = [0, 2, 4].map((offset) => day(`2027-03-0${1 + offset}`, [{ rehearsals: 60 }]));
    expect(rulesBroken(days, { wishRepsPerWeek: 180 })).not.toContain('wish');
    expect(rulesBroken(days, { wishRepsPerWeek: 170 })).toContain('wish');
  });
  test('a drill without a ball that hits one is its feel', () => {
    const hit = (as: 'drill' | 'feel') =>
      day(
        '2027-03-07',
        [{ drill: 'stance_ruler', as, stage: 'half', balls: 2, clubs: ['short_iron', 'short_iron'] }],
        { place: 'range' },
      );
    expect(rulesBroken([hit('feel')], { drills: ['stance_ruler'] })).not.toContain('ball_use');
    expect(rulesBroken([hit('drill')], { drills: ['stance_ruler'] })).toContain('ball_use');
  });
  test('a downstream drill before its root swings at three quarters', () => {
    const second = (stage: 'still' | 'half') =>
      rulesBroken(
        [
          day(MONDAY, [{ stage }]),
          day('2027-03-10', [{ drill: 'keep_the_post', as: 'feel' }], { place: 'range' }),
        ],
        { drills: ['knee_swap', 'keep_the_post'], placeByDay: { wed: 'range' } },
      );
    expect(second('half')).not.toContain('downstream_waits');
    expect(second('still')).toContain('downstream_waits');
  });
});

describe('a plan that went over a line', () => {
  const packed = () => {
    const asked = request();
    const plan = buildPlan(asked);
    return JSON.parse(JSON.stringify(packPlan(asked, plan))) as ReturnType<typeof packPlan>;
  };
  test('proves as it did before it was sent', () => {
    const pack = packed();
    expect(pack.days.length).toBeGreaterThan(10);
    expect(provePack(pack)).toEqual({ rules: PLAN_RULES.length, broken: [] });
  });
  test('one that was changed on the way, or laid wrong, is found', () => {
    const pack = packed();
    const [first, ...rest] = pack.days as [PlanDay, ...PlanDay[]];
    const longer = { ...pack, days: [{ ...first, minutes: 240 }, ...rest] };
    expect(provePack(longer).broken.map(({ rule }) => rule)).toContain('minutes');
    const held = { ...pack, request: { ...pack.request, held: true } };
    expect(provePack(held).broken.length).toBeGreaterThan(0);
  });
});
