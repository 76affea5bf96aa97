import { randomUUID } from 'node:crypto';
import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Checkin } from '@inchstep/contract/checkins';
import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import type { ThreadEvent } from '@inchstep/contract/intake';
import type { DrillChoice } from '@inchstep/contract/prescription';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, type TestServer, testServer } from '../../testServer.ts';
import { sendLetters } from './index.ts';

let server: TestServer;
let student: string;
let token: string;
beforeAll(async () => {
  server = await testServer();
  student = await addStudent(server, { aids: ['stick'] });
  token = (await server.ask<{ token: string }>('POST', `/api/students/${student}/links`, { days: 9 })).body
    .token;
});
afterAll(() => server.stop());

const events = async (kind: string) =>
  (await server.ask<ThreadEvent[]>('GET', `/api/students/${student}/thread`)).body.filter(
    (e) => e.kind === kind,
  );
const send = async (note: string): Promise<Checkin> => {
  const body = { id: randomUUID(), pain: false, painWhere: '', note, felt: null, clipIds: [] };
  return (await server.ask<Checkin>('POST', `/api/page/${token}/checkins`, body)).body;
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
    await server.ask<DiagnosisRecord>('POST', `/api/students/${student}/diagnoses`, diagnosis);
    await server.ask('POST', `/api/diagnoses/${diagnosis.id}/choose`, { workOn: ['over_turn'], note: '' });
    await server.ask('POST', `/api/diagnoses/${diagnosis.id}/choose`, { workOn: ['over_turn'], note: '' });
    expect(await events('work_chosen')).toHaveLength(1);
    const choice = { id: randomUUID(), diagnosisId: diagnosis.id, drills: ['knee_swap'], note: 'as we said' };
    const first = await server.ask<DrillChoice>('POST', '/api/drill-choices', choice);
    expect(first.status).toBe(200);
    const again = await server.ask<DrillChoice>('POST', '/api/drill-choices', choice);
    expect(again.body).toEqual(first.body);
    expect(again.body.endedAt).toBeNull();
    const all = await server.ask<DrillChoice[]>('GET', `/api/students/${student}/drill-choices`);
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
    for (let i = 0; i < 3; i++) await server.ask('POST', `/api/students/${student}/gates`, gate);
    expect(await events('gate')).toHaveLength(1);
  });
  test('archiving twice is archiving once', async () => {
    const other = await addStudent(server);
    for (let i = 0; i < 2; i++) await server.ask('POST', `/api/students/${other}/archive`);
    const thread = await server.ask<ThreadEvent[]>('GET', `/api/students/${other}/thread`);
    expect(thread.body.filter((e) => e.kind === 'archived')).toHaveLength(1);
  });
});

describe('replies', () => {
  test('four at once to one check-in are one reply, one letter, one word in the thread', async () => {
    const { id } = await send('How is this?');
    const answers = await Promise.all(
      Array.from({ length: 4 }, (_, i) =>
        server.ask('POST', `/api/checkins/${id}/reply`, { id: randomUUID(), text: `Answer ${i}` }),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409]);
    await server.ask('POST', `/api/checkins/${id}/reply/now`);
    expect(letters()).toHaveLength(1);
    expect(await events('reply')).toHaveLength(1);
  });
  test('the same one four times at once, too', async () => {
    const before = letters().length;
    const { id } = await send('And this?');
    const reply = { id: randomUUID(), text: 'Good.' };
    const answers = await Promise.all(
      Array.from({ length: 4 }, () => server.ask('POST', `/api/checkins/${id}/reply`, reply)),
    );
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 200]);
    await Promise.all([1, 2, 3].map(() => server.ask('POST', `/api/checkins/${id}/reply/now`)));
    expect(letters()).toHaveLength(before + 1);
  });
  test('a letter whose file is lost before it was noted is made again from its row, the same to the byte', async () => {
    const { id } = await send('One more.');
    const reply = { id: randomUUID(), text: 'Once more, slowly.' };
    await server.ask('POST', `/api/checkins/${id}/reply`, reply);
    await server.ask('POST', `/api/checkins/${id}/reply/now`);
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
    await server.ask('POST', '/api/care/contact', { contact: '0700 555 0100' });
    const away = await addStudent(server, { firstName: 'Mei' });
    const link = (await server.ask<{ token: string }>('POST', `/api/students/${away}/links`, { days: 9 }))
      .body.token;
    await server.ask('POST', `/api/students/${away}/archive`);
    const page = await server.ask<{ message: string }>('GET', `/api/page/${link}`);
    expect(page).toMatchObject({ status: 410, body: { code: 'link_closed' } });
    expect(page.body.message).toMatch(/Ilse Varga, 0700 555 0100/);
    expect(page.body.message).toMatch(/doctor or physiotherapist/);
    const pain = { id: randomUUID(), pain: true, painWhere: 'hip', note: '', felt: null, clipIds: [] };
    expect((await server.ask('POST', `/api/page/${link}/checkins`, pain)).status).toBe(410);
    await server.ask('POST', `/api/students/${away}/restore`);
    expect((await server.ask('GET', `/api/page/${link}`)).status).toBe(200);
  });
});
