import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, clipBytes, type TestServer, testServer, whole } from '../../testServer.ts';
import { sendLetters } from './index.ts';

let server: TestServer;
let gus: string;
let mei: string;
beforeAll(async () => {
  server = await testServer();
  gus = await addStudent(server, { firstName: 'Gus', familyName: 'Lindqvist' });
  mei = await addStudent(server, { firstName: 'Mei', familyName: 'Tanaka' });
});
afterAll(() => server.stop());

const linkOf = async (student: string, days = 30): Promise<string> =>
  (await server.ask(wire.checkins.makeLink, { id: student, body: { days } })).body.token;
const page = (token: string) => server.ask(wire.page.readPage, { token });
const checkin = (more: object = {}) => ({
  id: randomUUID(),
  pain: false,
  painWhere: '',
  note: 'Going well.',
  felt: 7,
  clipIds: [],
  ...more,
});
const send = (token: string, body: object) => server.ask(wire.page.sendCheckin, { token, body });
const queue = async () => whole((await server.ask(wire.progress.listQueue)).body).rows;

describe('private links', () => {
  test('a token is long, kept only as a digest, and opens one student’s page', async () => {
    const token = await linkOf(gus);
    expect(token).toMatch(/^[\w-]{43}$/);
    const stored = JSON.stringify(server.ctx.db.$client.prepare('select * from links').all());
    expect(stored).not.toContain(token);
    const { body } = await page(token);
    expect(body).toMatchObject({ firstName: 'Gus', coach: 'Ilse Varga' });
    expect(JSON.stringify(body)).not.toContain('Tanaka');
  });
  test('unknown, closed and run-out links are told apart, without a page', async () => {
    expect((await page('x')).body).toMatchObject({ code: 'link_unknown' });
    const first = await linkOf(gus);
    const second = await linkOf(gus);
    expect((await page(first)).body).toMatchObject({ code: 'link_revoked' });
    await server.ask(wire.checkins.closeLinks, { id: gus });
    expect((await page(second)).body).toMatchObject({ code: 'link_revoked' });
    const short = await linkOf(gus, 1);
    server.at('2027-03-02T09:00:01');
    expect((await page(short)).body).toMatchObject({ code: 'link_expired' });
    expect((await send(short, checkin())).status).toBe(410);
    server.at('2027-03-01T09:00:00');
  });
  test('the page needs no sign-in, and opens no coach’s door', async () => {
    const token = await linkOf(gus);
    const alone = await server.app.inject({ url: urlOf(wire.page.readPage, { token }) });
    expect(alone.statusCode).toBe(200);
    expect(alone.headers['referrer-policy']).toBe('no-referrer');
    expect((await server.app.inject({ url: urlOf(wire.intake.readStudent, { id: gus }) })).statusCode).toBe(
      401,
    );
  });
  test('a student sees no clip of another, and can’t send it as their own', async () => {
    const token = await linkOf(gus);
    const others = await server.upload(wire.capture.addClip, { id: mei }, clipBytes('wren.face_on.mp4'), {
      id: randomUUID(),
      kind: 'face_on',
      recordedOn: '2027-03-01',
    });
    expect((await server.ask(wire.page.clipFile, { token, id: others.body.id })).status).toBe(404);
    expect((await send(token, checkin({ clipIds: [others.body.id] }))).status).toBe(404);
    expect((await server.ask(wire.checkins.listCheckins, { id: gus })).body).toEqual([]);
  });
});

describe('check-ins', () => {
  test('an offline phone that sends again makes one check-in', async () => {
    const token = await linkOf(gus);
    const clip = await server.upload(wire.page.addClip, { token }, clipBytes('gus.face_on.mp4'), {
      id: randomUUID(),
      kind: 'face_on',
      recordedOn: '2027-03-01',
    });
    const body = checkin({ clipIds: [clip.body.id] });
    const first = await send(token, body);
    expect(first.body).toMatchObject({ note: 'Going well.', clips: [{ id: clip.body.id, from: 'student' }] });
    expect((await send(token, body)).body).toEqual(first.body);
    expect((await server.ask(wire.checkins.listCheckins, { id: gus })).body).toHaveLength(1);
    expect(await queue()).toMatchObject([{ studentName: 'Gus Lindqvist', reason: 'routine' }]);
  });
  test('pain comes first, holds the drills, and the draft speaks of nothing else', async () => {
    const token = await linkOf(mei);
    const { body } = await send(token, checkin({ pain: true, painWhere: 'low back', note: '' }));
    expect((await queue()).map((row) => [row.studentName, row.reason])).toEqual([
      ['Mei Tanaka', 'pain'],
      ['Gus Lindqvist', 'routine'],
    ]);
    expect((await page(token)).body.hold).toMatchObject({ where: 'low back' });
    const draft = await server.ask(wire.checkins.reviewCheckin, { id: body.id });
    expect(draft.body.draft).toMatch(/doctor|physiotherapist/);
    expect(draft.body.draft).not.toMatch(/rung|send/i);
  });
  test('a reply goes to the page and to the outbox, and leaves the queue', async () => {
    const [row] = (await queue()).filter((r) => r.studentName.startsWith('Gus'));
    const reply = { id: randomUUID(), text: 'Half a thigh over the line: that is it.' };
    const answer = (id = reply.id) =>
      server.ask(wire.checkins.sendReply, { id: row?.checkinId, body: { ...reply, id } });
    expect((await answer()).body.reply?.text).toBe(reply.text);
    // Sent again by a shaky line it is the same answer; another one would be a second.
    expect((await answer()).body.reply?.id).toBe(reply.id);
    const second = randomUUID();
    expect((await answer(second)).status).toBe(409);
    // For ten minutes nobody reads it and no mail goes; then both.
    const waits = await linkOf(gus);
    expect((await page(waits)).body.checkins[0]?.reply).toBeNull();
    expect(existsSync(join(server.dataDir, 'outbox', `${reply.id}.eml`))).toBe(false);
    server.at('2027-03-01T09:10:01');
    await sendLetters(server.ctx);
    expect(existsSync(join(server.dataDir, 'outbox', `${second}.eml`))).toBe(false);
    const mail = readFileSync(join(server.dataDir, 'outbox', `${reply.id}.eml`), 'utf8');
    expect(mail).toContain('To: Gus Lindqvist');
    expect(mail).toContain('Half a thigh over the line');
    const token = await linkOf(gus);
    expect((await page(token)).body.checkins[0]?.reply?.text).toBe(reply.text);
    server.at('2027-03-01T09:00:00');
    expect((await queue()).map((r) => r.studentName)).toEqual(['Mei Tanaka']);
    expect(
      (
        await server.ask(wire.checkins.sendReply, {
          id: row?.checkinId,
          body: { id: randomUUID(), text: ' ' },
        })
      ).status,
    ).toBe(400);
  });
  test('what waits longer is named overdue', async () => {
    const token = await linkOf(gus);
    await send(token, checkin({ note: 'And again.' }));
    server.at('2027-03-04T09:00:00');
    const rows = await queue();
    expect(rows.find((r) => r.studentName.startsWith('Gus'))?.reason).toBe('overdue_reply');
    expect(rows[0]?.reason).toBe('pain');
    server.at('2027-03-01T09:00:00');
  });
  test('a clip for a link that is not known is not kept', async () => {
    const answer = await server.upload(wire.page.addClip, { token: 'nobody' }, clipBytes('gus.face_on.mp4'), {
      id: randomUUID(),
      kind: 'face_on',
      recordedOn: '2027-03-01',
    });
    expect(answer.status).toBe(404);
  });
});
