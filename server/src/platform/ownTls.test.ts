import { createPrivateKey, X509Certificate } from 'node:crypto';
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { testServer } from '../testServer.ts';
import { ownNames, ownTls } from './ownTls.ts';

const folder = mkdtempSync(join(tmpdir(), 'inchstep-own-tls-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const NOW = new Date();
const days = (count: number) => new Date(NOW.getTime() + count * 86_400_000);
const NAMES = ['localhost', '127.0.0.1', 'bay', '192.168.7.20'];
const at = (when = NOW, names = NAMES) => ownTls(folder, when, names);

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
    const later = await at(days(370), [...NAMES, '192.168.7.99']);
    expect(later.cert).not.toEqual(moved.cert);
    expect([moved.fingerprint, later.fingerprint]).toEqual([first.fingerprint, first.fingerprint]);
    expect(first.fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
  });
  test('who trusts the authority is served; who doesn’t, is not', async () => {
    const tls = await ownTls(join(folder, 'served'), NOW, NAMES);
    const server = await testServer({ tls });
    try {
      await server.app.listen({ port: 0, host: '127.0.0.1' });
      const { port } = server.app.server.address() as AddressInfo;
      const ask = (ca?: string) =>
        new Promise<number | string>((done) => {
          const asked = request({ host: 'localhost', port, path: '/api/me', ...(ca ? { ca } : {}) }, (r) => {
            r.resume();
            done(r.statusCode ?? 0);
          });
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
    const first = await ownTls(broken, NOW, NAMES);
    writeFileSync(join(broken, 'tls', 'server.key'), (await at()).key);
    const next = await ownTls(broken, NOW, NAMES);
    expect(new X509Certificate(next.cert).checkPrivateKey(createPrivateKey(next.key))).toBe(true);
    expect(next.fingerprint).toBe(first.fingerprint);
  });
  test('this machine has names', () => {
    expect(ownNames()).toEqual(expect.arrayContaining(['localhost', '127.0.0.1']));
  });
});
