import { randomUUID } from 'node:crypto';
import { describe, expect, jest, test } from '@jest/globals';
import { addStudent, OWN_PAGE, testServer } from '../testServer.ts';
import { clientKey } from './address.ts';
import { SlowDoor } from './slowDoor.ts';

// The tenth wrong passphrase waits for seconds.
jest.setTimeout(60_000);

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
        (await server.ask<{ token: string }>('POST', `/api/students/${id}/links`, { days: 9 })).body.token,
      );
    }
    const [busy, other] = tokens;
    const seen = new Set<number>();
    for (let i = 0; i < 250; i++)
      seen.add((await server.ask('GET', `/api/page/${busy}/clips/${randomUUID()}/file`)).status);
    expect([...seen].sort()).toEqual([404, 429]);
    expect((await server.ask('GET', `/api/page/${other}`)).status).toBe(200);
    await server.stop();
  });
});

describe('wrong passphrases', () => {
  test('ten of them, then the right one opens', async () => {
    const server = await testServer({ rateLimits: true });
    const wrong = Array.from({ length: 10 }, (_, i) =>
      server.ask('POST', '/api/sign-in', { passphrase: `wrong ${i}` }),
    );
    expect((await Promise.all(wrong)).map(({ status }) => status)).toEqual(Array(10).fill(401));
    expect((await server.ask('POST', '/api/sign-in', { passphrase: 'a passphrase for tests' })).status).toBe(
      200,
    );
    await server.stop();
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
    const fail = () => door.attempt('a', () => Promise.reject(new Error('wrong'))).catch(() => undefined);
    for (let i = 0; i < 12; i++) await fail();
    expect(waits).toEqual([250, 500, 1000, 2000, 4000, 4000, 4000, 4000, 4000]);
    expect([door.waitMs('a'), door.waitMs('b')]).toEqual([4000, 0]);
    expect(await door.attempt('a', async () => 'in')).toBe('in');
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
      door.attempt(client, async () => {
        order.push(client);
        await new Promise((done) => setTimeout(done, 1));
      });
    await Promise.all([...Array.from({ length: 20 }, () => one('flood')), one('coach')]);
    expect(order.indexOf('coach')).toBeLessThan(6);
  });
  test('a household’s IPv6 addresses count as one client', () => {
    expect(clientKey('2001:db8:1:2:3:4:5:6')).toBe(clientKey('2001:db8:1:2::9'.replace('::', ':0:0:0:')));
    expect(clientKey('::ffff:203.0.113.7')).toBe('203.0.113.7');
  });
});
