import { randomUUID } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import Database from 'better-sqlite3';
import { addStudent, clipBytes, type TestServer, testServer } from '../../testServer.ts';
import { makeBackup } from './backup.ts';
import { carryOutErasures, finishErasures } from './erase.ts';
import { restoreBackup } from './restore.ts';
import { verifyFolder } from './verify.ts';
import { writeWhole, zipOf } from './zips.ts';

const NAME = 'Quixwell-Unlikely';
const NOW = new Date('2027-03-01T09:12:00');
const quiet = () => undefined;
const places = mkdtempSync(join(tmpdir(), 'inchstep-journal-'));
afterAll(() => rmSync(places, { recursive: true, force: true }));

let server: TestServer;
let student: string;
beforeEach(async () => {
  server = await testServer();
  student = await addStudent(server, { familyName: NAME });
  await server.upload(wire.capture.addClip, { id: student }, clipBytes('wren.face_on.mp4'), {
    ...{ id: randomUUID(), kind: 'face_on', recordedOn: '2027-03-01' },
  });
  await server.ask(wire.care.askErasure, { body: { id: randomUUID(), what: 'student', subjectId: student } });
  server.at('2027-03-01T09:11:00');
});
afterEach(async () => {
  rmSync(server.dataDir, { recursive: true, force: true });
});

/** Whether the name can be read anywhere in a folder. */
const isLeft = (folder: string): boolean =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .some((entry) => readFileSync(join(entry.parentPath, entry.name)).includes(NAME));
const verify = async () => (await verifyFolder(server.dataDir, NOW, quiet)).found;

describe('erasing that is stopped in the middle', () => {
  test('goes on at the next start until nothing is left: rows, log, clip, pieces, letter', async () => {
    const pieces = join(server.dataDir, 'pieces');
    mkdirSync(pieces, { recursive: true });
    const id = 'a'.repeat(32);
    writeFileSync(join(pieces, id), NAME);
    writeFileSync(
      join(pieces, `${id}.json`),
      JSON.stringify({ id, size: 100, offset: 0, metadata: { owner: `page/${student}`, fileName: NAME } }),
    );
    expect(carryOutErasures(server.ctx)).toBe(1);
    // Killed here: the rows are gone, what lies beside them is not.
    expect(isLeft(server.dataDir)).toBe(true);
    expect(await verify()).toEqual([{ code: 'to_erase', about: 'erasures', count: 1 }]);
    await server.end();
    const again = await testServer({ dataDir: server.dataDir, signedIn: false });
    again.at('2027-03-01T09:12:00');
    expect(await finishErasures(again.ctx)).toBe(0);
    expect(await verify()).toEqual([]);
    expect(isLeft(server.dataDir)).toBe(false);
    expect(readdirSync(pieces)).toEqual([]);
    expect(again.ctx.files.list()).toEqual([]);
    await again.end();
  });

  test('is not said to be done while somebody still reads the old pages', async () => {
    const reader = new Database(join(server.dataDir, 'inchstep.sqlite'), { readonly: true });
    reader.exec('BEGIN');
    reader.prepare('SELECT count(*) FROM students').get();
    carryOutErasures(server.ctx);
    expect(await finishErasures(server.ctx)).toBe(1);
    expect(await verify()).toMatchObject([{ code: 'to_erase' }]);
    reader.exec('COMMIT');
    reader.close();
    expect(await finishErasures(server.ctx)).toBe(0);
    expect(await verify()).toEqual([]);
    await server.end();
    expect(isLeft(server.dataDir)).toBe(false);
  });

  test('one that is due and was not begun is said, too; one that waits its ten minutes is not', async () => {
    expect(await verify()).toEqual([{ code: 'to_erase', about: 'erasures', count: 1 }]);
    expect((await verifyFolder(server.dataDir, new Date('2027-03-01T08:00:00'), quiet)).found).toEqual([]);
    expect(await verifyFolder(server.dataDir, NOW, quiet)).toMatchObject({ ok: true });
    await server.end();
  });
});

describe('a backup that came from somebody else', () => {
  /** A whole backup of this server, with its database changed. */
  async function forged(name: string, change: (client: Database.Database) => void): Promise<string> {
    const { createHash } = await import('node:crypto');
    const whole = join(places, `${name}.whole.zip`);
    await makeBackup(server.dataDir, whole, NOW, quiet);
    const unpacked = join(places, `${name}-unpacked`);
    await restoreBackup(whole, unpacked, quiet);
    const path = join(unpacked, 'inchstep.sqlite');
    const client = new Database(path);
    change(client);
    client.pragma('journal_mode = DELETE');
    client.close();
    const bytes = readFileSync(path);
    const clips = readdirSync(join(unpacked, 'clips'));
    const parts = [
      { name: 'inchstep.sqlite', bytes },
      ...clips.map((file) => ({ name: `clips/${file}`, bytes: readFileSync(join(unpacked, 'clips', file)) })),
    ];
    const files = parts.map((part) => ({
      name: part.name,
      bytes: part.bytes.length,
      sha256: createHash('sha256').update(part.bytes).digest('hex'),
    }));
    const manifest = { format: 'inchstep.backup/1', madeAt: NOW.toISOString(), files };
    const file = join(places, `${name}.zip`);
    await writeWhole(
      zipOf([{ name: 'manifest.json', bytes: Buffer.from(JSON.stringify(manifest)) }, ...parts]),
      file,
    );
    return file;
  }
  const restored = join(places, 'restored');
  test.each<[string, (client: Database.Database) => void]>([
    ['a trigger', (c) => c.exec('CREATE TRIGGER t AFTER INSERT ON students BEGIN DELETE FROM holds; END')],
    ['a view in place of a table', (c) => c.exec('CREATE VIEW everybody AS SELECT * FROM students')],
    ['a table with a reader of its own', (c) => c.exec('CREATE VIRTUAL TABLE words USING fts5(text)')],
    ['one column more', (c) => c.exec("ALTER TABLE holds ADD COLUMN more text DEFAULT 'x'")],
    ['a table less', (c) => c.exec('PRAGMA foreign_keys = OFF; DROP TABLE holds')],
  ])('with %s is refused whole', async (name, change) => {
    const file = await forged(name.replaceAll(' ', '-'), change);
    await server.end();
    await expect(restoreBackup(file, restored, quiet)).rejects.toThrow(/no Inch Step wrote/);
    expect(existsSync(restored)).toBe(false);
  });
  test('unchanged it is taken, and opens no link and no session', async () => {
    await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } });
    const file = await forged('unchanged', () => undefined);
    await server.end();
    await restoreBackup(file, restored, quiet);
    const client = new Database(join(restored, 'inchstep.sqlite'), { readonly: true });
    expect(client.prepare('SELECT count(*) FROM sessions').pluck().get()).toBe(0);
    expect(client.prepare('SELECT count(*) FROM links WHERE revoked_at IS NULL').pluck().get()).toBe(0);
    expect(client.prepare('SELECT count(*) FROM links').pluck().get()).toBe(1);
    client.close();
  });
});
