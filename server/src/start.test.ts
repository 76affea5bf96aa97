import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import {
  chmodSync,
  closeSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { connect, createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, afterEach, describe, expect, test } from '@jest/globals';
import Database from 'better-sqlite3';
import { projectRoot } from './platform/db.ts';
import { readSettings } from './platform/settings.ts';
import { StartRefusal } from './platform/startRefusal.ts';
import { profile as profileOf } from './testServer.ts';

// Whole programs are started and stopped here.

const profile = profileOf();
const PROGRAM = join(projectRoot(), 'server', 'dist', 'server.js');
const folder = mkdtempSync(join(tmpdir(), 'inchstep-start-'));
chmodSync(folder, 0o755);
const mounted: string[] = [];
afterAll(() => {
  for (const place of mounted) spawnSync('umount', ['-l', place]);
  rmSync(folder, { recursive: true, force: true });
});

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => done(port));
    });
  });

type Env = Record<string, string>;
const envOf = (more: Env): Env => {
  const { NODE_OPTIONS: _, PUBLIC_URL: __, TRUST_PROXY: ___, ...rest } = process.env as Env;
  return { ...rest, LOG_LEVEL: 'error', ...more };
};

const running: ChildProcess[] = [];
afterEach(() => {
  for (const child of running.splice(0)) child.kill('SIGKILL');
});

/** Starts the program and waits for its ready line. */
async function started(
  dataDir: string,
  more: Env = {},
): Promise<{ child: ChildProcess; port: number; url: string }> {
  const port = await freePort();
  const child = spawn('node', [PROGRAM], {
    env: envOf({ DATA_DIR: dataDir, PORT: String(port), ...more }),
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  running.push(child);
  await new Promise<void>((done, fail) => {
    child.stdout?.on('data', (chunk: Buffer) => String(chunk).includes('is ready') && done());
    child.once('exit', (code) => fail(new Error(`the program ended with ${code}`)));
  });
  return { child, port, url: `http://127.0.0.1:${port}` };
}

const ended = (child: ChildProcess): Promise<number | null> =>
  new Promise((done) => {
    if (child.exitCode !== null) done(child.exitCode);
    else child.once('exit', (code) => done(code));
  });

/** A start that should be refused: its exit code and what it said. */
function refused(
  more: Env,
  as: { uid?: number; gid?: number } = {},
): { code: number | null; said: string; out: string } {
  const { status, stderr, stdout } = spawnSync('node', [PROGRAM], {
    env: envOf({ PORT: '0', ...more }),
    encoding: 'utf8',
    timeout: 20_000,
    ...as,
  });
  return { code: status, said: stderr, out: stdout };
}

/** One plain sentence on standard error, exit 2, and no trace of a stack. */
function expectSentence(answer: ReturnType<typeof refused>, words: RegExp): void {
  expect(answer.said).toMatch(words);
  expect(answer.said.trim().split('\n')).toHaveLength(1);
  expect(answer.said).not.toMatch(/\bat .*:\d+:\d+|Error:/);
  expect([answer.code, answer.out]).toEqual([2, '']);
}

const freshDir = (): string => join(folder, randomUUID());
async function filledDir(): Promise<string> {
  const dataDir = freshDir();
  const { child } = await started(dataDir);
  child.kill('SIGTERM');
  expect(await ended(child)).toBe(0);
  return dataDir;
}

describe('a setting that can’t be right', () => {
  test.each([
    ['PORT', 'abc'],
    ['PORT', '70000'],
    ['PORT', '-1'],
    ['PORT', '4310.5'],
    ['MAX_CLIP_MB', 'abc'],
    ['MAX_CLIP_MB', '0'],
    ['MAX_CLIP_MB', '1e9'],
    ['PUBLIC_URL', 'golf.example'],
    ['PUBLIC_URL', 'https://golf.example/app'],
    ['TRUST_PROXY', 'everybody'],
    ['HOST', 'no such host!'],
  ])('%s=%s is one sentence', (name, value) => {
    const read = () => readSettings({ [name]: value });
    expect(read).toThrow(StartRefusal);
    expect(read).toThrow(`${name} is “${value}”`);
  });
  test('ends the start with exit 2, and nothing is made', () => {
    const dataDir = freshDir();
    expectSentence(refused({ DATA_DIR: dataDir, PORT: 'abc' }), /PORT is “abc”/);
    expect(existsSync(dataDir)).toBe(false);
  });
  test('left out or empty they are the usual ones', () => {
    expect(readSettings({ PORT: '', TRUST_PROXY: '' })).toMatchObject({
      port: 4310,
      clipLimitMb: 300,
      host: '127.0.0.1',
      publicUrl: null,
      trustProxy: false,
      backupDir: null,
    });
    expect(readSettings({ TRUST_PROXY: '1', PUBLIC_URL: 'https://golf.example/' })).toMatchObject({
      trustProxy: 1,
      publicUrl: 'https://golf.example',
    });
  });
});

describe('a folder that can’t be used', () => {
  test('a second server on the same folder', async () => {
    const dataDir = freshDir();
    const first = await started(dataDir);
    expectSentence(
      refused({ DATA_DIR: dataDir, PORT: String(await freePort()) }),
      /in use by another Inch Step/,
    );
    expect((await fetch(`${first.url}/api/me`)).status).toBe(200);
  });
  test('after a kill the folder is free at once', async () => {
    const dataDir = freshDir();
    const first = await started(dataDir);
    first.child.kill('SIGKILL');
    await ended(first.child);
    const second = await started(dataDir);
    expect((await fetch(`${second.url}/api/me`)).status).toBe(200);
  });
  test('a port that is in use', async () => {
    const holder = createServer();
    await new Promise<void>((done) => holder.listen(0, '127.0.0.1', done));
    const { port } = holder.address() as { port: number };
    expectSentence(refused({ DATA_DIR: freshDir(), PORT: String(port) }), /Port \d+ is in use/);
    holder.close();
  });
  test('an address this machine does not have', async () => {
    expectSentence(
      refused({ DATA_DIR: freshDir(), PORT: String(await freePort()), HOST: '192.0.2.1' }),
      /no address 192\.0\.2\.1/,
    );
  });
  test('a database a newer program wrote: nothing is touched', async () => {
    const dataDir = await filledDir();
    const file = join(dataDir, 'inchstep.sqlite');
    const client = new Database(file);
    client.prepare("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('new', 9999999999999)").run();
    client.pragma('journal_mode = DELETE');
    client.close();
    const before = readFileSync(file);
    expectSentence(refused({ DATA_DIR: dataDir, PORT: String(await freePort()) }), /newer Inch Step/);
    expect(readFileSync(file).equals(before)).toBe(true);
  });
  test.each([
    ['no database at all', () => Buffer.from('this is no database, and never was one. '.repeat(300))],
    [
      'a database with a hole',
      (bytes: Buffer) =>
        Buffer.concat([bytes.subarray(0, 4096), Buffer.alloc(20_000, 7), bytes.subarray(24_096)]),
    ],
    ['half a database', (bytes: Buffer) => bytes.subarray(0, Math.floor(bytes.length / 2))],
  ])('%s', async (_, spoil) => {
    const dataDir = await filledDir();
    const file = join(dataDir, 'inchstep.sqlite');
    writeFileSync(file, spoil(readFileSync(file)));
    const before = readFileSync(file);
    expectSentence(refused({ DATA_DIR: dataDir, PORT: String(await freePort()) }), /is damaged/);
    expect(readFileSync(file).equals(before)).toBe(true);
  });
  test('a database of another program', async () => {
    const dataDir = freshDir();
    mkdirSync(dataDir);
    const client = new Database(join(dataDir, 'inchstep.sqlite'));
    client.exec('CREATE TABLE students (a); INSERT INTO students VALUES (1)');
    client.close();
    expectSentence(
      refused({ DATA_DIR: dataDir, PORT: String(await freePort()) }),
      /no database of this program/,
    );
  });
  test('a file in the folder’s place', async () => {
    const dataDir = freshDir();
    writeFileSync(dataDir, 'a file');
    expectSentence(refused({ DATA_DIR: dataDir, PORT: String(await freePort()) }), /not a folder/);
  });
  test('a folder of somebody else’s', async () => {
    const dataDir = freshDir();
    mkdirSync(dataDir, { mode: 0o755 });
    const nobody = process.getuid?.() === 0 ? { uid: 65534, gid: 65534 } : {};
    if (process.getuid?.() !== 0) chmodSync(dataDir, 0o555);
    expectSentence(
      refused({ DATA_DIR: dataDir, PORT: String(await freePort()), HOME: '/tmp' }, nobody),
      /can’t be used by this user/,
    );
    expect(readdirSync(dataDir)).toEqual([]);
  });
});

describe('what is kept is the owner’s alone', () => {
  test('files and folders, also those an older program made readable to all', async () => {
    const dataDir = await filledDir();
    mkdirSync(join(dataDir, 'clips'), { recursive: true });
    mkdirSync(join(dataDir, 'outbox'), { recursive: true });
    chmodSync(dataDir, 0o755);
    for (const name of ['inchstep.sqlite', 'clips', 'outbox']) chmodSync(join(dataDir, name), 0o755);
    const { url } = await started(dataDir);
    const headers = { 'content-type': 'application/json', 'x-inchstep': '1' };
    await fetch(`${url}/api/setup`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ name: 'I', passphrase: 'a passphrase' }),
    });
    const open = ['.', ...readdirSync(dataDir)].filter(
      (name) => (statSync(join(dataDir, name)).mode & 0o077) !== 0,
    );
    expect(open).toEqual([]);
  });
});

/** Signs a first coach in and answers how to ask and send. */
async function coach(url: string) {
  const headers: Record<string, string> = { 'x-inchstep': '1' };
  const json = async (method: string, path: string, body?: unknown) =>
    fetch(`${url}${path}`, {
      method,
      headers: { ...headers, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  const made = await json('POST', urlOf(wire.care.setUp), {
    name: 'Ilse',
    passphrase: 'a passphrase for tests',
  });
  headers.cookie = String(made.headers.get('set-cookie')).split(';')[0] as string;
  return { json, headers };
}

/** The first part of an upload, which then stands still. */
function halfUpload(
  port: number,
  path: string,
  headers: Record<string, string>,
): Promise<import('node:net').Socket> {
  const head = [
    `POST ${path} HTTP/1.1`,
    `Host: 127.0.0.1:${port}`,
    ...Object.entries(headers).map(([name, value]) => `${name}: ${value}`),
    'Content-Type: multipart/form-data; boundary=xx',
    'Content-Length: 5000000',
    '',
    '--xx',
    'Content-Disposition: form-data; name="id"',
    '',
    randomUUID(),
    '--xx',
    'Content-Disposition: form-data; name="kind"',
    '',
    'face_on',
    '--xx',
    'Content-Disposition: form-data; name="recordedOn"',
    '',
    '2026-01-01',
    '--xx',
    'Content-Disposition: form-data; name="file"; filename="a.mp4"',
    'Content-Type: video/mp4',
    '',
    'x'.repeat(100_000),
  ].join('\r\n');
  return new Promise((done) => {
    const socket = connect(port, '127.0.0.1', () => socket.write(head, () => done(socket)));
    socket.on('error', () => undefined);
  });
}

const until = async (what: () => boolean): Promise<void> => {
  for (let i = 0; i < 200 && !what(); i++) await new Promise((done) => setTimeout(done, 50));
  expect(what()).toBe(true);
};

describe('uploads', () => {
  test('SIGTERM ends within ten seconds though a sender stands still; a kill’s half files are cleared by the next start', async () => {
    const dataDir = freshDir();
    const { child, port, url } = await started(dataDir);
    const { json, headers } = await coach(url);
    const id = randomUUID();
    expect((await json('POST', urlOf(wire.intake.listStudents), { id, profile })).status).toBe(200);
    const clips = () => (existsSync(join(dataDir, 'clips')) ? readdirSync(join(dataDir, 'clips')) : []);
    const sending = await halfUpload(port, urlOf(wire.capture.listClips, { id }), headers);
    await until(() => clips().length === 1);
    const began = Date.now();
    child.kill('SIGTERM');
    expect(await ended(child)).toBe(0);
    expect(Date.now() - began).toBeLessThan(10_000);
    sending.destroy();

    const second = await started(dataDir);
    expect(clips()).toEqual([]);
    const again = await halfUpload(second.port, urlOf(wire.capture.listClips, { id }), headers);
    await until(() => clips().length === 1);
    second.child.kill('SIGKILL');
    await ended(second.child);
    again.destroy();
    expect(clips()).toHaveLength(1);
    writeFileSync(join(dataDir, 'clips', `${'a'.repeat(64)}.mp4`), 'of no row');
    writeFileSync(join(dataDir, 'clips', 'notes-of-the-coach.txt'), 'not ours');
    await started(dataDir);
    expect(clips()).toEqual(['notes-of-the-coach.txt']);
  });
  test('broken multipart and a sender that goes away are the sender’s mistakes; nothing stays', async () => {
    const dataDir = freshDir();
    const { port, url } = await started(dataDir);
    const { json, headers } = await coach(url);
    const id = randomUUID();
    await json('POST', urlOf(wire.intake.listStudents), { id, profile });
    const broken = async (body: string, type = 'multipart/form-data; boundary=xx') =>
      (
        await fetch(`${url}/api/students/${id}/clips`, {
          method: 'POST',
          headers: { ...headers, 'content-type': type },
          body,
        })
      ).status;
    expect(await broken('--xx\r\nnonsense')).toBe(400);
    expect(await broken('')).toBe(400);
    expect(await broken('--xx--\r\n')).toBe(400);
    expect(await broken('x', 'multipart/form-data')).toBeGreaterThanOrEqual(400);
    expect(await broken('x', 'multipart/form-data')).toBeLessThan(500);
    const file = '--xx\r\nContent-Disposition: form-data; name="file"; filename="a.mp4"\r\n\r\nabc';
    expect(await broken(file)).toBe(400);
    const away = await halfUpload(port, urlOf(wire.capture.listClips, { id }), headers);
    const clips = () => (existsSync(join(dataDir, 'clips')) ? readdirSync(join(dataDir, 'clips')) : []);
    await until(() => clips().length === 1);
    away.destroy();
    await until(() => clips().length === 0);
    expect((await json('GET', urlOf(wire.capture.listClips, { id }))).status).toBe(200);
  });
});

/** A disk of its own, so small that it can be filled; null where this user may not make one. */
function smallDisk(): string | null {
  const place = freshDir();
  mkdirSync(place);
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=4m', 'tmpfs', place]).status !== 0) return null;
  mounted.push(place);
  return place;
}

describe('a full disk', () => {
  // Only the machine's owner may make a disk; elsewhere this is left out, and said to be.
  const disk = smallDisk();
  (disk ? test : test.skip)('refuses in words, and everything can still be read', async () => {
    const place = disk as string;
    const dataDir = join(place, 'data');
    const { url } = await started(dataDir);
    const { json } = await coach(url);
    const id = randomUUID();
    await json('POST', urlOf(wire.intake.listStudents), { id, profile });
    const link = (await (await json('POST', urlOf(wire.checkins.listLinks, { id }), { days: 9 })).json()) as {
      token: string;
    };
    fill(join(place, 'ballast'));
    let full = 0;
    for (let i = 0; i < 400 && full === 0; i++) {
      const answer = await json('POST', urlOf(wire.intake.listStudents), {
        id: randomUUID(),
        profile: { ...profile, aims: 'x'.repeat(900) },
      });
      if (answer.status !== 200) {
        full = answer.status;
        expect(((await answer.json()) as { code: string }).code).toBe('disk_full');
      }
    }
    expect(full).toBe(507);
    // A film on its way in pieces, too: begun or not, the phone hears what is the matter.
    const tus = { 'x-inchstep': '1', 'tus-resumable': '1.0.0' };
    const begun = await fetch(`${url}/api/page/${link.token}/pieces`, {
      method: 'POST',
      headers: { ...tus, 'upload-length': '900000' },
    });
    const at = begun.headers.get('location');
    const piece = at
      ? await fetch(url + at, {
          method: 'PATCH',
          headers: { ...tus, 'upload-offset': '0', 'content-type': 'application/offset+octet-stream' },
          body: new Uint8Array(900_000),
        })
      : begun;
    expect([piece.status, ((await piece.json()) as { code: string }).code]).toEqual([507, 'disk_full']);
    for (const path of [
      urlOf(wire.page.readPage, { token: link.token }),
      urlOf(wire.intake.listStudents),
      urlOf(wire.intake.readStudent, { id }),
      urlOf(wire.progress.listQueue),
      urlOf(wire.care.readCare),
    ])
      expect([path, (await json('GET', path)).status]).toEqual([path, 200]);
  });
});

function fill(path: string): void {
  const file = openSync(path, 'w');
  try {
    for (;;) writeSync(file, Buffer.alloc(64 * 1024));
  } catch {
    // Full.
  } finally {
    closeSync(file);
  }
}
