import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, type TestServer, takeDrills, testServer } from '../../testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

/** Everything that says which checkpoint of the student's first drill is asked. */
async function answers(student: string): Promise<Record<string, number | undefined>> {
  const { token } = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } })).body;
  const page = (await server.ask(wire.page.readPage, { token })).body;
  const gates = (await server.ask(wire.practice.listGates, { id: student })).body;
  const choices = (await server.ask(wire.prescription.listChoices, { id: student })).body;
  const live = (await server.ask(wire.practice.planNow, { id: student })).body?.live;
  const [drill] = page.drills;
  return {
    page: drill?.layer,
    card: page.day?.items.find((item) => item.drill === drill?.id)?.layer ?? drill?.layer,
    gate: gates.find((gate) => gate.drill === drill?.id)?.layer,
    choice: choices.find(({ endedAt }) => endedAt === null)?.layers[drill?.id ?? ''],
    plan: live?.days.flatMap(({ items }) => items).find((item) => item.drill === drill?.id)?.layer,
  };
}
const all = (layer: number) => ({ page: layer, card: layer, gate: layer, choice: layer, plan: layer });

describe('one checkpoint is asked, whoever asks', () => {
  test('opened by the count, set back by the coach, and kept beside a second drill', async () => {
    const student = await addStudent(server);
    const diagnosisId = await takeDrills(server, student, ['knee_swap']);
    const asked = {
      start: '2027-03-01',
      nextLesson: null,
      days: ['mon', 'tue', 'wed', 'fri', 'sun'],
      minutesPerDay: { mon: 30, tue: 30, wed: 30, fri: 30, sun: 40 },
      placeByDay: { sun: 'range' },
    };
    await server.ask(wire.practice.savePlan, { id: student, body: { id: randomUUID(), ...asked } });
    expect(await answers(student)).toEqual(all(1));
    await log(student, '2027-03-01', 'PPPPPPPPPP');
    server.at('2027-03-09T09:00:00');
    await log(student, '2027-03-09', 'PP');
    expect(await answers(student)).toEqual(all(2));
    const choose = {
      id: randomUUID(),
      diagnosisId,
      drills: ['knee_swap', 'knee_gate'],
      note: 'for the test',
    };
    await server.ask(wire.prescription.chooseDrills, { body: choose });
    expect(await answers(student)).toMatchObject({ page: 2, gate: 2, choice: 2 });
    await server.ask(wire.prescription.setLayer, { id: student, drill: 'knee_swap', body: { layer: 1 } });
    expect(await answers(student)).toMatchObject({ page: 1, card: 1, gate: 1, choice: 1 });
  });
});

async function log(student: string, date: string, reps: string) {
  const set = { id: randomUUID(), date, drill: 'knee_swap', stage: 'still', reps, felt: null };
  const { status, body } = await server.ask(wire.practice.logSet, { id: student, body: set });
  if (status !== 200) throw new Error(JSON.stringify(body));
}
