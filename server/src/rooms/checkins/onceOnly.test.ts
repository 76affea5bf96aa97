import { randomUUID } from 'node:crypto';
import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Checkin } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, type TestServer, testServer } from '../../testServer.ts';
import { sendLetters } from './index.ts';

let server: TestServer;
let student: string;
let token: string;
beforeAll(async () => {
  server = await testServer();
  student = await addStudent(server, { aids: ['stick'] });
  token = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } })).body.token;
});
afterAll(() => server.stop());

const events = async (kind: string) =>
  (await server.ask(wire.intake.readThread, { id: student })).body.filter((e) => e.kind === kind);
const send = async (note: string): Promise<Checkin> => {
  const body = { id: randomUUID(), pain: false, painWhere: '', note, felt: null, clipIds: [] };
  return (await server.ask(wire.page.sendCheckin, { token, body })).body;
};
const outbox = () => join(server.dataDir, 'outbox');
const letters = () => (existsSync(outbox()) ? readdirSync(outbox()) : []);

describe('the same message twice', () => {
  test('a choice of drills stays in use, with one word in the thread', async () => {
    const diagnosis = {
      id: randomUUID(),
      swingId: null,
      findings: [{ id: 'obs.overswing', seen: 'present' }],
    };
    await server.ask(wire.diagnosis.diagnose, { id: student, body: diagnosis });
    await server.ask(wire.diagnosis.chooseWork, {
      id: diagnosis.id,
      body: { workOn: ['over_turn'], note: '' },
    });
    await server.ask(wire.diagnosis.chooseWork, {
      id: diagnosis.id,
      body: { workOn: ['over_turn'], note: '' },
    });
    expect(await events('work_chosen')).toHaveLength(1);
    const choice = { id: randomUUID(), diagnosisId: diagnosis.id, drills: ['knee_swap'], note: 'as we said' };
    const first = await server.ask(wire.prescription.chooseDrills, { body: choice });
    expect(first.status).toBe(200);
    const again = await server.ask(wire.prescription.chooseDrills, { body: choice });
    expect(again.body).toEqual(first.body);
    expect(again.body.endedAt).toBeNull();
    const all = await server.ask(wire.prescription.listChoices, { id: student });
    expect(all.body.map(({ endedAt }) => endedAt)).toEqual([null]);
    expect(await events('drills_chosen')).toHaveLength(1);
  });
  test('a gate decision is one decision, one word', async () => {
    const gate = {
      id: randomUUID(),
      drill: 'knee_swap',
      stage: 'still',
      decision: 'advance',
      note: 'seen live',
    };
    for (let i = 0; i < 3; i++) await server.ask(wire.practice.decideGate, { id: student, body: gate });
    expect(await events('gate')).toHaveLength(1);
  });
  test('archiving twice is archiving once', async () => {
    const other = await addStudent(server);
    for (let i = 0; i < 2; i++) await server.ask(wire.intake.archiveStudent, { id: other });
    const thread = await server.ask(wire.intake.readThread, { id: other });
    expect(thread.body.filter((e) => e.kind === 'archived')).toHaveLength(1);
  });
});

describe('replies', () => {
  test('four at once to one check-in are one reply, one letter, one word in the thread', async () => {
    const { id } = await send('How is this?');
    const answers = await Promise.all(
      Array.from({ length: 4 }, (_, i) =>
        server.ask(wire.checkins.sendReply, { id, body: { id: randomUUID(), text: `Answer ${i}` } }),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409]);
    await server.ask(wire.checkins.sendReplyNow, { id });
    expect(letters()).toHaveLength(1);
    expect(await events('reply')).toHaveLength(1);
  });
  test('the same one four times at once, too', async () => {
    const before = letters().length;
    const { id } = await send('And this?');
    const reply = { id: randomUUID(), text: 'Good.' };
    const answers = await Promise.all(
      Array.from({ length: 4 }, () => server.ask(wire.checkins.sendReply, { id, body: reply })),
    );
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 200]);
    await Promise.all([1, 2, 3].map(() => server.ask(wire.checkins.sendReplyNow, { id })));
    expect(letters()).toHaveLength(before + 1);
  });
  test('a letter whose file is lost before it was noted is made again from its row, the same to the byte', async () => {
    const { id } = await send('One more.');
    const reply = { id: randomUUID(), text: 'Once more, slowly.' };
    await server.ask(wire.checkins.sendReply, { id, body: reply });
    await server.ask(wire.checkins.sendReplyNow, { id });
    const path = server.ctx.outbox.pathOf(reply.id);
    const row = server.ctx.db.$client.prepare('SELECT * FROM mails WHERE id = ?').get(reply.id) as {
      at: string;
    };
    const letter = await server.ctx.outbox.letter({
      id: reply.id,
      toName: 'Priya Raman',
      toAddress: 'student@inchstep.invalid',
      stop: null,
      event: null,
      subject: 'About your check-in',
      text: reply.text,
      at: new Date(row.at),
    });
    rmSync(path);
    server.ctx.db.$client.prepare('UPDATE mails SET made_at = NULL WHERE id = ?').run(reply.id);
    await sendLetters(server.ctx);
    expect(existsSync(path)).toBe(true);
    expect((await import('node:fs')).readFileSync(path).equals(letter)).toBe(true);
  });
});

describe('an archived student’s link', () => {
  test('is closed with plain words and the way to the coach; taking the archiving back opens it again', async () => {
    await server.ask(wire.care.keepContact, { body: { contact: '0700 555 0100' } });
    const away = await addStudent(server, { firstName: 'Mei' });
    const link = (await server.ask(wire.checkins.makeLink, { id: away, body: { days: 9 } })).body.token;
    await server.ask(wire.intake.archiveStudent, { id: away });
    const page = await server.refused(wire.page.readPage, { token: link });
    expect(page).toMatchObject({ status: 410, body: { code: 'link_closed' } });
    expect(page.body.message).toMatch(/Ilse Varga, 0700 555 0100/);
    expect(page.body.message).toMatch(/doctor or physiotherapist/);
    const pain = { id: randomUUID(), pain: true, painWhere: 'hip', note: '', felt: null, clipIds: [] };
    expect((await server.ask(wire.page.sendCheckin, { token: link, body: pain })).status).toBe(410);
    await server.ask(wire.intake.restoreStudent, { id: away });
    expect((await server.ask(wire.page.readPage, { token: link })).status).toBe(200);
  });
});
