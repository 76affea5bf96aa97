import { randomUUID } from 'node:crypto';
import { describe, expect, test } from '@jest/globals';
import { addStudent, OWN_PAGE, testServer } from '../testServer.ts';
import { clientKey } from './address.ts';
import { DEVICE_COOKIE, knownDevice, newDeviceMark } from './device.ts';
import { SlowDoor } from './slowDoor.ts';

// The tenth wrong passphrase waits for seconds.

const signIn = {
  method: 'POST' as const,
  url: '/api/sign-in',
  payload: { passphrase: 'a passphrase for tests' },
};

describe('behind a TLS proxy', () => {
  test('the cookie is Secure by the public address, and by the proxy’s word where that is trusted', async () => {
    const cookie = async (settings: object, headers: object) => {
      const server = await testServer(settings);
      const answer = await server.app.inject({ ...signIn, headers: { ...OWN_PAGE, ...headers } });
      await server.stop();
      return String(answer.headers['set-cookie']);
    };
    const forwarded = { 'x-forwarded-proto': 'https' };
    expect(await cookie({ publicUrl: 'https://golf.example' }, {})).toMatch(/; Secure/);
    expect(await cookie({ trustProxy: 1 }, forwarded)).toMatch(/; Secure/);
    expect(await cookie({ trustProxy: '127.0.0.1' }, forwarded)).toMatch(/; Secure/);
    expect(await cookie({}, forwarded)).not.toMatch(/Secure/);
    expect(await cookie({}, {})).toMatch(/HttpOnly; SameSite=Strict/);
  });
  test('a client’s address is the proxy’s word only where that is trusted', async () => {
    for (const [trustProxy, ip] of [
      [1, '203.0.113.7'],
      [false, '127.0.0.1'],
      ['192.0.2.1', '127.0.0.1'],
    ] as const) {
      const server = await testServer({ trustProxy, signedIn: false });
      let seen = '';
      server.app.addHook('onResponse', async (request) => {
        seen = request.ip;
      });
      // The last one was added by our proxy; what stands before it was the client's own claim.
      await server.app.inject({
        url: '/api/me',
        headers: { 'x-forwarded-for': '198.51.100.1, 203.0.113.7' },
      });
      expect(seen).toBe(ip);
      await server.stop();
    }
  });
  test('a busy link stops nobody else’s', async () => {
    const server = await testServer({ rateLimits: true });
    const tokens = [];
    for (const firstName of ['Gus', 'Mei']) {
      const id = await addStudent(server, { firstName });
      tokens.push(
        (await server.askAt<{ token: string }>('POST', `/api/students/${id}/links`, { days: 9 })).body.token,
      );
    }
    const [busy, other] = tokens;
    const seen = new Set<number>();
    for (let i = 0; i < 250; i++)
      seen.add((await server.askAt('GET', `/api/page/${busy}/clips/${randomUUID()}/file`)).status);
    expect([...seen].sort()).toEqual([404, 429]);
    expect((await server.askAt('GET', `/api/page/${other}`)).status).toBe(200);
    await server.stop();
  });
});

describe('wrong passphrases', () => {
  test('many at once are tried one after the other, a few at most; a device that was let in before opens at once', async () => {
    const server = await testServer({ rateLimits: true });
    // The door's own cookie of the device that set the program up is not sent by a guesser.
    const guess = (i: number) =>
      server.app.inject({
        method: 'POST',
        url: '/api/sign-in',
        headers: { ...OWN_PAGE },
        payload: { passphrase: `wrong ${i}` },
      });
    const answers = await Promise.all(Array.from({ length: 40 }, (_, i) => guess(i)));
    const said = answers.map(({ statusCode }) => statusCode);
    expect(said.filter((status) => status === 401)).toHaveLength(6);
    expect(said.filter((status) => status === 429)).toHaveLength(34);
    // The lane is full again; the coach's own device has another one.
    const again = Array.from({ length: 40 }, (_, i) => guess(i));
    const known = await server.app.inject({
      method: 'POST',
      url: '/api/sign-in',
      headers: { ...OWN_PAGE, cookie: `${DEVICE_COOKIE}=${newDeviceMark(server.ctx.db)}` },
      payload: { passphrase: 'a passphrase for tests' },
    });
    expect(known.statusCode).toBe(200);
    expect((await Promise.all(again)).every(({ statusCode }) => [401, 429].includes(statusCode))).toBe(true);
    await server.stop();
  });
  test('a session that somebody put into the browser before is never taken up, and a closed one opens nothing', async () => {
    const server = await testServer();
    const planted = 'a'.repeat(43);
    const sent = (cookie: string) =>
      server.app.inject({ ...signIn, headers: { ...OWN_PAGE, cookie: `inchstep_session=${cookie}` } });
    const tokens = [];
    for (const cookie of [planted, planted]) {
      const { cookies } = await sent(cookie);
      tokens.push(cookies.find(({ name }) => name === 'inchstep_session')?.value ?? '');
    }
    expect(new Set([...tokens, planted]).size).toBe(3);
    const opens = async (token: string) =>
      (await server.app.inject({ url: '/api/students', headers: { cookie: `inchstep_session=${token}` } }))
        .statusCode;
    expect(await Promise.all([planted, ...tokens].map(opens))).toEqual([401, 200, 200]);
    const out = { ...OWN_PAGE, cookie: `inchstep_session=${tokens[0]}` };
    await server.app.inject({ method: 'POST', url: '/api/sign-out', headers: out });
    expect(await Promise.all(tokens.map(opens))).toEqual([401, 200]);
    await server.stop();
  });
  test('a device’s mark is the program’s own: nobody makes one up', async () => {
    const server = await testServer();
    const mark = newDeviceMark(server.ctx.db);
    const [id, seal] = mark.split('.');
    expect(knownDevice(server.ctx.db, mark)).toBe(id);
    const other = newDeviceMark(server.ctx.db).split('.')[1];
    for (const made of [
      undefined,
      '',
      id,
      `${id}.`,
      `.${seal}`,
      `${id}.${other}`,
      `${id}.${seal}x`,
      `x${mark}`,
    ])
      expect(knownDevice(server.ctx.db, made)).toBeNull();
    await server.stop();
  });
  test('parallel tries of one client wait as long as tries one by one', async () => {
    const waits: number[] = [];
    const door = new SlowDoor(
      () => 0,
      async (ms) => {
        waits.push(ms);
      },
    );
    const wrong = () =>
      door
        .attempt({ client: 'a' }, () => Promise.reject(new Error('wrong')))
        .catch((error: Error) => error.message);
    const said = await Promise.all(Array.from({ length: 200 }, wrong));
    expect(waits).toEqual([250, 500, 1000]);
    expect(said.filter((word) => word === 'wrong')).toHaveLength(6);
    expect(said.filter((word) => word === 'too_many_requests')).toHaveLength(194);
  });
  test('who has left waits no longer; what had begun still counts', async () => {
    const leaving = new AbortController();
    let tried = 0;
    const door = new SlowDoor(
      () => 0,
      async () => undefined,
    );
    let finish = (): void => undefined;
    const running = door
      .attempt({ client: 'a', signal: leaving.signal }, async () => {
        tried++;
        await new Promise<void>((done) => {
          finish = done;
        });
        throw new Error('wrong');
      })
      .catch(() => 'counted');
    const waiting = Array.from({ length: 5 }, () =>
      door.attempt({ client: 'a', signal: leaving.signal }, async () => tried++).catch(() => 'gone'),
    );
    await new Promise((done) => setTimeout(done, 5));
    leaving.abort();
    expect(await Promise.all(waiting)).toEqual(Array(5).fill('gone'));
    // The lane is not free before the try that had begun is over.
    const next = door.attempt({ client: 'a' }, async () => tried);
    finish();
    expect([await running, await next]).toEqual(['counted', 1]);
  });
  test('slow a client down, more and more up to a bound; another client waits for nothing', async () => {
    let now = 0;
    const waits: number[] = [];
    const door = new SlowDoor(
      () => now,
      async (ms) => {
        waits.push(ms);
      },
    );
    const fail = () =>
      door.attempt({ client: 'a' }, () => Promise.reject(new Error('wrong'))).catch(() => undefined);
    for (let i = 0; i < 12; i++) await fail();
    expect(waits).toEqual([250, 500, 1000, 2000, 4000, 4000, 4000, 4000, 4000]);
    expect([door.waitMs('a'), door.waitMs('b')]).toEqual([4000, 0]);
    expect(await door.attempt({ client: 'a' }, async () => 'in')).toBe('in');
    expect(door.waitMs('a')).toBe(0);
    for (let i = 0; i < 12; i++) await fail();
    now += 16 * 60_000;
    expect(door.waitMs('a')).toBe(0);
  });
  test('a flood from one client does not keep another waiting behind it', async () => {
    const order: string[] = [];
    const door = new SlowDoor(
      () => 0,
      async () => undefined,
    );
    const one = (client: string) =>
      door.attempt({ client }, async () => {
        order.push(client);
        await new Promise((done) => setTimeout(done, 1));
      });
    await Promise.all([
      ...Array.from({ length: 20 }, () => one('flood').catch(() => undefined)),
      one('coach'),
    ]);
    expect(order.indexOf('coach')).toBeLessThan(6);
  });
  test('a household’s IPv6 addresses count as one client', () => {
    expect(clientKey('2001:db8:1:2:3:4:5:6')).toBe(clientKey('2001:db8:1:2::9'.replace('::', ':0:0:0:')));
    expect(clientKey('2001:db8::1')).toBe(clientKey('2001:0db8:0:0:ffff::2'));
    expect(clientKey('2001:db8::1')).not.toBe(clientKey('2001:db8:0:1::1'));
    expect(clientKey('::ffff:203.0.113.7')).toBe('203.0.113.7');
    expect(clientKey('203.0.113.7')).toBe('203.0.113.7');
  });
});
