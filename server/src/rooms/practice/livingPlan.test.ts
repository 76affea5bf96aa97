import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import type { PlanNow } from '@inchstep/contract/practice';
import type { Plan } from '@inchstep/core/practice';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, painfulCheckin, type TestServer, takeDrills, testServer } from '../../testServer.ts';

let server: TestServer;
let student: string;
let token: string;
const ask = {
  start: '2027-03-01',
  nextLesson: null,
  days: ['mon', 'wed', 'fri', 'sun'],
  minutesPerDay: { mon: 30, wed: 30, fri: 30, sun: 40 },
  placeByDay: { sun: 'range' },
};
beforeAll(async () => {
  server = await testServer();
  server.at('2027-03-01T09:00:00');
  student = await addStudent(server);
  await takeDrills(server, student, ['knee_swap']);
  token = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 90 } })).body.token;
  await server.ask(wire.practice.savePlan, { id: student, body: { id: randomUUID(), ...ask } });
});
afterAll(() => server.stop());

const now = async () => (await server.ask(wire.practice.planNow, { id: student })).body as PlanNow;
const card = async () => (await server.ask(wire.page.readPage, { token })).body.day;
const log = (date: string, stage: string, reps: string) =>
  server.ask(wire.page.logSet, {
    token,
    body: {
      id: randomUUID(),
      date,
      drill: 'knee_swap',
      stage,
      reps,
      felt: 6,
    },
  });
const late = (plan: Plan | null, stage: string) => plan?.gateDates.find((gate) => gate.stage === stage)?.late;

describe('a week lived through by the clock', () => {
  test('Monday: the plan as taken and as it stands are the same', async () => {
    const { plan, live } = await now();
    expect(live?.diff).toEqual({ changes: [], gates: [] });
    expect(live?.days).toEqual(plan.days);
    expect(live?.proof.broken).toEqual([]);
    expect((await card())?.items[0]).toMatchObject({ stage: 'still', intent: 'rung' });
  });
  test('seven passes open the next rung by themselves, and the card asks it at once', async () => {
    server.at('2027-03-01T18:00:00');
    await log('2027-03-01', 'still', 'PPPPPPPPP');
    expect((await card())?.items[0]).toMatchObject({ stage: 'slow' });
    const { body } = await server.ask(wire.intake.readThread, { id: student });
    expect(body.map(({ kind }) => kind)).toContain('rung');
  });
  test('Wednesday missed is noticed on Thursday: spread over what follows, and the dates say so', async () => {
    const before = late((await now()).live, 'half');
    server.at('2027-03-04T09:00:00');
    const { live } = await now();
    expect(live?.days[0]?.date).toBe('2027-03-05');
    const friday =
      live?.days[0]?.items.reduce((sum, { rehearsals, balls }) => sum + rehearsals + balls, 0) ?? 0;
    expect(friday).toBeGreaterThan(70);
    expect(friday).toBeLessThanOrEqual(150);
    expect((late(live, 'half') ?? '9999') >= (before ?? '')).toBe(true);
  });
  test('days away are gaps with their reason, and the difference tells what was moved or dropped', async () => {
    const exceptions = [{ kind: 'away', from: '2027-03-05', to: '2027-03-08', minutes: null, place: null }];
    const { body } = await server.ask(wire.practice.tryPlan, {
      id: student,
      body: {
        ...ask,
        start: '2027-03-04',
        exceptions,
      },
    });
    expect(body.plan.empty).toContainEqual({ date: '2027-03-05', why: 'away' });
    expect(body.plan.diff?.changes.some(({ kind }) => kind === 'dropped' || kind === 'moved')).toBe(true);
  });
  test('a trial with days missed is later, and is kept nowhere', async () => {
    const tried = async (missRate: number) =>
      (
        await server.ask(wire.practice.tryPlan, {
          id: student,
          body: {
            ...ask,
            start: '2027-03-04',
            missRate,
          },
        })
      ).body.plan;
    expect((late(await tried(0.6), 'slow') ?? '9999') > (late(await tried(0), 'slow') ?? '')).toBe(true);
    expect((await now()).ask.start).toBe('2027-03-01');
  });
  test('a session put on a free day breaks no rule; one that would change places with the rung before it does', async () => {
    const check = async (from: string, to: string) =>
      (await server.ask(wire.practice.checkMove, { id: student, body: { from, to } })).body.broken.map(
        ({ rule }) => rule,
      );
    expect(await check('2027-03-05', '2027-03-06')).toEqual([]);
    expect(new Set(await check('2027-03-07', '2027-03-05'))).toEqual(new Set(['rung_by_rung']));
  });
  test('the student’s page shows the days ahead as they stand', async () => {
    const { body } = await server.ask(wire.page.readPlan, { token });
    expect(body.days.map(({ date }) => date)).toContain('2027-03-07');
    expect(body.days.every(({ date }) => date <= '2027-03-18')).toBe(true);
  });
  test('the week on paper, for coach and student alike', async () => {
    const paper = await server.ask(wire.practice.printWeek, { id: student, query: { paper: 'LETTER' } });
    expect(paper.status).toBe(200);
    expect(paper.body.startsWith('%PDF')).toBe(true);
    expect((await server.ask(wire.page.printWeek, { token })).body.startsWith('%PDF')).toBe(true);
    expect((await server.ask(wire.page.printWeek, { token, query: { paper: 'A0' } })).status).toBe(400);
  });
  test('going on ahead of an open gate takes a reason', async () => {
    const say = (note: string) =>
      server.ask(wire.practice.decideGate, {
        id: student,
        body: {
          id: randomUUID(),
          drill: 'knee_swap',
          stage: 'slow',
          decision: 'advance',
          note,
        },
      });
    expect(await say(' ')).toMatchObject({ status: 400, body: { code: 'reason_needed' } });
    expect(await say('holds it already')).toMatchObject({ status: 200 });
    expect((await card())?.items[0]?.stage ?? 'half').toBe('half');
  });
  test('a test at full speed is the coach’s, takes the rungs below as passed, and is looked at a week later', async () => {
    const stateNow = async () => (await server.ask(wire.practice.listGates, { id: student })).body[0];
    expect(await log('2027-03-05', 'full', 'PPPPPPP')).toMatchObject({ body: { code: 'rung_not_reached' } });
    const word = {
      id: randomUUID(),
      drill: 'knee_swap',
      stage: 'full',
      decision: 'advance',
      note: 'seen it live',
    };
    const say = () => server.ask(wire.practice.decideGate, { id: student, body: word });
    // Not on a test that was never taken.
    expect(await say()).toMatchObject({ body: { code: 'changed_meanwhile' } });
    const set = { id: randomUUID(), date: '2027-03-04', drill: 'knee_swap', stage: 'full', reps: 'PPPPPPP' };
    await server.ask(wire.practice.logSet, { id: student, body: { ...set, felt: null } });
    const tested = await stateNow();
    expect(tested).toMatchObject({ stage: 'half', fullTest: { gate: { decision: 'advance' } } });
    expect(tested?.fullTest?.held.map(({ code }) => code)).toEqual(['swings']);
    expect((await say()).status).toBe(200);
    expect(await stateNow()).toMatchObject({ stage: 'clubs', fullTest: null });
    const looks = (await now()).live?.days.flatMap(({ date, items }) =>
      items.flatMap(({ intent }) => (intent === 'retention' ? [date] : [])),
    );
    expect(looks?.[0]?.slice(0, 8)).toBe('2027-03-');
    expect(looks?.[0] && looks[0] >= '2027-03-11').toBe(true);
    await server.ask(wire.practice.takeBackGate, { id: student, gateId: word.id });
    expect(await stateNow()).toMatchObject({ stage: 'half', fullTest: { gate: { decision: 'advance' } } });
  });
  test('travel that is taken into the plan shows on ladder, card and calendar at once', async () => {
    const days = async () => {
      const { body } = await server.ask(wire.page.calendar, { token });
      return [...String(body).matchAll(/DTSTART;VALUE=DATE:(\d+)/g)].map(([, day]) => day);
    };
    expect(await days()).toContain('20270307');
    const away = { kind: 'away', from: '2027-03-05', to: '2027-03-08', minutes: null, place: null };
    const again = { id: randomUUID(), ...ask, start: '2027-03-04', exceptions: [away] };
    expect((await server.ask(wire.practice.savePlan, { id: student, body: again })).status).toBe(200);
    const { live } = await now();
    expect(live?.empty.filter(({ why }) => why === 'away').map(({ date }) => date)).toContain('2027-03-07');
    expect(live?.proof.broken).toEqual([]);
    expect(await days()).not.toContain('20270307');
    server.at('2027-03-07T09:00:00');
    expect(await card()).toBeNull();
    server.at('2027-03-04T20:00:00');
  });
  test('pain: no session is left, and the plan says why', async () => {
    await server.ask(wire.page.sendCheckin, { token, body: painfulCheckin('knee') });
    const { live } = await now();
    expect(live?.days).toEqual([]);
    expect(live?.binding[0]?.rule).toBe('held');
    expect(await card()).toBeNull();
  });
});
