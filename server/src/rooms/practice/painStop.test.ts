import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { SENT_AT_HEADER } from '../../platform/address.ts';
import { addStudent, type TestServer, takeDrills, testServer } from '../../testServer.ts';

let server: TestServer;
let student: string;
let token: string;
beforeEach(async () => {
  server = await testServer();
  student = await addStudent(server);
  server.at('2027-02-20T09:00:00');
  await takeDrills(server, student, ['knee_swap']);
  server.at('2027-03-01T09:00:00');
  token = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 90 } })).body.token;
});
afterEach(() => server.stop());

const set = (more: object = {}) => ({
  id: randomUUID(),
  date: '2027-03-02',
  drill: 'knee_swap',
  stage: 'still',
  reps: 'PP',
  felt: 6,
  ...more,
});
const log = (body: object, sentAt?: string) =>
  server.ask(wire.page.logSet, { token, body }, sentAt ? { [SENT_AT_HEADER]: sentAt } : {});
const hurt = (more: object = {}, sentAt?: string) =>
  server.ask(
    wire.page.sendCheckin,
    {
      token,
      body: {
        id: randomUUID(),
        pain: true,
        painWhere: 'low back',
        note: '',
        felt: null,
        clipIds: [],
        ...more,
      },
    },
    sentAt ? { [SENT_AT_HEADER]: sentAt } : {},
  );
const stopped = { status: 409, body: expect.objectContaining({ code: 'pain_hold' }) };
const kept = (answer: { status: number }) => answer.status === 200;

describe('pain stops the drill', () => {
  test('in the evening west of Greenwich, where the world’s day is already tomorrow', async () => {
    // 21:30 local time; where the tests run west of Greenwich the stamp's day is the next one.
    server.at('2027-03-02T21:30:00');
    await hurt();
    server.at('2027-03-02T21:40:00');
    expect(await log(set())).toMatchObject(stopped);
    expect(await log(set({ doneAt: new Date('2027-03-02T21:35:00').toISOString() }))).toMatchObject(stopped);
    expect(await log(set({ date: '2027-03-01' }))).toMatchObject({ status: 200 });
  });
  test('when the program’s clock is set back afterwards', async () => {
    server.at('2027-03-02T10:00:00');
    await hurt();
    server.at('2027-03-01T10:00:00');
    const doneAt = new Date('2027-03-01T09:59:50').toISOString();
    expect(await log(set({ date: '2027-03-01', doneAt }), doneAt)).toMatchObject(stopped);
    expect(await log(set({ date: '2027-03-01' }))).toMatchObject(stopped);
  });
  test('sets done before it are kept, whenever they arrive; sets after it are not', async () => {
    server.at('2027-03-02T10:00:00');
    await hurt();
    server.at('2027-03-03T10:00:00');
    const at = (time: string) => new Date(`2027-03-02T${time}`).toISOString();
    expect(kept(await log(set({ doneAt: at('09:50:00') })))).toBe(true);
    expect(await log(set({ doneAt: at('10:05:00') }))).toMatchObject(stopped);
    await server.ask(wire.intake.liftHold, { id: student, body: { note: 'seen by a doctor' } });
    expect(await log(set({ doneAt: at('18:00:00') }))).toMatchObject(stopped);
    server.at('2027-03-03T12:00:00');
    expect(
      kept(await log(set({ date: '2027-03-03', doneAt: new Date('2027-03-03T11:59:00').toISOString() }))),
    ).toBe(true);
  });
  test('a phone whose clock is a day slow', async () => {
    server.at('2027-03-02T10:00:00');
    await hurt();
    server.at('2027-03-02T10:20:00');
    const slow = (time: string) => new Date(`2027-03-01T${time}`).toISOString();
    expect(await log(set({ date: '2027-03-01', doneAt: slow('10:19:00') }), slow('10:20:00'))).toMatchObject(
      stopped,
    );
    expect(kept(await log(set({ date: '2027-03-01', doneAt: slow('09:40:00') }), slow('10:20:00')))).toBe(
      true,
    );
  });
  test('written without a signal it counts from when it was written', async () => {
    server.at('2027-03-02T14:00:00');
    const at = (time: string) => new Date(`2027-03-02T${time}`).toISOString();
    await hurt({ writtenAt: at('10:00:00') }, at('14:00:00'));
    expect(await log(set({ doneAt: at('11:00:00') }), at('14:00:00'))).toMatchObject(stopped);
    expect(kept(await log(set({ doneAt: at('09:00:00') }), at('14:00:00')))).toBe(true);
  });
  test('the coach, too, logs nothing of the day of the report', async () => {
    server.at('2027-03-02T10:00:00');
    await hurt();
    expect(await server.ask(wire.practice.logSet, { id: student, body: set() })).toMatchObject(stopped);
  });
});

describe('ids', () => {
  test('of another student’s set are refused, and nothing of it is shown', async () => {
    const other = await addStudent(server, { firstName: 'Gus' });
    await takeDrills(server, other, ['knee_swap']);
    server.at('2027-03-02T10:00:00');
    const theirs = set();
    await server.ask(wire.practice.logSet, { id: other, body: theirs });
    const answer = await log({ ...set(), id: theirs.id, reps: 'FFFF' });
    expect(answer).toMatchObject({ status: 409, body: { code: 'id_taken' } });
    expect(JSON.stringify(answer.body)).not.toContain('knee_swap');
    expect((await server.ask(wire.practice.listSets, { id: student })).body).toEqual([]);
  });
  test('of a check-in, a plan or a student are no set’s', async () => {
    server.at('2027-03-02T10:00:00');
    expect((await log({ ...set(), id: student })).code).toBe('id_taken');
  });
  test('the same set sent by the student and then by the coach under one id is refused, not taken for sent', async () => {
    server.at('2027-03-02T10:00:00');
    const body = set();
    expect(kept(await log(body))).toBe(true);
    expect(kept(await log(body))).toBe(true);
    expect((await server.refused(wire.practice.logSet, { id: student, body })).body.code).toBe('id_taken');
  });
});
