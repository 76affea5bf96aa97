import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { addStudent, type TestServer, takeDrills, testServer } from '../../testServer.ts';

let server: TestServer;
let student: string;
let token: string;
beforeAll(async () => {
  server = await testServer();
  student = await addStudent(server);
  await takeDrills(server, student, ['knee_swap']);
  token = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 90 } })).body.token;
  const ask = {
    start: '2027-03-01',
    nextLesson: null,
    days: ['mon', 'tue', 'wed', 'fri'],
    minutesPerDay: { mon: 30, tue: 30, wed: 30, fri: 30 },
    placeByDay: {},
  };
  await server.ask(wire.practice.savePlan, { id: student, body: { id: randomUUID(), ...ask } });
});
afterAll(() => server.stop());

const set = (date: string, reps: string) => ({
  ...{ id: randomUUID(), date, reps },
  ...{ drill: 'knee_swap', stage: 'still', felt: 6 },
});
const log = (date: string, reps: string) => server.ask(wire.page.logSet, { token, body: set(date, reps) });
const checkIn = async () => {
  const id = randomUUID();
  const said = { id, pain: false, painWhere: '', note: 'Easier now.', felt: null, clipIds: [] };
  await server.ask(wire.page.sendCheckin, { token, body: said });
  return id;
};
const reviewOf = async (id: string) => (await server.ask(wire.checkins.reviewCheckin, { id })).body;

test('an answered review shows the facts it was answered with, whatever the answer changed', async () => {
  await log('2027-03-01', 'PFPF');
  await server.ask(wire.practice.logSet, { id: student, body: set('2027-03-01', 'FFP') });
  server.at('2027-03-04T09:00:00');
  const id = await checkIn();
  const before = await reviewOf(id);
  expect(before.facts.practised).toMatchObject({ repsDone: 7, byCoach: 3, since: '2027-03-01' });
  expect(before.facts.practised.repsPlanned).toBeGreaterThan(100);
  expect(before.felt).toBe(6);
  const reply = { id: randomUUID(), text: 'Keep on.', draft: before.draft, replan: true };
  expect((await server.ask(wire.checkins.sendReply, { id, body: reply })).status).toBe(200);
  await log('2027-03-04', 'PP');
  expect(await reviewOf(id)).toEqual({ ...before, phrases: expect.any(Array) });
  // The next review counts under the plan that stands then.
  server.at('2027-03-05T09:00:00');
  const next = await checkIn();
  expect((await reviewOf(next)).facts.practised).toMatchObject({ repsDone: 2, since: '2027-03-04' });
  // Taken back, the answer leaves nothing behind.
  await server.ask(wire.checkins.takeBackReply, { id });
  server.at('2027-03-04T09:05:00');
  await server.ask(wire.checkins.takeBackReply, { id });
  expect((await reviewOf(id)).facts.practised.since).toBe('2027-03-01');
});
