import { randomUUID } from 'node:crypto';
import { readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Clip } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { Jobs } from '../../platform/jobs.ts';
import { addStudent, clipBytes, markedSwing, type TestServer, testServer } from '../../testServer.ts';

let server: TestServer;
let student: string;
let token: string;
beforeAll(async () => {
  server = await testServer({ jobs: { deadlineMs: 20_000 } });
  student = await addStudent(server);
  token = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } })).body.token;
});
afterAll(() => server.stop());

const good = clipBytes('wren.face_on.mp4');
const fields = () => ({ id: randomUUID(), kind: 'face_on', recordedOn: '2027-02-27' });
const send = (file: Buffer) => server.upload(wire.capture.addClip, { id: student }, file, fields());
const clips = () => server.ask(wire.capture.listClips, { id: student });
const kept = () => readdirSync(server.ctx.files.clipFolder);

/** The clip with a number written into one of its tables, so many bytes behind the table's name. */
function patched(table: string, offset: number, value: number, from = good): Buffer {
  const bytes = Buffer.from(from);
  bytes.writeUInt32BE(value, bytes.indexOf(table, 0, 'latin1') + offset);
  return bytes;
}

const ENDLESS_WEBM = Buffer.concat([
  Buffer.from(
    '1a45dfa39f4286810142f7810142f2810442f381084282847765626d42878104428581021853806701ffffffffffffff',
    'hex',
  ),
  Buffer.alloc(100),
]);
const boxes = (count: number): Buffer => {
  const one = Buffer.from([0, 0, 0, 8, 0x66, 0x72, 0x65, 0x65]);
  return Buffer.concat([good.subarray(0, good.readUInt32BE(0)), ...Array.from({ length: count }, () => one)]);
};

describe('a file that lies about itself is refused in words, soon, and leaves nothing', () => {
  test.each([
    ['a segment of unknown size, then nothing but zeros', ENDLESS_WEBM, 'clip_cut_off'],
    ['more times than the table holds', patched('stts', 8, 0xffffffff), 'clip_no_sense'],
    ['more pictures than any film has', patched('stts', 12, 0xfffffff0), 'clip_no_sense'],
    ['pictures that last no time', patched('stts', 16, 0), 'clip_no_sense'],
    ['more sizes than the table holds', patched('stsz', 12, 0xffffffff), 'clip_no_sense'],
    [
      'one size for four billion pictures',
      patched('stsz', 12, 0xffffffff, patched('stsz', 8, 1)),
      'clip_no_sense',
    ],
    ['more places than the table holds', patched('stco', 8, 0x10000000), 'clip_no_sense'],
    ['a clock that does not tick', patched('mdhd', 16, 0), 'clip_no_sense'],
    ['a table longer than what it lies in', patched('stts', -4, 0x7fffffff), 'clip_no_sense'],
    ['a million empty boxes', boxes(1_000_000), 'clip_no_sense'],
  ])('%s', async (_, file, code) => {
    const told = await send(file);
    expect(told.status).toBeGreaterThanOrEqual(400);
    expect(told.status).toBeLessThan(500);
    expect(told.code).toBe(code);
    expect(kept()).toEqual([]);
    expect((await clips()).body).toEqual([]);
  });
  test('while one is read, everybody else is answered', async () => {
    const order: string[] = [];
    const reading = server.ctx.jobs.run('forever', {}, { moreMs: -18_000 }).catch(() => order.push('read'));
    for (let i = 0; i < 5; i++) expect((await server.ask(wire.intake.listStudents)).status).toBe(200);
    order.push('answered');
    await reading;
    expect(order).toEqual(['answered', 'read']);
  });
  test('a job without an end is ended', async () => {
    const jobs = new Jobs({ deadlineMs: 800 });
    await expect(jobs.run('forever', {})).rejects.toThrow('file_too_heavy');
    await jobs.close();
    expect((await send(good)).status).toBe(200);
  });
  test('a machine that is too busy to read fails no sound file: what counts is processor time', async () => {
    const jobs = new Jobs({ deadlineMs: 800 });
    expect(await jobs.run('asleep', { ms: 1500 })).toBe('woke');
    await jobs.close();
    const strict = new Jobs({ deadlineMs: 800, stallMs: 500 });
    await expect(strict.run('asleep', { ms: 20_000 })).rejects.toThrow('file_too_heavy');
    await strict.close();
  });
});

describe('what an older program kept', () => {
  test('a clip whose facts make no sense is shown as such, in every list it is part of', async () => {
    const [whole] = (await clips()).body as [Clip];
    const wrong = randomUUID();
    const file = server.ctx.db.$client.prepare('SELECT file FROM clips').pluck().get();
    const facts = JSON.stringify({
      ...whole,
      framesPerSecond: Number.POSITIVE_INFINITY,
      fileName: 'fast.mp4',
    });
    server.ctx.db.$client
      .prepare('INSERT INTO clips (id, student_id, file, facts, created_at) VALUES (?, ?, ?, ?, ?)')
      .run(wrong, student, file, facts, whole.createdAt);
    const list = await clips();
    expect(list.status).toBe(200);
    expect(list.body.find(({ id }) => id === wrong)).toMatchObject({
      trouble: 'unreadable',
      fileName: 'fast.mp4',
    });
    expect(list.body.find(({ id }) => id === whole.id)?.trouble).toBeNull();
    const checkin = { id: randomUUID(), pain: false, painWhere: '', note: '', felt: null, clipIds: [wrong] };
    expect((await server.ask(wire.page.sendCheckin, { token, body: checkin })).status).toBe(200);
    const page = await server.ask(wire.page.readPage, { token });
    expect(page.body.checkins[0]?.clips[0]).toMatchObject({ id: wrong, trouble: 'unreadable' });
    expect((await server.ask(wire.checkins.listCheckins, { id: student })).status).toBe(200);
  });
});

test('a reading of an older program with a measure that is none counts as not measured, and breaks nothing', async () => {
  const swing = markedSwing('priya-then');
  await server.ask(wire.capture.addSwing, { id: student, body: swing });
  const made = (await server.ask(wire.measures.measureSwing, { id: swing.id })).body;
  const wrong = { ...made, measures: made.measures.map((m, i) => (i === 0 ? { ...m, value: null } : m)) };
  const put = server.ctx.db.$client.prepare('UPDATE readings SET body = ? WHERE swing_id = ?');
  put.run(JSON.stringify(wrong), swing.id);
  const read = () => server.ask(wire.measures.listReadings, { id: student });
  expect((await read()).body[0]?.measures).toHaveLength(made.measures.length - 1);
  put.run(JSON.stringify({ ...made, measures: 'none' }), swing.id);
  expect(await read()).toMatchObject({ status: 200, body: [{ measures: [] }] });
  for (const list of [wire.progress.readProgress, wire.progress.readBrief, wire.practice.listGates])
    expect((await server.ask(list, { id: student })).status).toBe(200);
});

test('a clip whose file is gone from the disk says so, and what else there is can be read', async () => {
  const [clip] = (await clips()).body.filter(({ trouble }) => trouble === null) as [Clip];
  for (const name of kept()) rmSync(join(server.ctx.files.clipFolder, name));
  const answer = await server.ask(wire.capture.clipFile, { id: clip.id });
  expect(answer).toMatchObject({ status: 500, body: { code: 'record_damaged' } });
  const out = await server.ask(wire.care.exportStudent, { id: student });
  expect(out).toMatchObject({ status: 500, body: { code: 'record_damaged' } });
  expect((await clips()).status).toBe(200);
});

describe('tables without end', () => {
  const csv = (rows: number) =>
    `time_s,lead_pct\n${Array.from({ length: rows }, (_, i) => `${i},50`).join('\n')}`;
  test('too many shots are refused in words', async () => {
    const rows = `carry\n${'1\n'.repeat(700_000)}`;
    const body = {
      id: randomUUID(),
      recordedOn: '2027-02-27',
      swingId: null,
      fileName: 'bay.csv',
      csv: rows,
      matches: [{ field: 'carryYd', column: 'carry', unit: 'yd', flipped: false }],
    };
    expect((await server.ask(wire.capture.addShots, { id: student, body })).body).toMatchObject({
      code: 'too_many_rows',
      message: expect.stringContaining('2000'),
    });
  });
  test('a motion table of 12 MB is refused', async () => {
    const file = Buffer.from(`time_s,lead_hip_x,lead_hip_y,lead_hip_z\n${'0.1,1,2,3\n'.repeat(1_200_000)}`);
    const sending = server.upload(
      wire.capture.addTrack,
      { id: student },
      file,
      { id: randomUUID(), recordedOn: '2027-02-27', club: 'mid_iron' },
      'swing.csv',
    );
    expect((await sending).code).toBe('too_many_rows');
  });
  test('pressure, too', async () => {
    const swing = {
      id: randomUUID(),
      recordedOn: '2027-02-27',
      club: 'mid_iron',
      speed: 'full',
      views: [],
      marks: [],
    };
    await server.ask(wire.capture.addSwing, { id: student, body: swing });
    const put = (text: string) =>
      server.ask(wire.capture.putPressure, {
        id: swing.id,
        body: {
          fileName: 'mat.csv',
          csv: text,
          offsetSeconds: null,
        },
      });
    expect((await put(csv(70_000))).body).toMatchObject({ code: 'too_many_rows' });
    expect((await put(csv(500))).status).toBe(200);
  });
});
