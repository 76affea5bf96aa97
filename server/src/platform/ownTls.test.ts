import { createPrivateKey, X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, request } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, describe, expect, test } from '@jest/globals';
import { testServer } from '../testServer.ts';
import { ownNames, ownTls } from './ownTls.ts';
import { makeServer, permits } from './signing.ts';
import { StartRefusal } from './startRefusal.ts';

const folder = mkdtempSync(join(tmpdir(), 'inchstep-own-tls-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const NOW = new Date();
const days = (count: number) => new Date(NOW.getTime() + count * 86_400_000);
const NAMES = ['localhost', '127.0.0.1', 'bay', '192.168.7.20'];
const at = (when = NOW, names = NAMES) => ownTls(folder, when, { names });

describe('the program’s own certificate', () => {
  test('is signed by its authority, for every name and address, and no longer than phones take', async () => {
    const { cert, authority } = await at();
    const [own, root] = [new X509Certificate(cert), new X509Certificate(authority)];
    expect(own.verify(root.publicKey) && own.checkIssued(root)).toBe(true);
    expect([own.ca, root.ca]).toEqual([false, true]);
    for (const name of ['localhost', 'bay']) expect(own.checkHost(name)).toBe(name);
    for (const address of ['127.0.0.1', '192.168.7.20']) expect(own.checkIP(address)).toBe(address);
    expect(own.checkIP('192.168.7.21')).toBeUndefined();
    expect(Date.parse(own.validTo) - Date.parse(own.validFrom)).toBeLessThan(398 * 86_400_000);
  });
  test('is kept, and its keys are for this user’s eyes alone', async () => {
    expect((await at()).cert).toEqual((await at()).cert);
    for (const name of ['authority.key', 'server.key'])
      expect(statSync(join(folder, 'tls', name)).mode & 0o777).toBe(0o600);
  });
  test('a new address, or its last month, brings a new one under the same authority', async () => {
    const first = await at();
    const moved = await at(NOW, [...NAMES, '192.168.7.99']);
    expect(moved.cert).not.toEqual(first.cert);
    expect(new X509Certificate(moved.cert).checkIP('192.168.7.99')).toBe('192.168.7.99');
    expect(moved.fingerprint).toBe(first.fingerprint);
    // Another name is none that the authority may sign for, and after a year it runs out: phones are asked again.
    const named = await at(NOW, [...NAMES, 'range']);
    expect(named.fingerprint).not.toBe(first.fingerprint);
    const later = await at(days(340), [...NAMES, 'range']);
    expect([later.cert, later.fingerprint]).not.toEqual([named.cert, named.fingerprint]);
    expect(later.fingerprint).not.toBe(named.fingerprint);
    expect(first.fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
  });
  test('who trusts the authority is served; who doesn’t, is not', async () => {
    const tls = await ownTls(join(folder, 'served'), NOW, { names: NAMES });
    const server = await testServer({ tls });
    try {
      await server.app.listen({ port: 0, host: '127.0.0.1' });
      const { port } = server.app.server.address() as AddressInfo;
      const ask = (ca?: string) =>
        new Promise<number | string>((done) => {
          const asked = request(
            { host: 'localhost', port, path: urlOf(wire.care.me), ...(ca ? { ca } : {}) },
            (r) => {
              r.resume();
              done(r.statusCode ?? 0);
            },
          );
          asked.on('error', (error: { code?: string }) => done(error.code ?? 'refused'));
          asked.end();
        });
      expect(await ask(tls.authority)).toBe(200);
      expect(typeof (await ask())).toBe('string');
    } finally {
      await server.stop();
    }
  });
  test('a stop between key and certificate leaves nothing that can’t start', async () => {
    const broken = join(folder, 'broken');
    const first = await ownTls(broken, NOW, { names: NAMES });
    writeFileSync(join(broken, 'tls', 'server.key'), (await at()).key);
    const next = await ownTls(broken, NOW, { names: NAMES });
    expect(new X509Certificate(next.cert).checkPrivateKey(createPrivateKey(next.key))).toBe(true);
    expect(next.fingerprint).toBe(first.fingerprint);
  });
  test('its authority can sign for this machine and private networks alone, for a year', async () => {
    const place = join(folder, 'bounded');
    const { authority } = await ownTls(place, NOW, { names: NAMES });
    const root = new X509Certificate(authority);
    expect(Date.parse(root.validTo) - NOW.getTime()).toBeLessThanOrEqual(366 * 86_400_000);
    const key = readFileSync(join(place, 'tls', 'authority.key'), 'utf8');
    const lasting = { from: days(-1), until: days(300) };
    const askAs = async (names: string[], servername: string) => {
      const tls = await makeServer({ cert: authority, key }, names, lasting);
      const server = createServer(tls, (_, answer) => answer.end('in'));
      await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
      const { port } = server.address() as AddressInfo;
      const said = await new Promise<string>((done) => {
        const checkServerIdentity = () => undefined;
        const asked = request(
          { host: '127.0.0.1', port, servername, ca: authority, checkServerIdentity },
          (r) => {
            r.resume();
            done('in');
          },
        );
        asked.on('error', (error: { code?: string }) => done(error.code ?? 'refused'));
        asked.end();
      });
      server.close();
      return said;
    };
    expect(await askAs(['bay'], 'bay')).toBe('in');
    expect(await askAs(['192.168.99.1', '10.1.2.3'], '')).toBe('in');
    for (const foreign of [['bank.example'], ['203.0.113.7'], ['bay', 'mail.example']])
      expect([foreign, await askAs(foreign, 'bay')]).not.toEqual([foreign, 'in']);
  });
  test('an authority that could sign for anything is not used any more', async () => {
    const place = join(folder, 'older');
    const first = await ownTls(place, NOW, { names: NAMES });
    expect(permits(first.authority, NAMES)).toBe(true);
    const { cert } = await ownTls(join(folder, 'other'), NOW, { names: ['elsewhere'] });
    // A certificate without constraints stands for one of an older program.
    expect(permits(String(cert), NAMES)).toBe(false);
  });
  test('with words set, its key lies wrapped on the disk, also one that lay there in the clear', async () => {
    const place = join(folder, 'wrapped');
    const file = join(place, 'tls', 'authority.key');
    const plain = await ownTls(place, NOW, { names: NAMES });
    expect(readFileSync(file, 'utf8')).toContain('BEGIN PRIVATE KEY');
    const wrapped = await ownTls(place, NOW, { names: NAMES, passphrase: 'sheep in the fog' });
    expect(wrapped.fingerprint).toBe(plain.fingerprint);
    expect(readFileSync(file, 'utf8')).toContain('BEGIN ENCRYPTED PRIVATE KEY');
    for (const passphrase of [null, 'sheep in the sun'])
      await expect(ownTls(place, NOW, { names: NAMES, passphrase })).rejects.toThrow(StartRefusal);
    const again = await ownTls(place, NOW, { names: NAMES, passphrase: 'sheep in the fog' });
    expect(again.fingerprint).toBe(plain.fingerprint);
  });
  test('this machine has names', () => {
    expect(ownNames()).toEqual(expect.arrayContaining(['localhost', '127.0.0.1']));
  });
});
