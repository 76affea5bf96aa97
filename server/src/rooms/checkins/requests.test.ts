import { randomUUID } from 'node:crypto';
import type { FilmRequestSeen } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { plusDays } from '@inchstep/core/foundation';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { addStudent, clipBytes, type TestServer, takeDrills, testServer } from '../../testServer.ts';
import { askByPlan } from './index.ts';

let server: TestServer;
let student: string;
let token: string;
beforeAll(async () => {
  server = await testServer();
  student = await addStudent(server);
  await takeDrills(server, student, ['knee_swap']);
  token = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 90 } })).body.token;
});
afterAll(() => server.stop());

const ask = (more: object = {}, id = student) =>
  server.ask(wire.checkins.askForClips, {
    id,
    body: {
      id: randomUUID(),
      kinds: ['face_on', 'down_the_line'],
      swings: 3,
      dueOn: '2027-03-08',
      drill: 'knee_swap',
      stage: 'still',
      club: null,
      aid: 'on',
      why: 'To see the knee from the side, too.',
      ...more,
    },
  });
const list = async () => (await server.ask(wire.checkins.listRequests, { id: student })).body;
const page = async () => (await server.ask(wire.page.readPage, { token })).body;
async function checkin(...kinds: string[]) {
  const clipIds = await Promise.all(
    kinds.map(async (kind) => {
      const fields = { id: randomUUID(), kind, recordedOn: '2027-03-01' };
      return (await server.upload(wire.page.addClip, { token }, clipBytes('wren.face_on.mp4'), fields)).body
        .id;
    }),
  );
  const sent = { id: randomUUID(), pain: false, painWhere: '', note: '', felt: null, clipIds };
  expect((await server.ask(wire.page.sendCheckin, { token, body: sent })).status).toBe(200);
}

describe('clips that are asked for', () => {
  test('what would be asked next comes from the rung and the plan', async () => {
    const { requests, next } = await list();
    expect(requests).toEqual([]);
    expect(next).toMatchObject({
      drill: 'knee_swap',
      stage: 'still',
      club: null,
      kinds: ['face_on', 'down_the_line'],
    });
  });
  test('stand on the student’s page until every view has come, in however many pieces', async () => {
    const { body } = await ask();
    expect((await page()).request).toMatchObject({
      id: body.id,
      state: 'open',
      missing: ['face_on', 'down_the_line'],
    });
    server.at('2027-03-02T10:00:00');
    await checkin('face_on');
    expect((await page()).request).toMatchObject({ missing: ['down_the_line'] });
    server.at('2027-03-10T10:00:00');
    expect((await page()).request).toMatchObject({ state: 'overdue' });
    await checkin('down_the_line');
    expect((await page()).request).toBeNull();
    expect((await list()).requests[0]).toMatchObject({ id: body.id, state: 'fulfilled', missing: [] });
  });
  test('sent twice they are one; taken back they are gone from the page, and stand again', async () => {
    const id = randomUUID();
    const asked = { id, dueOn: '2027-03-15' };
    await ask(asked);
    await ask(asked);
    expect((await list()).requests.filter((one) => one.id === id)).toHaveLength(1);
    const withdraw = (withdrawn: boolean) =>
      server.ask(wire.checkins.withdrawRequest, { id: student, requestId: id, body: { withdrawn } });
    await withdraw(true);
    expect((await page()).request).toBeNull();
    await withdraw(false);
    expect((await page()).request?.id).toBe(id);
    const thread = await server.ask(wire.intake.readThread, { id: student });
    expect(thread.body.filter(({ kind }) => kind === 'film_asked')).toHaveLength(2);
  });
  test.each([
    ['a day gone by', { dueOn: '2027-03-09' }, 'date_in_past'],
    ['a day next year', { dueOn: '2028-03-09' }, 'date_too_far'],
    ['a drill that is nowhere', { drill: 'none_such', dueOn: '2027-03-20' }, 'not_found'],
    ['no view', { kinds: [], dueOn: '2027-03-20' }, 'bad_input'],
  ])('%s is refused', async (_, more, code) => {
    expect((await ask(more)).code).toBe(code);
  });
  test('somebody else’s are not there to be taken back', async () => {
    const { id } = (await list()).requests[0] as FilmRequestSeen;
    const other = await addStudent(server, { firstName: 'Gus' });
    const _theirs = urlOf(wire.checkins.withdrawRequest, { id: other, requestId: id });
    expect(
      (
        await server.ask(wire.checkins.withdrawRequest, {
          id: other,
          requestId: id,
          body: { withdrawn: true },
        })
      ).status,
    ).toBe(404);
  });
  test('the end of a lesson asks in the same press, once', async () => {
    const begun = { id: randomUUID(), day: '2027-03-10', begin: true };
    const lesson = (await server.ask(wire.intake.agreeLesson, { id: student, body: begun })).body;
    const request = { ...(await list()).next, id: randomUUID() };
    const letter = { id: randomUUID(), text: 'Well done.', draft: '', request };
    const send = () =>
      server.ask(wire.checkins.sendSummary, { id: student, lessonId: lesson.id, body: letter });
    expect((await send()).status).toBe(200);
    expect((await send()).status).toBe(200);
    expect((await page()).request?.id).toBe(request.id);
    expect((await list()).requests.filter(({ id }) => id === request.id)).toHaveLength(1);
  });
  test('a gate is decided in the same press; one that is no more leaves everything unsent', async () => {
    const begun = { id: randomUUID(), day: '2027-03-10', begin: true };
    const lesson = (await server.ask(wire.intake.agreeLesson, { id: student, body: begun })).body;
    const gates = (stage: string, note = '') => [
      { id: randomUUID(), drill: 'knee_swap', stage, decision: 'advance', note },
    ];
    const send = (of: object) =>
      server.ask(wire.checkins.sendSummary, {
        id: student,
        lessonId: lesson.id,
        body: {
          id: randomUUID(),
          text: 'Well done.',
          draft: '',
          ...of,
        },
      });
    const lessons = async () => (await server.ask(wire.intake.listLessons, { id: student })).body.lessons;
    const summary = async () => (await lessons()).find(({ id }) => id === lesson.id)?.summary;
    const stage = async () =>
      (await server.ask(wire.practice.listGates, { id: student })).body[0]?.stage ?? '';
    expect((await send({ gates: gates('half') })).body).toMatchObject({ code: 'changed_meanwhile' });
    expect([await summary(), await stage()]).toEqual([null, 'still']);
    expect((await send({ gates: gates('still', 'seen it live') })).status).toBe(200);
    expect([await summary(), await stage()]).toEqual(['Well done.', 'slow']);
  });
  test('a request that can’t be leaves the letter unsent: both or neither', async () => {
    const begun = { id: randomUUID(), day: '2027-03-10', begin: true };
    const lesson = (await server.ask(wire.intake.agreeLesson, { id: student, body: begun })).body;
    const request = { ...(await list()).next, id: randomUUID(), dueOn: '2027-03-01' };
    const letter = { id: randomUUID(), text: 'Well done.', draft: '', request };
    const sent = await server.ask(wire.checkins.sendSummary, {
      id: student,
      lessonId: lesson.id,
      body: letter,
    });
    expect(sent.body).toMatchObject({ code: 'date_in_past' });
    const { lessons } = (await server.ask(wire.intake.listLessons, { id: student })).body;
    expect(lessons.find(({ id }) => id === lesson.id)?.summary).toBeNull();
  });
});

describe('clips that the plan asks for', () => {
  beforeEach(() => server.at('2027-03-01T09:00:00'));
  test('a review date that is near asks once, and not again when it was taken back', async () => {
    const away = await addStudent(server, { firstName: 'Kofi' });
    await takeDrills(server, away, ['knee_swap']);
    const plan = {
      start: '2027-03-01',
      nextLesson: null,
      days: ['mon', 'wed', 'fri'],
      minutesPerDay: {},
      placeByDay: {},
    };
    await server.ask(wire.practice.savePlan, { id: away, body: { id: randomUUID(), ...plan } });
    await server.ask(wire.checkins.makeLink, { id: away, body: { days: 90 } });
    const dates = server.ctx.records.of(away).practice.plan?.plan.reviewDates ?? [];
    expect(dates.length).toBeGreaterThan(0);
    const near = dates[0] as string;
    const _of = urlOf(wire.checkins.listRequests, { id: away });
    const asked = async () => (await server.ask(wire.checkins.listRequests, { id: away })).body.requests;
    server.at(`${plusDays(near, -4)}T09:00:00`);
    askByPlan(server.ctx);
    expect(await asked()).toEqual([]);
    server.at(`${plusDays(near, -3)}T09:00:00`);
    askByPlan(server.ctx);
    askByPlan(server.ctx);
    expect(await asked()).toMatchObject([{ from: 'review', dueOn: near, state: 'open' }]);
    await server.ask(wire.checkins.withdrawRequest, {
      id: away,
      requestId: (await asked())[0]?.id,
      body: { withdrawn: true },
    });
    server.at(`${plusDays(near, -2)}T09:00:00`);
    askByPlan(server.ctx);
    expect((await asked()).map(({ state }) => state)).toEqual(['withdrawn']);
  });
  test('the clips that come become swings, made as they were asked for, and wait to be looked through', async () => {
    const away = await addStudent(server, { firstName: 'Mei' });
    await takeDrills(server, away, ['knee_swap']);
    const link = (await server.ask(wire.checkins.makeLink, { id: away, body: { days: 9 } })).body;
    const more = { stage: 'three_quarter', club: 'wedge', aid: 'off', kinds: ['face_on'] };
    await ask(more, away);
    const clipId = randomUUID();
    const fields = { id: clipId, kind: 'face_on', recordedOn: '2027-03-01' };
    await server.upload(wire.page.addClip, { token: link.token }, clipBytes('wren.face_on.mp4'), fields);
    const sent = { id: randomUUID(), pain: false, painWhere: '', note: '', felt: null, clipIds: [clipId] };
    for (let i = 0; i < 2; i++) await server.ask(wire.page.sendCheckin, { token: link.token, body: sent });
    const swings = await server.ask(wire.capture.listSwings, { id: away });
    expect(swings.body).toMatchObject([
      { club: 'wedge', speed: 'three_quarter', aid: 'off', views: [{ clipId, kind: 'face_on' }] },
    ]);
    const waits = await server.ask(wire.capture.listToLook);
    expect(waits.body.map(({ swing }) => swing.id)).toContain(swings.body[0]?.id);
  });
});
