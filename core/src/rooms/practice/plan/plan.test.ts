import { describe, expect, test } from '@jest/globals';
import { daysBetween, plusDays, seededRandom, WEEKDAYS, weekdayOf } from '../../../foundation/index.ts';
import { sampleCase } from '../../diagnosis/sampleCase.ts';
import { DRILLS } from '../../prescription/index.ts';
import { STAGES } from '../stages.ts';
import { buildPlan } from './buildPlan.ts';
import { dailyCap } from './ledger.ts';
import type { Plan, PlanItem } from './planModel.ts';
import { checkPlan, NOTHING_KNOWN, type PlanRequest, USUAL_ASK } from './planRequest.ts';
import { randomRequest } from './randomRequest.ts';

const MONDAY = '2027-03-01';
type Student = PlanRequest['file']['student'];
const request = (more: Partial<PlanRequest> = {}, student: Partial<Student> = {}): PlanRequest => {
  const file = sampleCase();
  return {
    ...NOTHING_KNOWN,
    ...USUAL_ASK,
    file: { ...file, student: { ...file.student, minutesPerWeek: 100, aids: ['stick'], ...student } },
    drills: ['knee_swap'],
    start: MONDAY,
    days: ['mon', 'wed', 'fri', 'sun'],
    minutesPerDay: { sun: 40 },
    placeByDay: { sun: 'range' },
    ...more,
  };
};
const plan = (more: Partial<PlanRequest> = {}, student: Partial<Student> = {}): Plan =>
  buildPlan(request(more, student));
const repsOf = (items: readonly PlanItem[]) =>
  items.reduce((sum, { rehearsals, balls }) => sum + rehearsals + balls, 0);
const on = (of: Plan, date: string) => of.days.find((day) => day.date === date);
const log = (date: string, letters: string, more: Partial<PlanRequest['logs'][number]> = {}) => ({
  date,
  drill: 'knee_swap',
  stage: 'still' as const,
  letters,
  layer: 1,
  before: null,
  ...more,
});
const late = (of: Plan, stage = 'three_quarter', drill = 'knee_swap') =>
  of.gateDates.find((gate) => gate.stage === stage && gate.drill === drill)?.late ?? null;

describe('a plan by hand', () => {
  const usual = plan();
  test('days and places are the student’s own, over twelve weeks', () => {
    for (const day of [...usual.days, ...usual.empty])
      expect(['mon', 'wed', 'fri', 'sun']).toContain(weekdayOf(day.date));
    for (const { date, place } of usual.days)
      expect(place).toBe(weekdayOf(date) === 'sun' ? 'range' : 'home');
    expect(daysBetween(MONDAY, usual.days.at(-1)?.date as string)).toBeGreaterThan(77);
  });
  test('the week’s wish of 300 in even shares over four days, as whole sets, warm-up first', () => {
    const first = usual.days.filter(({ date }) => daysBetween(MONDAY, date) < 7);
    // 75 each, in whole sets: eighty, seventy; then the ball rungs: sixty at home, 24 sets of three at the range.
    expect(first.map(({ items }) => repsOf(items))).toEqual([80, 70, 60, 72]);
    expect(first[0]).toMatchObject({
      warmUpMinutes: 3,
      warmUp: expect.arrayContaining(['small_knee_bends']),
    });
    expect(first[0]?.items[0]).toMatchObject({ intent: 'rung', as: 'drill', stage: 'still', sets: 8 });
  });
  test('gates come in order, the later date never before the likely one', () => {
    const dates = usual.gateDates.map(({ likely }) => likely).filter((day) => day !== null);
    expect([...dates].sort()).toEqual(dates);
    for (const { likely, late: by } of usual.gateDates)
      if (likely !== null && by !== null) expect(by >= likely).toBe(true);
  });
  test('balls only where balls can be hit; at home the feel is kept, and no asked day stays empty', () => {
    for (const { place, items } of usual.days)
      for (const { balls } of items) if (balls > 0) expect(place).toBe('range');
    const ballRung = usual.days.find(({ items }) => items.some(({ balls }) => balls > 0))?.date as string;
    const later = usual.days.filter(({ date, place }) => date > ballRung && place === 'home');
    expect(later.length).toBeGreaterThan(10);
    for (const { items } of later.slice(0, 6)) expect(items[0]).toMatchObject({ intent: 'upkeep', balls: 0 });
    const asked = Array.from({ length: 84 }, (_, i) => plusDays(MONDAY, i)).filter((date) =>
      ['mon', 'wed', 'fri', 'sun'].includes(weekdayOf(date)),
    );
    const told = new Set([...usual.days, ...usual.empty].map(({ date }) => date));
    expect(asked.filter((date) => !told.has(date))).toEqual([]);
  });
  test('after the last gate two looks back and upkeep, never emptiness', () => {
    const everyDay = plan({
      days: [...WEEKDAYS],
      placeByDay: Object.fromEntries(WEEKDAYS.map((d) => [d, 'range'])),
    });
    const intents = everyDay.days.flatMap(({ items }) => items.map(({ intent }) => intent));
    expect(intents.filter((intent) => intent === 'retention')).toHaveLength(2);
    expect(everyDay.days.at(-1)?.items[0]?.intent).toBe('upkeep');
  });
});

describe('what a drill is limits its ladder', () => {
  const itemsOf = (
    drill: string,
    stage: string,
    more: Partial<PlanRequest> = {},
    student: Partial<Student> = {},
  ) =>
    plan(
      {
        drills: [drill],
        days: [...WEEKDAYS],
        placeByDay: Object.fromEntries(WEEKDAYS.map((day) => [day, 'range'])),
        minutesPerDay: Object.fromEntries(WEEKDAYS.map((day) => [day, 40])),
        logs: STAGES.slice(0, STAGES.indexOf(stage as (typeof STAGES)[number])).map((rung, i) =>
          log(plusDays(MONDAY, i - 7), 'PPPPPPP', { drill, stage: rung }),
        ),
        ...more,
      },
      { aids: ['stick', 'chair', 'phone', 'bar', 'box'], ...student },
    ).days[0]?.items[0];
  test('a drill that takes no ball is rehearsed, and an ordinary ball carries the feel', () => {
    expect(itemsOf('stance_ruler', 'half')).toMatchObject({ stage: 'half', as: 'feel', aid: 'on' });
    expect(itemsOf('stance_ruler', 'slow')).toMatchObject({ stage: 'slow', as: 'drill' });
  });
  test('its speed limit: above it the ball is hit without', () => {
    expect(itemsOf('two_cheek_chair', 'half')).toMatchObject({ as: 'drill', aid: 'on' });
    expect(itemsOf('two_cheek_chair', 'three_quarter')).toMatchObject({ as: 'feel', aid: 'off' });
    expect(itemsOf('tail_down_around', 'three_quarter')).toMatchObject({ as: 'drill' });
    expect(itemsOf('tail_down_around', 'full')).toMatchObject({ as: 'feel' });
  });
  test('a stop is kept at half and three quarters; without the aid only the feel is left', () => {
    expect(itemsOf('delivery_freeze', 'half')?.stop).toBe(true);
    expect(itemsOf('delivery_freeze', 'full')?.stop).toBe(false);
    expect(itemsOf('delivery_freeze', 'half', {}, { aids: [] })).toMatchObject({ as: 'feel', stop: false });
  });
  test('blocked, then clubs in turn, then drawn up to the driver, the same on every screen', () => {
    expect(itemsOf('knee_swap', 'half')).toMatchObject({ order: 'blocked' });
    expect(new Set(itemsOf('knee_swap', 'half')?.clubs)).toEqual(new Set(['short_iron']));
    const clubs = itemsOf('knee_swap', 'clubs');
    expect(clubs).toMatchObject({ order: 'random', aid: 'off', clubs: itemsOf('knee_swap', 'clubs')?.clubs });
    expect(clubs?.clubs).toContain('driver');
    expect(clubs?.clubs).toHaveLength(clubs?.balls ?? 0);
    clubs?.clubs.forEach((club, i) => {
      if (i > 0) expect(club).not.toBe(clubs.clubs[i - 1]);
    });
  });
  test('looks fade: each set, each third, each fifth', () => {
    const every = (stage: string) => itemsOf('knee_swap', stage)?.lookEvery;
    expect([every('half'), every('three_quarter'), every('full')]).toEqual([1, 3, 5]);
  });
  test('without a course form its ladder ends at the clubs', () => {
    const of = plan({ drills: ['stance_ruler'] });
    expect(of.stages.find(({ stage }) => stage === 'course')?.state).toBe('skipped');
  });
});

describe('two drills', () => {
  test('the later one waits until the earlier swings at three quarters, and a week', () => {
    const both = plan({ drills: ['keep_the_post', 'knee_swap'] });
    const begins = both.days.find(({ items }) => items.some(({ drill }) => drill === 'keep_the_post'))?.date;
    const swings = both.stages.find((s) => s.drill === 'knee_swap' && s.stage === 'half');
    expect(begins === undefined || begins > (swings?.from ?? '')).toBe(true);
    const opened = plan({ drills: ['keep_the_post', 'knee_swap'], opened: ['keep_the_post'] });
    expect(opened.days[0]?.items.map(({ drill }) => drill)).toContain('keep_the_post');
  });
  test('one in use stays when a second is added before it', () => {
    const of = plan({
      drills: ['keep_the_post', 'knee_swap'],
      logs: [log('2027-02-26', 'PPFPP', { drill: 'keep_the_post' })],
    });
    expect(of.days[0]?.items.map(({ drill }) => drill)).toContain('keep_the_post');
  });
  test('the same knee is not loaded hard two days running, by whichever drill', () => {
    const knees = plan({
      drills: ['knee_roll', 'post_and_turn'],
      opened: ['post_and_turn'],
      days: [...WEEKDAYS],
    });
    const dates = knees.days.filter(({ items }) => items.length > 0).map(({ date }) => date);
    for (const [i, date] of dates.entries())
      if (i > 0) expect(daysBetween(dates[i - 1] as string, date)).toBeGreaterThan(1);
    expect(knees.empty.some(({ why }) => why === 'rest')).toBe(true);
    for (const { items } of knees.days) expect(repsOf(items)).toBeLessThanOrEqual(40);
  });
  test('parts that belong together are one visit in their order, ten balls of each', () => {
    const parts = ['rod_knee_draw', 'reach_the_rod', 'pull_the_rod'];
    const of = plan(
      {
        drills: parts,
        days: ['tue', 'sat'],
        placeByDay: { tue: 'range', sat: 'range' },
        minutesPerDay: { tue: 60, sat: 60 },
      },
      { ballsPerVisit: 60 },
    );
    expect(of.days[0]?.items.map(({ drill }) => drill)).toEqual(parts);
    for (const { items } of of.days)
      for (const { intent, balls } of items) if (intent === 'part') expect(balls).toBeLessThanOrEqual(10);
  });
});

describe('what was done counts', () => {
  test('seven passes settle the first rung; four of twelve do not', () => {
    const state = (letters: string) => plan({ logs: [log('2027-02-26', letters)] }).stages[0]?.state;
    expect(state('PPPPPPP')).toBe('done');
    expect(state('PFFPFFPFFPFF')).toBe('now');
  });
  test('ball rungs opened by the count alone wait for the look', () => {
    const logs = (['still', 'slow', 'half'] as const).map((stage, i) =>
      log(plusDays(MONDAY, i - 4), 'PPPPPPP', { stage }),
    );
    const states = (coachDecides: boolean) => plan({ logs, coachDecides }).stages.map(({ state }) => state);
    expect(states(false).slice(0, 4)).toEqual(['done', 'done', 'open', 'now']);
    expect(states(true).slice(0, 4)).toEqual(['done', 'done', 'now', 'ahead']);
  });
  test('the coach’s word goes before the count, up and down', () => {
    const gates = [
      { date: '2027-02-27', drill: 'knee_swap', stage: 'still' as const, decision: 'advance' as const },
    ];
    expect(plan({ gates }).days[0]?.items[0]?.stage).toBe('slow');
    const back = [
      ...gates,
      { ...gates[0], date: '2027-02-28', stage: 'slow' as const, decision: 'back' as const },
    ];
    expect(plan({ gates: back as PlanRequest['gates'] }).days[0]?.items[0]?.stage).toBe('still');
  });
  test('a marked load that was logged yesterday rests today, whoever asked for it', () => {
    const of = plan({
      drills: ['knee_roll'],
      days: [...WEEKDAYS],
      logs: [log(plusDays(MONDAY, -1), 'PPP', { drill: 'post_and_turn' })],
    });
    expect(of.empty[0]).toEqual({ date: MONDAY, why: 'rest' });
  });
  test('missed days are spread over what follows, never doubled', () => {
    const missed = plan({ missed: ['2027-02-26'], logs: [log('2027-02-24', 'PPFPFP')] });
    expect(repsOf(missed.days[0]?.items ?? [])).toBeGreaterThan(70);
    expect(repsOf(missed.days[0]?.items ?? [])).toBeLessThanOrEqual(2 * 75);
  });
  test('after a gap of more than a week the first week is what the last one was', () => {
    const logs = ['2027-02-01', '2027-02-03', '2027-02-05'].map((date) => log(date, 'PF'.repeat(15)));
    const first = plan({ logs }).days.filter(({ date }) => daysBetween(MONDAY, date) < 7);
    expect(first.reduce((sum, { items }) => sum + repsOf(items), 0)).toBeLessThanOrEqual(90);
  });
});

describe('life happens', () => {
  const exception = (
    kind: 'away' | 'ill' | 'no_range' | 'extra' | 'tournament',
    from: string,
    to: string,
  ) => [{ kind, from, to, minutes: null, place: null }];
  test('away and ill are empty with their reason', () => {
    const of = plan({ exceptions: exception('away', '2027-03-03', '2027-03-05') });
    expect(of.empty).toEqual(
      expect.arrayContaining([
        { date: '2027-03-03', why: 'away' },
        { date: '2027-03-05', why: 'away' },
      ]),
    );
    expect(on(of, '2027-03-03')).toBeUndefined();
  });
  test('no range: that Sunday is at home; extra time is a session of its own', () => {
    expect(
      on(plan({ exceptions: exception('no_range', '2027-03-07', '2027-03-07') }), '2027-03-07')?.place,
    ).toBe('home');
    const [extra] = exception('extra', '2027-03-02', '2027-03-02');
    expect(
      on(plan({ exceptions: [{ ...extra, minutes: 12 } as never] }), '2027-03-02')?.minutes,
    ).toBeLessThanOrEqual(12);
  });
  test('before a tournament nothing new, only upkeep', () => {
    const of = plan({ exceptions: exception('tournament', '2027-03-20', '2027-03-21') });
    const near = of.days.filter(({ date }) => date >= '2027-03-13' && date <= '2027-03-21');
    expect(near.flatMap(({ items }) => items.map(({ intent }) => intent))).toEqual(
      near.flatMap(({ items }) => items.map(() => 'upkeep')),
    );
  });
  test('an exception over the whole plan says so instead of a plan', () => {
    const of = plan({ exceptions: exception('away', '2027-01-01', '2028-01-01') });
    expect(of.days).toEqual([]);
    expect(of.binding).toMatchObject([{ rule: 'closed', about: 'away' }]);
    expect(of.unfinished[0]?.why).toBe('closed');
  });
  test('the session before a lesson, and on its day, is light', () => {
    const of = plan({ nextLesson: '2027-03-04' });
    expect(repsOf(on(of, '2027-03-03')?.items ?? [])).toBeLessThanOrEqual(40);
    expect(of.binding.map(({ rule }) => rule)).toContain('lesson');
  });
  test('a plan that may not begin yet says so, day by day', () => {
    const of = plan({ nextLesson: MONDAY });
    expect(of.empty[0]).toEqual({ date: MONDAY, why: 'new_piece' });
    const near = plan({ exceptions: exception('tournament', '2027-03-06', '2027-03-06') });
    expect(near.empty.map(({ why }) => why)).toContain('new_piece');
    const begun = {
      exceptions: exception('tournament', '2027-03-06', '2027-03-06'),
      logs: [log('2027-02-27', 'PF')],
    };
    expect(plan(begun).binding.map(({ rule }) => rule)).toContain('tournament');
  });
  test('with pain there is no session, not even of a drill that loads nothing', () => {
    expect(plan({ held: true }).days).toEqual([]);
    expect(plan({}, { limits: ['pain'] }).days).toEqual([]);
    expect(plan({ drills: ['palms_coil'] }).days.length).toBeGreaterThan(0);
    expect(plan({ drills: ['palms_coil'] }, { limits: ['pain'] }).days).toEqual([]);
  });
  test('a session that the coach moved stands where he put it', () => {
    const of = plan({ moves: [{ from: '2027-03-03', to: '2027-03-04' }] });
    expect(on(of, '2027-03-03')).toBeUndefined();
    expect(on(of, '2027-03-04')).toMatchObject({ place: 'home' });
  });
});

describe('what binds, and what each way out gains', () => {
  test('one ball day a week binds; a second one is worth days, and so it is said', () => {
    const of = plan();
    expect(of.binding.map(({ rule }) => rule)).toContain('ball_place');
    const way = of.gives.find(({ what }) => what === 'ball_day');
    expect(way?.gainDays).toBeGreaterThan(0);
    const day = way?.about as 'mon';
    const asked = plan({ placeByDay: { sun: 'range', [day]: 'range' } });
    expect(daysBetween(late(asked) as string, late(of) as string)).toBe(way?.gainDays);
  });
  test('no advice that would not help: nothing is gained where nothing binds but rest', () => {
    const of = plan({ wishRepsPerWeek: 1000, minutesPerDay: { mon: 240, wed: 240, fri: 240, sun: 240 } });
    for (const { gainDays } of of.gives) expect(gainDays === null || gainDays > 0).toBe(true);
    expect(of.gives.map(({ what }) => what)).not.toContain('minutes');
  });
  test('without a place for balls the ladder stops, and a ball day opens it', () => {
    const of = plan({ placeByDay: {} });
    expect(of.stages.find(({ stage }) => stage === 'half')?.state).toBe('no_place');
    expect(of.unfinished).toEqual([{ drill: 'knee_swap', stage: 'half', why: 'no_ball_place' }]);
    expect(of.days.every(({ items }) => items.every(({ balls }) => balls === 0))).toBe(true);
  });
  test('missing more days makes the dates later', () => {
    const dates = [0, 0.2, 0.5].map((missRate) => late(plan({ missRate })) ?? '9999');
    expect([...dates].sort()).toEqual(dates);
    expect(dates[0]).not.toBe(dates[2]);
  });
});

test('caps by load, age and limit, by hand', () => {
  const drill = (id: string) => DRILLS.find((one) => one.id === id) as (typeof DRILLS)[number];
  const { student } = sampleCase();
  expect(dailyCap(drill('palms_coil'), student)).toBe(150);
  expect(dailyCap(drill('knee_swap'), student)).toBe(80);
  expect(dailyCap(drill('knee_roll'), student)).toBe(40);
  expect(dailyCap(drill('knee_swap'), { ...student, ageYears: 13 })).toBe(48);
  expect(dailyCap(drill('knee_swap'), { ...student, ageYears: 66 })).toBe(60);
  expect(dailyCap(drill('knee_swap'), { ...student, limits: ['knee'] })).toBe(40);
});

describe('laid again', () => {
  test('the same request gives the same plan', () => {
    expect(plan()).toEqual(plan());
  });
  test('from the plan before, a day later, the near days stay as they were', () => {
    const before = plan();
    const logs = [log(MONDAY, 'P'.repeat(80))];
    const after = plan({ logs, start: '2027-03-02', previous: before });
    expect(after.diff?.changes.filter(({ kind }) => kind === 'moved' || kind === 'dropped')).toEqual([]);
    expect(repsOf(on(after, '2027-03-03')?.items ?? [])).toBe(repsOf(on(before, '2027-03-03')?.items ?? []));
  });
});

test('parts of a cycle that the coach named the other way about keep their order (a request of the study)', () => {
  expect(buildPlan(randomRequest(seededRandom(1_004_744)), { ways: false }).proof.broken).toEqual([]);
});

test('500 random requests: no rule is broken', () => {
  for (let seed = 1; seed <= 500; seed++) {
    const asked = randomRequest(seededRandom(seed));
    const { proof, days } = buildPlan(asked, { ways: false });
    expect({ seed, broken: proof.broken }).toEqual({ seed, broken: [] });
    expect(new Set(days.flatMap(({ items }) => items.map(({ id }) => id))).size).toBe(
      days.flatMap(({ items }) => items).length,
    );
  }
});

describe('checkPlan', () => {
  test.each([
    ['no_drills', 'drills', { drills: [] }],
    ['unknown_drill', 'drills[0]', { drills: ['juggling'] }],
    ['named_twice', 'drills[1]', { drills: ['knee_swap', 'knee_swap'] }],
    ['bad_date', 'planning.start', { start: '2027-02-30' }],
    ['lesson_before_start', 'planning.nextLesson', { nextLesson: plusDays(MONDAY, -1) }],
    ['no_days', 'planning.days', { days: [] }],
    ['no_minutes', 'planning.minutesPerDay', { days: ['mon'], minutesPerDay: { mon: 0 } }],
    ['bad_date', 'planning.missed[0]', { missed: ['yesterday'] }],
    ['wish_too_big', 'planning.wishRepsPerWeek', { wishRepsPerWeek: 10_000 }],
    ['weeks_out_of_range', 'planning.weeks', { weeks: 60 }],
    [
      'exception_ends_first',
      'planning.exceptions[0].to',
      { exceptions: [{ kind: 'away', from: MONDAY, to: '2027-02-01', minutes: null, place: null }] },
    ],
    ['bad_reps', 'planning.logs[0].letters', { logs: [log(MONDAY, 'PPX')] }],
    ['log_in_future', 'planning.logs[0].date', { logs: [log('2031-01-01', 'PP')] }],
  ] as const)('%s at %s', (code, path, wrong) => {
    const answer = checkPlan(request(wrong as Partial<PlanRequest>));
    expect(answer.ok).toBe(false);
    if (!answer.ok) expect(answer.problems).toContainEqual(expect.objectContaining({ code, path }));
  });
});
