import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { testServer } from '../testServer.ts';
import { StartRefusal } from './startRefusal.ts';
import { tlsFrom } from './tls.ts';

const folder = mkdtempSync(join(tmpdir(), 'inchstep-tls-'));
const at = (name: string) => join(folder, name);
const NOW = new Date('2026-11-27T12:00:00Z');

/** A certificate for this test alone. */
function make(name: string): void {
  const subject = ['-subj', '/CN=localhost', '-addext', 'subjectAltName=DNS:localhost,IP:127.0.0.1'];
  const files = ['-keyout', at(`${name}.key`), '-out', at(`${name}.pem`)];
  const kind = ['-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:P-256', '-nodes'];
  execFileSync('openssl', ['req', '-x509', ...kind, ...files, '-days', '400', ...subject], {
    stdio: 'ignore',
  });
}

beforeAll(() => {
  make('ours');
  make('other');
  writeFileSync(at('text.pem'), 'not a certificate');
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const read = (cert: string | null, key: string | null, now = NOW) =>
  tlsFrom({ ...(cert ? { TLS_CERT: at(cert) } : {}), ...(key ? { TLS_KEY: at(key) } : {}) }, now);

describe('a certificate of one’s own', () => {
  test('is not needed', () => expect(read(null, null)).toBeNull());
  test.each<[string, string | null, string | null, RegExp]>([
    ['a key alone', null, 'ours.key', /TLS_KEY is given without TLS_CERT/],
    ['a certificate alone', 'ours.pem', null, /TLS_CERT is given without TLS_KEY/],
    ['a file that is not there', 'none.pem', 'ours.key', /TLS_CERT is “.*none.pem”: this file can't be read/],
    ['no certificate', 'text.pem', 'ours.key', /this is no certificate/],
    ['somebody else’s key', 'ours.pem', 'other.key', /it is no key of the certificate/],
  ])('%s is one sentence', (_, cert, key, says) => {
    expect(() => read(cert, key)).toThrow(StartRefusal);
    expect(() => read(cert, key)).toThrow(says);
  });
  test('one that ran out is one sentence', () => {
    expect(() => read('ours.pem', 'ours.key', new Date('2040-01-01'))).toThrow(/it ran out on 20/);
  });
  test('answers over TLS, with a cookie that goes over TLS alone', async () => {
    const tls = read('ours.pem', 'ours.key');
    const server = await testServer({ tls });
    await server.app.listen({ port: 0, host: '127.0.0.1' });
    const { port } = server.app.server.address() as AddressInfo;
    const answer = await new Promise<{ status: number; cookie: string }>((done, fail) => {
      const body = JSON.stringify({ passphrase: 'a passphrase for tests' });
      const asked = request(
        {
          port,
          host: '127.0.0.1',
          path: urlOf(wire.care.signIn),
          method: 'POST',
          ca: tls?.cert,
          headers: { 'content-type': 'application/json', 'x-inchstep': '1', host: `localhost:${port}` },
        },
        (said) => {
          said.resume();
          done({ status: said.statusCode ?? 0, cookie: String(said.headers['set-cookie']) });
        },
      );
      asked.on('error', fail);
      asked.end(body);
    });
    expect(answer.status).toBe(200);
    expect(answer.cookie).toMatch(/; Secure/);
    await server.stop();
  });
});
