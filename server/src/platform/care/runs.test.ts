import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Care } from '@inchstep/contract/care';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, type TestServer, testServer } from '../../testServer.ts';
import { Runs } from './runs.ts';

// Each run is a process of its own.

let backupDir: string;
let server: TestServer;
beforeAll(async () => {
  backupDir = mkdtempSync(join(tmpdir(), 'inchstep-runs-'));
  server = await testServer({ backupDir });
  await addStudent(server);
});
afterAll(async () => {
  await server.stop();
  rmSync(backupDir, { recursive: true, force: true });
});

const zips = () => readdirSync(backupDir).filter((name) => name.endsWith('.zip'));
const until = async (what: () => boolean) => {
  for (let i = 0; i < 400 && !what(); i++) await new Promise((done) => setTimeout(done, 50));
  expect(what()).toBe(true);
};

describe('the night’s backup', () => {
  test('is made once a night, after three, read back, and what a stopped one left is cleared', async () => {
    const runs = new Runs(server.ctx);
    writeFileSync(join(backupDir, 'inchstep-2027-02-28-030000.zip.making'), 'half');
    server.at('2027-03-02T02:59:00');
    runs.nightly();
    expect(runs.running).toBeNull();
    server.at('2027-03-02T03:01:00');
    runs.nightly();
    expect(runs.running).not.toBeNull();
    runs.nightly();
    await until(() => runs.running === null && zips().length === 1);
    await until(() => runs.backups()[0]?.verifiedAt !== null);
    expect(runs.trouble).toBeNull();
    server.at('2027-03-02T12:00:00');
    runs.nightly();
    expect(runs.running).toBeNull();
    expect(readdirSync(backupDir)).toEqual(zips());
  });
  test('lets old ones go by the rota, and touches nothing that is not its own', async () => {
    for (let day = 1; day <= 28; day++)
      writeFileSync(join(backupDir, `inchstep-2027-01-${String(day).padStart(2, '0')}-030000.zip`), 'old');
    writeFileSync(join(backupDir, 'holiday.zip'), 'the coach’s');
    server.at('2027-03-03T03:01:00');
    await new Runs(server.ctx).backup();
    const kept = zips().filter((name) => name.startsWith('inchstep'));
    expect(kept.length).toBeLessThanOrEqual(11);
    expect(kept).toEqual(
      expect.arrayContaining([expect.stringContaining('2027-03-02'), expect.stringContaining('2027-03-03')]),
    );
    expect(existsSync(join(backupDir, 'holiday.zip'))).toBe(true);
  });
  test('from the screen: begun with one press, shown while it runs, one at a time', async () => {
    server.at('2027-03-04T12:00:00');
    expect((await server.ask(wire.care.beginLook)).status).toBe(200);
    expect((await server.refused(wire.care.beginBackup)).body.code).toBe('busy');
    const care = async () => (await server.ask(wire.care.readCare)).body;
    expect((await care()).running?.what).toBe('verify');
    let found: Care['verified'] = null;
    for (let i = 0; i < 200 && !found; i++) {
      await new Promise((done) => setTimeout(done, 50));
      found = (await care()).verified;
    }
    expect(found).toMatchObject({ ok: true });
  });
  test('without a folder it says so', async () => {
    const bare = await testServer();
    expect((await bare.refused(wire.care.beginBackup)).body.code).toBe('no_backup_folder');
    await bare.stop();
  });
});
