import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { addStudent, clipBytes, type TestServer, testServer } from '../../testServer.ts';

let server: TestServer;
let student: string;
let lesson: string;
let token: string;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());
beforeEach(async () => {
  server.at('2027-03-01T09:00:00');
  student = await addStudent(server);
  const begun = { id: randomUUID(), day: '2027-03-01', begin: true };
  lesson = (await server.ask(wire.intake.agreeLesson, { id: student, body: begun })).body.id;
  token = (await server.ask(wire.practice.openCameras, { id: student, lessonId: lesson })).body.token;
});

const _at = (path: string) => urlOf(wire.intake.readStudent, { id: `${student}${path}` });
const PHONES: Readonly<Record<string, string>> = { face_on: randomUUID(), down_the_line: randomUUID() };
const hello = (kind: string, key = token) =>
  server.ask(wire.practice.cameraHello, { token: key, body: { id: PHONES[kind], kind } });
const desk = async () =>
  (await server.ask(wire.practice.watchCameras, { id: student, lessonId: lesson })).body;
const take = async (id = randomUUID()) => {
  await server.ask(wire.practice.askTake, { id: student, lessonId: lesson, body: { id, seconds: 4 } });
  return id;
};
const send = (takeId: string, kind: string, key = token, id = randomUUID()) =>
  server.upload(wire.practice.addTake, { token: key, takeId }, clipBytes(`wren.${kind}.mp4`), {
    id,
    kind,
    recordedOn: '2027-03-01',
  });
const swings = async () => (await server.ask(wire.capture.listSwings, { id: student })).body;

describe('phones as cameras', () => {
  test('two phones hear of a take, by the clock of the program, and the coach sees both', async () => {
    expect((await hello('face_on')).body).toMatchObject({ firstName: 'Priya', takes: [] });
    await hello('down_the_line');
    expect((await desk()).cameras.map(({ kind }) => kind).sort()).toEqual(['down_the_line', 'face_on']);
    const id = await take();
    await take(id);
    const told = (await hello('face_on')).body;
    expect(told.takes).toHaveLength(1);
    expect(told.takes[0]?.startMs).toBeGreaterThan(told.nowMs);
  });
  test('both clips come in as one swing, in any order, each once however often it is sent', async () => {
    const id = await take();
    const clip = randomUUID();
    await send(id, 'down_the_line', token, clip);
    await send(id, 'down_the_line', token, clip);
    await send(id, 'face_on');
    const all = await swings();
    expect(all).toHaveLength(1);
    expect(all[0]).toMatchObject({ id, recordedOn: '2027-03-01', from: 'coach' });
    expect(all[0]?.views.map(({ kind }) => kind)).toEqual(['down_the_line', 'face_on']);
    expect((await desk()).takes[0]?.arrived).toEqual(['down_the_line', 'face_on']);
  });
  test('a phone brings one clip a view of what was asked for, and makes no swing by itself', async () => {
    const unasked = await send(randomUUID(), 'face_on');
    expect(unasked).toMatchObject({ status: 409, body: { code: 'take_unasked' } });
    const id = await take();
    const many = await Promise.all([1, 2, 3, 4].map(() => send(id, 'face_on')));
    expect(many.filter(({ status }) => status === 200)).toHaveLength(1);
    expect((await send(id, 'face_on')).status).toBe(409);
    expect(await swings()).toHaveLength(1);
    expect((await server.ask(wire.capture.listClips, { id: student })).body).toHaveLength(1);
  });
  test('a take that was never asked by the coach makes no swing of somebody else’s', async () => {
    const id = await take();
    await send(id, 'face_on');
    const other = await addStudent(server);
    const theirs = await server.ask(wire.intake.agreeLesson, {
      id: other,
      body: {
        id: randomUUID(),
        day: '2027-03-01',
        begin: true,
      },
    });
    const _url = urlOf(wire.practice.watchCameras, { id: other, lessonId: theirs.body.id });
    const key = (await server.ask(wire.practice.openCameras, { id: other, lessonId: theirs.body.id })).body
      .token;
    expect((await send(id, 'down_the_line', key)).status).toBeGreaterThanOrEqual(400);
    expect((await swings())[0]?.views).toHaveLength(1);
  });
  test('the way in closes with the lesson, with a newer code, and opens nothing else', async () => {
    const newer = (await server.ask(wire.practice.openCameras, { id: student, lessonId: lesson })).body.token;
    expect((await hello('face_on')).body).toMatchObject({ code: 'camera_closed' });
    expect((await hello('face_on', newer)).status).toBe(200);
    expect((await server.ask(wire.page.readPage, { token: newer })).status).toBeGreaterThanOrEqual(401);
    const asked = await take();
    await server.ask(wire.intake.doToLesson, { id: student, lessonId: lesson, deed: 'end' });
    expect((await hello('face_on', newer)).body).toMatchObject({ over: true, takes: [] });
    const late = await server.ask(wire.practice.askTake, {
      id: student,
      lessonId: lesson,
      body: { id: randomUUID() },
    });
    expect(late.body).toMatchObject({ code: 'camera_closed' });
    // What was filmed in it still comes, what nobody asked for does not; half a day later nothing does.
    expect((await send(asked, 'face_on', newer)).status).toBe(200);
    expect((await send(randomUUID(), 'face_on', newer)).body).toMatchObject({ code: 'take_unasked' });
    server.at('2027-03-01T23:30:00');
    expect((await send(randomUUID(), 'face_on', newer)).body).toMatchObject({ code: 'camera_closed' });
    server.at('2027-03-01T09:00:00');
  });
  test('a child without a guardian’s word is not filmed', async () => {
    const child = await addStudent(server, { bornOn: '2015-03-01' });
    const begun = { id: randomUUID(), day: '2027-03-01', begin: true };
    const _of = urlOf(wire.intake.listLessons, { id: child });
    const id = (await server.ask(wire.intake.agreeLesson, { id: child, body: begun })).body.id;
    const key = (await server.ask(wire.practice.openCameras, { id: child, lessonId: id })).body.token;
    expect((await hello('face_on', key)).body.needsConsent).toBe(true);
    const takeId = randomUUID();
    await server.ask(wire.practice.askTake, { id: child, lessonId: id, body: { id: takeId, seconds: 4 } });
    const sent = await send(takeId, 'face_on', key);
    expect(JSON.stringify(sent)).toContain('consent_missing');
  });
});
