import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import { API } from '@inchstep/contract/wire';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, profile, type TestServer, testServer } from '../../testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

describe('the door', () => {
  test('a fresh program asks for its coach, once', async () => {
    const fresh = await testServer({ signedIn: false });
    expect((await fresh.ask(wire.care.me)).body.state).toBe('new');
    expect((await fresh.ask(wire.intake.listStudents)).status).toBe(401);
    const coach = { name: 'Tomasz Brandl', passphrase: 'ten letters or more' };
    expect((await fresh.ask(wire.care.setUp, { body: coach })).status).toBe(200);
    expect((await fresh.ask(wire.care.me)).body.state).toBe('signed_in');
    expect((await fresh.ask(wire.care.setUp, { body: coach })).body).toMatchObject({
      code: 'already_set_up',
    });
    await fresh.ask(wire.care.signOut);
    expect((await fresh.ask(wire.intake.listStudents)).status).toBe(401);
    expect((await fresh.ask(wire.care.signIn, { body: { passphrase: 'not this one' } })).body).toMatchObject({
      code: 'wrong_passphrase',
    });
    expect((await fresh.ask(wire.care.signIn, { body: { passphrase: coach.passphrase } })).status).toBe(200);
    expect((await fresh.ask(wire.intake.listStudents)).status).toBe(200);
    await fresh.stop();
  });
  test('the demo’s door stays shut outside the demo', async () => {
    expect((await server.ask(wire.care.enterDemo)).status).toBe(404);
  });
  test('the page made from the routes names them all', async () => {
    const { body } = await server.askAt<{ paths: object }>('GET', `${API}docs/json`);
    expect(Object.keys(body.paths).length).toBeGreaterThan(35);
  });
});

describe('students', () => {
  test('the same new student sent twice is one student', async () => {
    const id = randomUUID();
    await server.ask(wire.intake.addStudent, { body: { id, profile: profile() } });
    const again = await server.ask(wire.intake.addStudent, { body: { id, profile: profile() } });
    expect(again.body).toMatchObject({ id, version: 1, ageYears: 36 });
    const all = await server.ask(wire.intake.listStudents);
    expect(all.body.filter((s) => s.id === id)).toHaveLength(1);
  });
  test.each([
    ['a height of 7 in', { heightIn: 7 }, 'heightIn'],
    ['no place', { places: [] }, 'places'],
    ['no name', { firstName: ' ' }, 'firstName'],
    ['a field nobody knows', { shoeSize: 9 }, ''],
  ])('%s is refused by path, and nothing is kept', async (_, wrong, path) => {
    const id = randomUUID();
    const { status, body } = await server.refused(wire.intake.addStudent, {
      body: {
        id,
        profile: { ...profile(), ...wrong },
      },
    });
    expect(status).toBe(400);
    expect(body.problems[0]?.path).toContain(path);
    expect((await server.ask(wire.intake.readStudent, { id })).status).toBe(404);
  });
  test('born tomorrow and a lesson yesterday are refused by name', async () => {
    const send = (wrong: object) =>
      server.ask(wire.intake.addStudent, { body: { id: randomUUID(), profile: { ...profile(), ...wrong } } });
    expect((await send({ bornOn: '2027-03-02' })).body).toMatchObject({ code: 'date_in_future' });
    expect((await send({ nextLesson: '2027-02-28' })).body).toMatchObject({ code: 'date_in_past' });
    expect((await send({ nextLesson: '2027-02-30' })).status).toBe(400);
  });
  test('a lesson that has gone by since does not stop an edit', async () => {
    const id = await addStudent(server, { nextLesson: '2027-03-02' });
    server.at('2027-03-05T09:00:00');
    const edit = { version: 1, profile: profile({ nextLesson: '2027-03-02', aims: 'Further.' }) };
    expect((await server.ask(wire.intake.editStudent, { id, body: edit })).status).toBe(200);
    server.at('2027-03-01T09:00:00');
  });
  test('two coaches: the slower one is told and overwrites nothing', async () => {
    const id = await addStudent(server);
    const edit = (aims: string) =>
      server.ask(wire.intake.editStudent, { id, body: { version: 1, profile: profile({ aims }) } });
    expect((await edit('first')).body.version).toBe(2);
    const slower = await edit('second');
    expect(slower.status).toBe(409);
    expect(slower.body).toMatchObject({ code: 'changed_meanwhile' });
    expect((await server.ask(wire.intake.readStudent, { id })).body.profile.aims).toBe('first');
  });
  test('archived and brought back, with both in the thread', async () => {
    const id = await addStudent(server);
    const archived = await server.ask(wire.intake.archiveStudent, { id });
    expect(archived.body.archivedAt).not.toBeNull();
    const back = await server.ask(wire.intake.restoreStudent, { id });
    expect(back.body.archivedAt).toBeNull();
    const thread = await server.ask(wire.intake.readThread, { id });
    expect(thread.body.map((e) => e.kind).sort()).toEqual(['archived', 'created', 'restored']);
  });
  test('safety answers become limits with their reasons', async () => {
    const { safety } = profile();
    const id = await addStudent(server, { safety: { ...safety, trouble: ['knee'], dizziness: true } });
    const { body } = await server.ask(wire.intake.readStudent, { id });
    expect(body.limits.map((l) => l.limit).sort()).toEqual(['balance', 'knee']);
    expect(body.limits.every((l) => l.because.length > 0)).toBe(true);
  });
});
