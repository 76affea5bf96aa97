import { randomUUID } from 'node:crypto';
import type { QueueRow, StudentPage } from '@inchstep/contract/checkins';
import type { Hold, Student } from '@inchstep/contract/intake';
import type { PlanNow } from '@inchstep/contract/practice';
import type { PrescriptionRecord } from '@inchstep/contract/prescription';
import { NO_TROUBLE } from '@inchstep/core/intake';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { addStudent, profile, type TestServer, takeDrills, testServer } from '../../testServer.ts';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
});
afterEach(() => server.stop());

const HURTS = { ...NO_TROUBLE, injuredAreas: [], trouble: [], painNow: true, painWhere: 'left knee' };
const holdOf = async (student: string) =>
  (await server.ask<Hold | null>('GET', `/api/students/${student}/hold`)).body;
const studentOf = async (student: string) =>
  (await server.ask<Student>('GET', `/api/students/${student}`)).body;
const save = async (student: string, safety: object) => {
  const { version, profile: known } = await studentOf(student);
  return server.ask('PUT', `/api/students/${student}`, { version, profile: { ...known, safety } });
};
const queue = async () => (await server.ask<{ rows: QueueRow[] }>('GET', '/api/queue')).body.rows;
async function page(student: string): Promise<StudentPage> {
  const link = await server.ask<{ token: string }>('POST', `/api/students/${student}/links`, { days: 9 });
  return (await server.ask<StudentPage>('GET', `/api/page/${link.body.token}`)).body;
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
    await server.ask('POST', `/api/students/${student}/diagnoses`, diagnosis);
    const offered = await server.ask<PrescriptionRecord>(
      'GET',
      `/api/diagnoses/${diagnosis.id}/prescription`,
    );
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
    await server.ask('POST', `/api/students/${student}/plans`, { id: randomUUID(), ...ask });
    expect((await page(student)).day).not.toBeNull();
    await save(student, HURTS);
    expect((await server.ask<PlanNow>('GET', `/api/students/${student}/plan`)).body.live?.days).toEqual([]);
    expect(await page(student)).toMatchObject({ day: null, hold: { where: 'left knee' } });
    await save(student, { ...HURTS, painWhere: 'left knee, still' });
    await save(student, NO_TROUBLE);
    expect(await holdOf(student)).toMatchObject({ where: 'left knee' });
    await save(student, HURTS);
    const lift = (note: string) => server.ask('POST', `/api/students/${student}/hold/lift`, { note });
    expect((await lift('')).status).toBe(400);
    expect((await lift('Her physiotherapist agreed.')).status).toBe(200);
    expect(await holdOf(student)).toBeNull();
    expect((await studentOf(student)).profile.safety).toMatchObject({ painNow: false, painWhere: '' });
    expect(await page(student)).toMatchObject({ hold: null });
    expect((await page(student)).day).not.toBeNull();
  });

  test('is one report, however often the same answers are saved', async () => {
    const id = randomUUID();
    const create = () => server.ask('POST', '/api/students', { id, profile: profile({ safety: HURTS }) });
    await create();
    await create();
    await save(id, HURTS);
    const events = await server.ask<{ kind: string }[]>('GET', `/api/students/${id}/thread`);
    expect(events.body.filter(({ kind }) => kind === 'hold')).toHaveLength(1);
  });
});
