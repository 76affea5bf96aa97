import { randomUUID } from 'node:crypto';
import { request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { connect } from 'node:net';
import { gzipSync } from 'node:zlib';
import type { Student } from '@inchstep/contract/intake';
import { ENDPOINTS } from '@inchstep/contract/wire/table';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, OWN_PAGE, type TestServer, testServer } from '../testServer.ts';
import { isOwnHost, isOwnOrigin, plainPath } from './address.ts';
import { SESSION_COOKIE } from './auth.ts';

let server: TestServer;
let student: string;
let port: number;
let token: string;
let dead: string;
beforeAll(async () => {
  server = await testServer();
  student = await addStudent(server);
  token = (await server.askAt<{ token: string }>('POST', `/api/students/${student}/links`, { days: 9 })).body
    .token;
  await server.app.listen({ port: 0, host: '127.0.0.1' });
  port = (server.app.server.address() as AddressInfo).port;
  dead = server.cookie();
  await server.askAt('POST', '/api/sign-out');
  await server.askAt('POST', '/api/sign-in', { passphrase: 'a passphrase for tests' });
});
afterAll(() => server.stop());

interface Sent {
  readonly status: number;
  readonly text: string;
}

/** Over a real socket, with the address just as it is written. */
const raw = (method: string, path: string, headers: Record<string, string> = {}): Promise<Sent> =>
  new Promise((done, fail) => {
    const sending = httpRequest({ host: '127.0.0.1', port, method, path, headers }, (answer) => {
      let text = '';
      answer.on('data', (chunk: Buffer) => {
        text += String(chunk);
      });
      answer.on('end', () => done({ status: answer.statusCode ?? 0, text }));
    });
    sending.on('error', fail);
    sending.end();
  });

/** Some value for each part of an address that is no id. */
const PARTS: Readonly<Record<string, string>> = {
  token: 'no-such-token',
  preset: 'centre_and_turn',
  what: 'student',
  deed: 'undo',
  code: 'x',
};
const filled = (path: string): string => path.replace(/:(\w+)/g, (_, name: string) => PARTS[name] ?? student);

/** Every endpoint that is not meant for everybody. */
const guarded = (): [method: string, path: string][] =>
  [...ENDPOINTS.values()]
    .filter(({ door }) => door !== 'anyone')
    .map(({ method, path }) => [method, filled(path)]);

test('every endpoint is mounted; only sign-in, setup, the demo and unsubscribing are open to anyone', () => {
  const missing = [...ENDPOINTS].filter(([, { method, path: url }]) => !server.app.hasRoute({ method, url }));
  expect(missing.map(([name]) => name)).toEqual([]);
  const open = [...ENDPOINTS].filter(([, { door }]) => door === 'anyone');
  expect(open.map(([name]) => name).sort()).toEqual([
    'care.enterDemo',
    'care.me',
    'care.setUp',
    'care.signIn',
    'care.signOut',
    'checkins.stopMail',
    'checkins.stopPage',
  ]);
});

test('an endpoint behind a link or a camera’s code opens to no coach', async () => {
  const behind = [...ENDPOINTS.values()].filter(({ door }) => door === 'link' || door === 'camera');
  expect(behind.length).toBeGreaterThan(25);
  for (const { method, path } of behind) {
    const { status } = await raw(method, filled(path), { ...OWN_PAGE, cookie: server.cookie() });
    expect(`${method} ${path} ${[401, 403, 404, 410].includes(status) || status}`).toBe(
      `${method} ${path} true`,
    );
  }
});

const hex = (letter: string): string => `%${letter.charCodeAt(0).toString(16)}`;

/** One address in many coats. */
const SPELLINGS: readonly [name: string, spell: (path: string) => string][] = [
  ['plain', (p) => p],
  ['first letter encoded', (p) => `/${hex('a')}${p.slice(2)}`],
  ['last letter of api encoded', (p) => p.replace('/api/', `/ap${hex('i')}/`)],
  ['wholly encoded api', (p) => p.replace('api', [...'api'].map(hex).join(''))],
  ['encoded slash', (p) => p.replace('/api/', '/api%2f')],
  ['encoded twice', (p) => p.replace('/api/', '/%2561pi/')],
  ['doubled slash', (p) => p.replace('/api/', '//api//')],
  ['dot segment', (p) => p.replace('/api/', '/api/./')],
  ['two dots', (p) => p.replace('/api/', '/assets/../api/')],
  ['encoded dots', (p) => p.replace('/api/', '/x/%2e%2e/api/')],
  ['capitals', (p) => p.replace('/api/', '/API/')],
  ['trailing slash', (p) => `${p}/`],
  ['trailing dot', (p) => `${p}.`],
  ['a file’s ending', (p) => `${p}.js`],
  ['semicolon', (p) => `${p};/assets/index.js`],
  ['query that looks open', (p) => `${p}?/api/docs/json`],
  ['back slash', (p) => p.replaceAll('/', '\\').replace('\\', '/')],
  ['nul', (p) => `${p}%00`],
  ['absolute form', (p) => `http://127.0.0.1:${port}${p}`],
  ['absolute form, elsewhere', (p) => `http://elsewhere.example${p}`],
];

const COMERS: readonly [name: string, headers: () => Record<string, string>, suffix?: () => string][] = [
  ['nobody', () => ({})],
  ['a dead session', () => ({ cookie: dead })],
  ['a link token as bearer', () => ({ authorization: `Bearer ${token}` })],
  ['a link token as cookie', () => ({ cookie: `${SESSION_COOKIE}=${token}` })],
  ['a link token as query', () => ({}), () => `?token=${token}`],
];

describe('every guarded route', () => {
  test('opens to no other spelling and no other comer', async () => {
    const routes = guarded();
    expect(routes.length).toBeGreaterThan(160);
    const opened: string[] = [];
    for (const [comer, headers, suffix] of COMERS)
      for (const [name, spell] of SPELLINGS) {
        const answers = await Promise.all(
          routes.map(async ([method, path]) => {
            const { status, text } = await raw(method, spell(path) + (suffix?.() ?? ''), {
              ...OWN_PAGE,
              ...headers(),
            });
            return { method, path, status, text };
          }),
        );
        for (const { method, path, status, text } of answers)
          if (status < 400 || text.includes('Priya'))
            opened.push(`${comer}, ${name}: ${method} ${path} ${status}`);
      }
    expect(opened).toEqual([]);
    const { body } = await server.askAt<Student[]>('GET', '/api/students');
    expect(body.map(({ archivedAt }) => archivedAt)).toEqual([null]);
  });

  test('with the right cookie the plain address does open, so that the walk above means something', async () => {
    const cookie = server.cookie();
    expect((await raw('GET', '/api/students', { cookie })).text).toContain('Priya');
    expect((await raw('GET', '/%61pi/students', { cookie })).text).toContain('Priya');
  });
});

describe('a change', () => {
  const archive = () => `/%61pi/students/${student}/archive`;
  const own = () => ({ ...OWN_PAGE, cookie: server.cookie(), host: `localhost:${port}` });
  test.each([
    ['from a foreign page', { origin: 'https://elsewhere.example' }, 403],
    ['from a page of another port', { origin: 'http://localhost:1' }, 403],
    ['from a page without an origin of its own', { origin: 'null' }, 403],
    ['that the browser calls cross-site', { 'sec-fetch-site': 'cross-site' }, 403],
    ['asked of a foreign name', { host: 'elsewhere.example' }, 421],
    ['asked of a name that begins like ours', { host: 'localhost.elsewhere.example' }, 421],
    ['without the header', { 'x-inchstep': '' }, 403],
  ])('%s is refused', async (_, more, status) => {
    expect((await raw('POST', archive(), { ...own(), ...more })).status).toBe(status);
  });
  test('of our own page is done', async () => {
    const path = `/api/students/${student}/archive`;
    expect((await raw('POST', path, { ...own(), origin: `http://localhost:${port}` })).status).toBe(200);
    expect((await raw('POST', `/api/students/${student}/restore`, own())).status).toBe(200);
    const older = { ...own(), 'x-inchstep': '', 'sec-fetch-site': 'same-origin' };
    expect((await raw('POST', `/api/students/${student}/archive`, older)).status).toBe(200);
    expect((await raw('POST', `/api/students/${student}/restore`, own())).status).toBe(200);
  });
  test('reading is held to our names, too: a name pointed at this machine reads nothing', async () => {
    const { status } = await raw('GET', '/api/students', {
      cookie: server.cookie(),
      host: 'rebound.example',
    });
    expect(status).toBe(421);
  });
});

test('a body that would swell when unpacked is not unpacked', async () => {
  const headers = { ...OWN_PAGE, 'content-type': 'application/json', 'content-encoding': 'gzip' };
  const sent = async (length: number) => {
    const payload = gzipSync(Buffer.from(`{"passphrase":"${'a'.repeat(length)}"}`));
    return (await server.app.inject({ method: 'POST', url: '/api/sign-in', headers, payload })).statusCode;
  };
  expect(await sent(100_000)).toBe(400);
  expect(await sent(40_000_000)).toBe(413);
});

test('an address that is none, and a request that is none, end in words', async () => {
  expect((await raw('GET', '/api/%zz')).status).toBe(400);
  const said = await new Promise<string>((done) => {
    const socket = connect(port, '127.0.0.1', () => socket.write('GARBAGE\r\n\r\n'));
    let text = '';
    socket.on('data', (chunk) => {
      text += String(chunk);
    });
    socket.on('close', () => done(text));
  });
  expect(said).toContain('400');
});

describe('links', () => {
  test('one student’s link writes and reads for that student alone', async () => {
    const other = await addStudent(server, { firstName: 'Gus', familyName: 'Lindqvist' });
    const swing = randomUUID();
    const page = await raw('GET', `/api/page/${token}`);
    expect(page.text).toContain('Priya');
    expect(page.text).not.toContain('Gus');
    for (const path of [`/api/students/${other}`, `/api/swings/${swing}`, '/api/queue'])
      expect((await raw('GET', path, { authorization: token })).status).toBe(401);
  });
});

describe('names the program goes by', () => {
  test.each([
    ['localhost:4310', null, true],
    ['127.0.0.1:4310', null, true],
    ['[::1]:4310', null, true],
    ['golf.example', 'https://golf.example', true],
    ['golf.example:443', 'https://golf.example', true],
    ['golf.example', null, false],
    ['93.184.216.34', null, false],
    ['127.0.0.1.elsewhere.example', null, false],
    ['localhost@elsewhere.example', null, false],
    ['a b', null, false],
  ])('%s with %s: %s', (host, publicUrl, own) => {
    expect(isOwnHost(host, publicUrl)).toBe(own);
  });
  test.each([
    [undefined, 'localhost:4310', null, true],
    ['http://localhost:4310', 'localhost:4310', null, true],
    ['https://golf.example', 'golf.example', 'https://golf.example', true],
    ['https://golf.example', '127.0.0.1:4310', 'https://golf.example', true],
    ['http://golf.example', '127.0.0.1:4310', 'https://golf.example', false],
    ['http://localhost:4311', 'localhost:4310', null, false],
    ['null', 'localhost:4310', null, false],
    ['file://', 'localhost:4310', null, false],
  ])('origin %s at %s: %s', (origin, host, publicUrl, own) => {
    expect(isOwnOrigin(origin, host, publicUrl)).toBe(own);
  });
  test.each([
    ['/%61pi/students', '/api/students'],
    ['//API//x/../students/', '/api/students'],
    ['/%2561pi', '/api'],
    ['http://x/api/a?b', '/api/a'],
    ['/api;x', '/api'],
  ])('%s means %s', (spelled, plain) => {
    expect(plainPath(spelled)).toBe(plain);
  });
});
