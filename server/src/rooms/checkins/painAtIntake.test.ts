import { randomUUID } from 'node:crypto';
import type { StudentPage } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import { NO_TROUBLE } from '@inchstep/core/intake';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { addStudent, profile, type TestServer, takeDrills, testServer, whole } from '../../testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
});
afterEach(() => server.stop());

const HURTS = { ...NO_TROUBLE, injuredAreas: [], trouble: [], painNow: true, painWhere: 'left knee' };
const holdOf = async (student: string) => (await server.ask(wire.intake.readHold, { id: student })).body;
const studentOf = async (student: string) =>
  (await server.ask(wire.intake.readStudent, { id: student })).body;
const save = async (student: string, safety: object) => {
  const { version, profile: known } = await studentOf(student);
  return server.ask(wire.intake.editStudent, {
    id: student,
    body: { version, profile: { ...known, safety } },
  });
};
const queue = async () => whole((await server.ask(wire.progress.listQueue)).body).rows;
async function page(student: string): Promise<StudentPage> {
  const link = await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } });
  return (await server.ask(wire.page.readPage, { token: link.body.token })).body;
}

describe('“pain now” at intake', () => {
  test('pauses a new student: nothing is offered nor chosen, Today and the phone say so', async () => {
    const student = await addStudent(server, { safety: HURTS });
    expect(await holdOf(student)).toMatchObject({ where: 'left knee', liftedAt: null });
    expect(await queue()).toMatchObject([{ studentId: student, reason: 'pain', note: 'left knee' }]);
    await expect(takeDrills(server, student, ['knee_swap'])).rejects.toThrow('pain_hold');
    // A drill that loads no joint is paused, too.
    await expect(takeDrills(server, student, ['two_cheek_chair'])).rejects.toThrow('pain_hold');
    const diagnosis = {
      id: randomUUID(),
      swingId: null,
      findings: [{ id: 'obs.overswing', seen: 'present' }],
    };
    await server.ask(wire.diagnosis.diagnose, { id: student, body: diagnosis });
    const offered = await server.ask(wire.prescription.prescribe, { id: diagnosis.id });
    expect(offered.body.result.drills).toEqual([]);
    expect((await page(student)).hold).toMatchObject({ where: 'left knee' });
  });

  test('pauses drills that were in use; an unticked box lifts nothing, the coach does with a reason', async () => {
    const student = await addStudent(server);
    await takeDrills(server, student, ['knee_swap']);
    const ask = {
      start: '2027-03-01',
      nextLesson: null,
      days: ['mon', 'wed', 'fri'],
      minutesPerDay: { mon: 30, wed: 30, fri: 30 },
      placeByDay: {},
    };
    await server.ask(wire.practice.savePlan, { id: student, body: { id: randomUUID(), ...ask } });
    expect((await page(student)).day).not.toBeNull();
    await save(student, HURTS);
    expect((await server.ask(wire.practice.planNow, { id: student })).body?.live?.days).toEqual([]);
    expect(await page(student)).toMatchObject({ day: null, hold: { where: 'left knee' } });
    await save(student, { ...HURTS, painWhere: 'left knee, still' });
    await save(student, NO_TROUBLE);
    expect(await holdOf(student)).toMatchObject({ where: 'left knee' });
    await save(student, HURTS);
    const lift = (note: string) => server.ask(wire.intake.liftHold, { id: student, body: { note } });
    expect((await lift('')).status).toBe(400);
    expect((await lift('Her physiotherapist agreed.')).status).toBe(200);
    expect(await holdOf(student)).toBeNull();
    expect((await studentOf(student)).profile.safety).toMatchObject({ painNow: false, painWhere: '' });
    expect(await page(student)).toMatchObject({ hold: null });
    expect((await page(student)).day).not.toBeNull();
  });

  test('is one report, however often the same answers are saved', async () => {
    const id = randomUUID();
    const create = () =>
      server.ask(wire.intake.addStudent, { body: { id, profile: profile({ safety: HURTS }) } });
    await create();
    await create();
    await save(id, HURTS);
    const events = await server.ask(wire.intake.readThread, { id });
    expect(events.body.filter(({ kind }) => kind === 'hold')).toHaveLength(1);
  });
});
