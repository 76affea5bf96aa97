import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import * as wire from '@inchstep/contract/endpoints';
import { API } from '@inchstep/contract/wire';
import { urlOf } from '@inchstep/contract/wire/address';
import { PROBLEM_WORDS, type ProblemCode } from '@inchstep/contract/words';
import { afterAll, describe, expect, test } from '@jest/globals';
import { OWN_PAGE, testServer } from '../testServer.ts';
import { openDb } from './db.ts';
import { failureOf, machineProblem, Refusal } from './errors.ts';
import { FileStore } from './files.ts';

const folder = mkdtempSync(join(tmpdir(), 'inchstep-platform-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('the database', () => {
  test('migrations run once, keys are enforced, opening again changes nothing', () => {
    const first = openDb(folder);
    const tables = () =>
      (first.$client.prepare("select name from sqlite_master where type='table'").all() as { name: string }[])
        .map((t) => t.name)
        .sort();
    const before = tables();
    expect(before).toEqual(expect.arrayContaining(['students', 'swings', 'plans', 'set_logs', 'checkins']));
    expect(first.$client.pragma('foreign_keys', { simple: true })).toBe(1);
    expect(first.$client.pragma('journal_mode', { simple: true })).toBe('wal');
    expect(() =>
      first.$client.prepare("insert into clips values ('c', 'nobody', 'f', '{}', '2027-01-01')").run(),
    ).toThrow(/FOREIGN KEY/);
    const second = openDb(folder);
    expect(tables()).toEqual(before);
    second.$client.close();
    first.$client.close();
  });
});

describe('the file store', () => {
  test('a stream that breaks leaves nothing', async () => {
    const store = new FileStore(folder);
    const broken = Readable.from(
      (function* () {
        yield Buffer.from('half');
        throw new Error('the phone went away');
      })(),
    );
    await expect(store.receive(broken)).rejects.toThrow('upload_broken');
    expect(readdirSync(store.clipFolder)).toEqual([]);
  });
  test.each([
    ['stands still', { stallMs: 60, slowestBytesPerS: 0, graceMs: 10_000 }, 10_000],
    ['trickles', { stallMs: 10_000, slowestBytesPerS: 1e9, graceMs: 60 }, 5],
  ])('a sender that %s is let go, and leaves nothing', async (_, pace, everyMs) => {
    const store = new FileStore(folder, pace);
    let timer: NodeJS.Timeout | undefined;
    const slow = new Readable({
      read() {
        clearTimeout(timer);
        timer = setTimeout(() => this.push('x'), everyMs);
      },
      destroy(error, done) {
        clearTimeout(timer);
        done(error);
      },
    });
    await expect(store.receive(slow)).rejects.toThrow('upload_stalled');
    expect(readdirSync(store.clipFolder)).toEqual([]);
  });
  test('the same content is kept once, under its hash', async () => {
    const store = new FileStore(folder);
    const keep = async () => store.keep(await store.receive(Readable.from([Buffer.from('film')])), 'mp4');
    const name = await keep();
    expect(await keep()).toBe(name);
    expect(readdirSync(store.clipFolder)).toEqual([name]);
    expect(await store.sizeOf(name)).toBe(4);
  });
});

describe('refusals', () => {
  test.each(Object.keys(PROBLEM_WORDS) as ProblemCode[])(
    '%s has a status, a meaning and a remedy',
    (code) => {
      const { status, body } = failureOf(new Refusal(code, {}).problems);
      expect(status).toBeGreaterThanOrEqual(400);
      expect(status).toBeLessThan(600);
      expect(body.message.length).toBeGreaterThan(20);
      expect(PROBLEM_WORDS[code].remedy).toMatch(/\.$/);
    },
  );
  test('an address nobody knows and a body that is no JSON are answered in the same shape', async () => {
    const server = await testServer();
    expect((await server.askAt('GET', `${API}nowhere`)).body).toMatchObject({
      code: 'not_found',
      problems: [{}],
    });
    const broken = await server.app.inject({
      method: 'POST',
      url: urlOf(wire.care.signIn),
      headers: { ...OWN_PAGE, 'content-type': 'application/json' },
      payload: '{"passphrase":',
    });
    expect(broken.statusCode).toBe(400);
    expect(broken.json()).toMatchObject({ code: 'bad_input' });
    await server.stop();
  });
  test('every answer forbids framing and foreign scripts', async () => {
    const server = await testServer();
    const { headers } = await server.app.inject({ url: urlOf(wire.care.me) });
    expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
    expect(headers['content-security-policy']).toContain("script-src 'self'");
    await server.stop();
  });
});

test.each([
  ['ENOSPC', 'disk_full'],
  ['SQLITE_FULL', 'disk_full'],
  ['SQLITE_IOERR_FSYNC', 'disk_full'],
  ['EROFS', 'read_only'],
  ['SQLITE_CORRUPT', 'record_damaged'],
  ['SQLITE_BUSY', 'busy'],
  // A file of the program’s own that is missing says nothing about the record.
  ['ENOENT', null],
])('%s of the machine is %s', (code, problem) => {
  expect(machineProblem(Object.assign(new Error(code), { code }))).toBe(problem);
});

test('a clip that a row names and the disk has lost is a damaged record', async () => {
  const files = new FileStore(folder);
  await expect(files.sizeOf(`${'0'.repeat(64)}.mp4`)).rejects.toThrow('record_damaged');
});
