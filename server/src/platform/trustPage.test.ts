import type { AddressInfo } from 'node:net';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { readSettings } from './settings.ts';
import { StartRefusal } from './startRefusal.ts';
import { trustServer } from './trustPage.ts';

const server = trustServer({ authority: 'PEM OF THE AUTHORITY', fingerprint: 'AA:BB' });
let base = '';
beforeAll(async () => {
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => void server.close());

describe('the page of trust', () => {
  test('says what to do and by what the certificate is compared', async () => {
    const answer = await fetch(base);
    expect(answer.headers.get('content-security-policy')).toContain("default-src 'none'");
    const text = await answer.text();
    expect(text).toContain('AA:BB');
    expect(text).toContain('href="/authority.crt"');
    expect(text).toContain('lang="en"');
  });
  test('hands out the certificate as one', async () => {
    const answer = await fetch(`${base}/authority.crt`);
    expect(answer.headers.get('content-type')).toBe('application/x-x509-ca-cert');
    expect(await answer.text()).toBe('PEM OF THE AUTHORITY');
  });
  test.each([urlOf(wire.care.me), '/authority.key', '/../server.key', '/p/abc'])(
    'has nothing else: %s',
    async (path) => {
      expect((await fetch(base + path)).status).toBe(404);
    },
  );
  test('takes nothing in', async () => {
    expect((await fetch(base, { method: 'POST', body: 'x' })).status).toBe(405);
  });
});

test('a certificate of its own and one that is brought are two answers to one question', () => {
  expect(readSettings({ TLS_OWN: '1' }).tlsOwn).toBe(true);
  expect(readSettings({}).tlsOwn).toBe(false);
  expect(() => readSettings({ TLS_OWN: '1', TLS_CERT: '/x' })).toThrow(StartRefusal);
});
