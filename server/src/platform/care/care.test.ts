import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import type { Clip } from '@inchstep/contract/capture';
import { STUDENT_TABLES } from '@inchstep/contract/care';
import * as wire from '@inchstep/contract/endpoints';
import type { Endpoint } from '@inchstep/contract/wire';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { keepForecasts } from '../../rooms/progress/index.ts';
import { addStudent, clipBytes, markedSwing, type TestServer, testServer } from '../../testServer.ts';
import { projectRoot } from '../db.ts';
import { makeBackup } from './backup.ts';
import { carryOutErasures, finishErasures } from './erase.ts';
import { restoreBackup } from './restore.ts';
import { exportStudent } from './studentArchive.ts';
import { type Row, rowsOfStudent, studentTablesOf } from './studentRows.ts';
import { verifyFolder } from './verify.ts';
import { openZip, writeWhole, zipOf } from './zips.ts';

const quiet = () => undefined;
const NOW = new Date('2027-03-01T09:00:00Z');

let folder: string;
let server: TestServer;
let priya: string;
let gus: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'inchstep-care-'));
  server = await testServer();
  priya = await fullStudent('Priya', 'Ramanujan-Unique');
  gus = await addStudent(server, { firstName: 'Gus', familyName: 'Lindqvist' });
});
const READ_OF_STUDENT = [
  wire.capture.listClips,
  wire.capture.listSwings,
  wire.measures.listReadings,
  wire.diagnosis.listDiagnoses,
  wire.checkins.listCheckins,
  wire.practice.listSets,
  wire.intake.readThread,
  wire.practice.planNow,
  wire.practice.listGates,
  wire.progress.readProgress,
  wire.progress.readBrief,
];
afterAll(async () => {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

/** A student with a row in every table there is. */
async function fullStudent(firstName: string, familyName: string): Promise<string> {
  const id = await addStudent(server, { firstName, familyName, aids: ['stick'] });
  const _at = (path: string) => urlOf(wire.intake.readStudent, { id: `${id}${path}` });
  const clip = { id: randomUUID(), kind: 'face_on', recordedOn: '2027-03-01' };
  await server.upload(wire.capture.addClip, { id }, clipBytes('wren.face_on.mp4'), clip);
  const swing = markedSwing('priya-then');
  const views = swing.views.map((v) => (v.kind === 'face_on' ? { ...v, clipId: clip.id } : v));
  await server.ask(wire.capture.addSwing, { id, body: { ...swing, views } });
  await server.ask(wire.measures.measureSwing, { id: swing.id });
  const mat = `time_s,lead_pct\n${Array.from({ length: 20 }, (_, i) => `${i / 10},${40 + i}`).join('\n')}`;
  await server.ask(wire.capture.putPressure, {
    id: swing.id,
    body: {
      fileName: 'mat.csv',
      csv: mat,
      offsetSeconds: null,
    },
  });
  await server.ask(wire.capture.addShots, {
    id,
    body: {
      id: randomUUID(),
      recordedOn: '2027-03-01',
      swingId: swing.id,
      fileName: 'bay.csv',
      csv: 'carry\n150\n151',
      matches: [{ field: 'carryYd', column: 'carry', unit: 'yd', flipped: false }],
    },
  });
  const diagnosis = {
    id: randomUUID(),
    swingId: swing.id,
    findings: [{ id: 'obs.overswing', seen: 'present' }],
  };
  await server.ask(wire.diagnosis.diagnose, { id, body: diagnosis });
  await server.ask(wire.diagnosis.chooseWork, {
    id: diagnosis.id,
    body: { workOn: ['over_turn'], note: '' },
  });
  const drills = ['knee_swap'];
  await server.ask(wire.prescription.chooseDrills, {
    body: {
      id: randomUUID(),
      diagnosisId: diagnosis.id,
      drills,
      note: 'so',
    },
  });
  await server.ask(wire.practice.savePlan, {
    id,
    body: {
      id: randomUUID(),
      start: '2027-03-01',
      nextLesson: null,
      days: ['mon', 'wed'],
      minutesPerDay: {},
      placeByDay: {},
    },
  });
  const step = { drill: 'knee_swap', stage: 'still' };
  await server.ask(wire.practice.logSet, {
    id,
    body: {
      id: randomUUID(),
      date: '2027-03-01',
      ...step,
      reps: 'PPF',
      felt: 5,
    },
  });
  await server.ask(wire.practice.decideGate, {
    id,
    body: { id: randomUUID(), ...step, decision: 'hold', note: 'not yet' },
  });
  await server.ask(wire.prescription.noteFeel, {
    id,
    body: { id: randomUUID(), measure: 'turn_top', felt: 20, measured: 12 },
  });
  const lesson = { id: randomUUID(), day: '2027-03-01', begin: true };
  const { next } = (await server.ask(wire.checkins.listRequests, { id })).body;
  await server.ask(wire.checkins.askForClips, { id, body: { id: randomUUID(), ...next } });
  await server.ask(wire.intake.agreeLesson, { id, body: lesson });
  const note = { id: randomUUID(), tag: 'said', text: 'It goes round.' };
  await server.ask(wire.practice.addNote, { id, lessonId: lesson.id, body: note });
  const link = (await server.ask(wire.checkins.makeLink, { id, body: { days: 9 } })).body.token;
  const checkin = {
    id: randomUUID(),
    pain: true,
    painWhere: 'hip',
    note: '=1+1',
    felt: 3,
    clipIds: [clip.id],
  };
  await server.ask(wire.page.sendCheckin, { token: link, body: checkin });
  const picture = Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), Buffer.alloc(90)]);
  const enclosed = { id: randomUUID(), kind: 'picture', title: 'So', clipIds: clip.id };
  await server.upload(wire.checkins.enclose, { id: checkin.id }, picture, enclosed);
  await server.ask(wire.checkins.sendReply, { id: checkin.id, body: { id: randomUUID(), text: 'Rest.' } });
  await server.ask(wire.checkins.sendReplyNow, { id: checkin.id });
  const to = [{ id: randomUUID(), studentId: id }];
  await server.ask(wire.checkins.writeMessages, { body: { to, text: 'How is it?' } });
  await server.ask(wire.checkins.sendMessageNow, { id, messageId: to[0]?.id });
  await server.ask(wire.checkins.setAside, { id, body: { id: randomUUID(), until: '2027-03-09', note: '' } });
  await server.ask(wire.measures.forgetTeaching, { id, body: { id: randomUUID() } });
  // A date is told only of a gain over many days: here it is put where it would be kept.
  const said = { likely: '2027-04-01', lo80: '2027-03-20', hi80: '2027-05-01' };
  const told = {
    measure: 'turn_top',
    kind: 'in_band' as const,
    askedOn: '2027-03-01',
    cell: 'full off mid_iron',
  };
  keepForecasts(server.ctx.db, id, [{ ...told, ...said, lo: 80, hi: null }], '2027-03-01T09:00:00.000Z');
  return id;
}

const rows = (database: TestServer['ctx']['db']['$client'], id: string): Record<string, Row[]> =>
  Object.fromEntries(rowsOfStudent(database, id));

describe('the list of a student’s tables', () => {
  test('names every table and every column there is, so that nothing new is forgotten', () => {
    const client = server.ctx.db.$client;
    expect(STUDENT_TABLES.map(({ table }) => table).sort()).toEqual(studentTablesOf(client).sort());
    for (const { table, row } of STUDENT_TABLES) {
      const columns = (client.pragma(`table_info("${table}")`) as { name: string }[]).map(({ name }) => name);
      expect([table, ...Object.keys(row.shape).sort()]).toEqual([table, ...columns.sort()]);
    }
  });
  test('the student of these tests has a row in each', () => {
    const empty = Object.entries(rows(server.ctx.db.$client, priya)).filter(([, all]) => all.length === 0);
    expect(empty).toEqual([]);
  });
});

describe('a backup', () => {
  test('made while the program runs and restored elsewhere is the same in every row and every clip', async () => {
    const file = join(folder, 'one.zip');
    const seen: string[] = [];
    await makeBackup(server.dataDir, file, NOW, (what, done, of) => seen.push(`${what} ${done}/${of}`));
    expect(seen).toContain('database 1/1');
    expect(statSync(file).mode & 0o077).toBe(0);
    const place = join(folder, 'restored');
    await restoreBackup(file, place, quiet);
    const other = await testServer({ dataDir: place, signedIn: false });
    const all = (of: TestServer) => {
      const client = of.ctx.db.$client;
      const names = client
        .prepare("SELECT name FROM sqlite_master WHERE type='table'")
        .pluck()
        .all() as string[];
      return Object.fromEntries(names.map((name) => [name, client.prepare(`SELECT * FROM "${name}"`).all()]));
    };
    // What came after a backup is not in it: ways in that were closed since must not open again.
    const waysIn = { links: [], sessions: [] };
    expect({ ...all(other), ...waysIn }).toEqual({ ...all(server), ...waysIn });
    expect(all(other).sessions).toEqual([]);
    expect((all(other).links as Row[]).map(({ revoked_at }) => typeof revoked_at)).toEqual(['string']);
    for (const name of server.ctx.files.list())
      expect(
        readFileSync(other.ctx.files.pathOf(name)).equals(readFileSync(server.ctx.files.pathOf(name))),
      ).toBe(true);
    expect(other.ctx.files.list()).toEqual(server.ctx.files.list());
    expect(readdirSync(join(place, 'outbox'))).toEqual(readdirSync(join(server.dataDir, 'outbox')));
    await other.end();
    expect(await verifyFolder(place, NOW, quiet)).toMatchObject({ ok: true, found: [] });
  });
  test('is never written over another, nor into a folder that holds something', async () => {
    await expect(makeBackup(server.dataDir, join(folder, 'one.zip'), NOW, quiet)).rejects.toThrow(
      /there already/,
    );
    await expect(restoreBackup(join(folder, 'one.zip'), server.dataDir, quiet)).rejects.toThrow(/not empty/);
  });
  test.each([
    [
      'a byte changed in a clip',
      (bytes: Buffer) => bytes.writeUInt8((bytes.at(-40_000) as number) ^ 1, bytes.length - 40_000),
    ],
    ['cut off', (bytes: Buffer) => bytes.subarray(0, bytes.length - 5000)],
    ['no ZIP at all', () => Buffer.from('hello')],
  ])('%s is refused, and nothing is left', async (_, spoil) => {
    const bytes = readFileSync(join(folder, 'one.zip'));
    const spoilt = spoil(bytes);
    const file = join(folder, 'spoilt.zip');
    writeFileSync(file, Buffer.isBuffer(spoilt) ? spoilt : bytes);
    const place = join(folder, 'nothing');
    await expect(restoreBackup(file, place, quiet)).rejects.toThrow(/no whole backup/);
    expect(readdirSync(folder).filter((name) => name.startsWith('nothing'))).toEqual([]);
  });
  test('whose list leads out of the folder is refused', async () => {
    const file = join(folder, 'out.zip');
    const manifest = {
      format: 'inchstep.backup/1',
      madeAt: NOW.toISOString(),
      files: [{ name: '../gone.txt', bytes: 2, sha256: 'a'.repeat(64) }],
    };
    await writeWhole(zipOf([{ name: 'manifest.json', bytes: Buffer.from(JSON.stringify(manifest)) }]), file);
    await expect(restoreBackup(file, join(folder, 'nothing'), quiet)).rejects.toThrow(/no whole backup/);
  });
});

describe('the look through', () => {
  test('finds a clip that was changed, one that is missing, and rows that hang on nothing', async () => {
    const place = join(folder, 'look');
    await restoreBackup(join(folder, 'one.zip'), place, quiet);
    const other = await testServer({ dataDir: place, signedIn: false });
    const [name] = other.ctx.files.list();
    const client = other.ctx.db.$client;
    client.pragma('foreign_keys = OFF');
    client.prepare("DELETE FROM events WHERE kind = 'gate'").run();
    client.prepare("DELETE FROM writes WHERE what = 'set'").run();
    client.prepare('DELETE FROM diagnoses').run();
    await other.end();
    writeFileSync(join(place, 'clips', name as string), 'something else');
    const found = await verifyFolder(place, NOW, quiet);
    expect(found.ok).toBe(false);
    expect(found.found.map(({ code, about }) => [code, code.startsWith('clip') ? '' : about])).toEqual(
      expect.arrayContaining([
        ['keys', ''],
        ['events', 'gate'],
        ['unsigned', 'set_logs'],
        ['half', 'diagnoses'],
        ['clip_changed', ''],
      ]),
    );
  });
  test('a folder of before these doors opens, means the same, and is found whole', async () => {
    const place = mkdtempSync(join(folder, 'old-'));
    const old = readFileSync(join(projectRoot(), 'server', 'src', 'fixtures', 'demo-before-doors.sqlite.gz'));
    writeFileSync(join(place, 'inchstep.sqlite'), gunzipSync(old));
    const other = await testServer({
      dataDir: place,
      demo: true,
      signedIn: false,
      now: () => new Date('2026-11-26T12:00:00Z'),
    });
    await other.ask(wire.care.enterDemo);
    const { body } = await other.ask(wire.intake.listStudents);
    expect(body).toHaveLength(9);
    for (const { id } of body)
      for (const list of READ_OF_STUDENT) expect((await other.ask(list, { id })).status).toBe(200);
    expect((await other.ask(wire.progress.listQueue)).status).toBe(200);
    await other.end();
    const { found } = await verifyFolder(place, NOW, quiet);
    expect(found.filter(({ code }) => code !== 'clip_missing')).toEqual([]);
  });
});

const zipOfStudent = async (from: TestServer, id: string, name: string): Promise<string> => {
  const file = join(folder, name);
  rmSync(file, { force: true });
  await writeWhole(await exportStudent(from.ctx, id), file);
  return file;
};
const arrive = (into: TestServer, file: string) =>
  into.upload(wire.care.receiveArchive, {}, readFileSync(file), {}, 'student.zip');
/** A file is read and shown; on the coach's word it is taken over. */
async function takeIn(into: TestServer, file: string) {
  const shown = await arrive(into, file);
  if (shown.status !== 200) return shown;
  return into.ask(wire.care.keepArrival, { id: shown.body.ticket });
}

describe('a student’s export', () => {
  test('erased here and taken in again is the same, but for its way in, which stays closed', async () => {
    const before = rows(server.ctx.db.$client, priya);
    const file = await zipOfStudent(server, priya, 'priya.zip');
    expect((await takeIn(server, file)).code).toBe('already_here');
    await server.ask(wire.care.askErasure, { body: { id: randomUUID(), what: 'student', subjectId: priya } });
    server.at('2027-03-01T09:11:00');
    carryOutErasures(server.ctx);
    await finishErasures(server.ctx);
    expect((await server.ask(wire.intake.readStudent, { id: priya })).status).toBe(404);
    expect(await takeIn(server, file)).toMatchObject({ status: 200, body: { studentId: priya } });
    const after = rows(server.ctx.db.$client, priya);
    expect(after.links?.every(({ revoked_at }) => revoked_at !== null)).toBe(true);
    // The lesson that went on goes on no more.
    expect(after.lessons?.every(({ ended_at }) => ended_at !== null)).toBe(true);
    expect({ ...after, links: [], lessons: [] }).toEqual({ ...before, links: [], lessons: [] });
    server.at('2027-03-01T09:00:00');
  });
  test('is read elsewhere without loss: exported there it is the same again', async () => {
    const other = await testServer();
    const file = await zipOfStudent(server, priya, 'priya-1.zip');
    expect((await takeIn(other, file)).status).toBe(200);
    expect(rows(other.ctx.db.$client, priya)).toEqual(rows(server.ctx.db.$client, priya));
    const swings = await other.ask(wire.capture.listSwings, { id: priya });
    expect(swings.body).toHaveLength(1);
    for (const list of READ_OF_STUDENT) expect((await other.ask(list, { id: priya })).status).toBe(200);
    await other.stop();
  });
  test('holds JSON with versions, CSV, the clip and the letter; a cell is no formula', async () => {
    const zip = await openZip(await zipOfStudent(server, priya, 'priya-2.zip'));
    const names = [...zip.entries.keys()];
    expect(names).toEqual(
      expect.arrayContaining(['manifest.json', 'students.json', 'csv/sets.csv', 'csv/readings.csv']),
    );
    expect(names.some((name) => name.startsWith('clips/'))).toBe(true);
    expect(names.some((name) => name.startsWith('mails/'))).toBe(true);
    expect(JSON.parse((await zip.bytes('plans.json', 1e7)).toString()).format).toBe('inchstep.plans/1');
    expect((await zip.bytes('csv/sets.csv', 1e6)).toString()).toContain('knee_swap');
    zip.close();
  });

  /** The export with one of its files written anew. */
  async function forged(name: string, change: (document: never) => unknown): Promise<string> {
    const zip = await openZip(await zipOfStudent(server, priya, 'forge.zip'));
    const parts = [];
    for (const entry of zip.entries.keys()) {
      const bytes = await zip.bytes(entry, 1e8);
      parts.push({
        name: entry,
        bytes:
          entry === name ? Buffer.from(JSON.stringify(change(JSON.parse(bytes.toString()) as never))) : bytes,
      });
    }
    zip.close();
    const file = join(folder, 'forged.zip');
    rmSync(file, { force: true });
    await writeWhole(zipOf(parts), file);
    return file;
  }
  type Doc = { rows: Record<string, never>[] };
  test.each<[string, string, (d: never) => unknown]>([
    [
      'rows of somebody else',
      'set_logs.json',
      (d: Doc) => ({ ...d, rows: d.rows.map((r) => ({ ...r, student_id: randomUUID() })) }),
    ],
    [
      'a plan that is none',
      'plans.json',
      (d: Doc) => ({ ...d, rows: d.rows.map((r) => ({ ...r, body: { days: 'boom' } })) }),
    ],
    [
      'a file name that leads elsewhere',
      'clips.json',
      (d: Doc) => ({ ...d, rows: d.rows.map((r) => ({ ...r, file: '../../etc/passwd' })) }),
    ],
    [
      'a clip that is not in it',
      'clips.json',
      (d: Doc) => ({ ...d, rows: d.rows.map((r) => ({ ...r, file: `${'a'.repeat(64)}.mp4` })) }),
    ],
    [
      'a column that is none of ours',
      'holds.json',
      (d: Doc) => ({ ...d, rows: d.rows.map((r) => ({ ...r, '"; DROP TABLE students; --': 1 })) }),
    ],
    [
      'a reading of a swing that is not there',
      'readings.json',
      (d: Doc) => ({ ...d, rows: d.rows.map((r) => ({ ...r, swing_id: randomUUID() })) }),
    ],
    ['another student’s number', 'manifest.json', (d: object) => ({ ...d, studentId: randomUUID() })],
    ['a version to come', 'manifest.json', (d: object) => ({ ...d, format: 'inchstep.student/2' })],
  ])('%s: refused whole, and nothing of it stays', async (_, name, change) => {
    const other = await testServer();
    const { status, code } = await takeIn(other, await forged(name, change));
    expect([status, /^archive_/.test(code)]).toEqual([400, true]);
    expect((await other.ask(wire.intake.listStudents)).body).toEqual([]);
    expect(readdirSync(join(other.dataDir, 'clips'))).toEqual([]);
    await other.stop();
  });
  test('no ZIP at all is refused in words', async () => {
    const file = join(folder, 'no.zip');
    writeFileSync(file, 'hello');
    expect((await takeIn(server, file)).code).toBe('archive_unreadable');
  });
});

describe('erasing', () => {
  const erase = async (what: 'student' | 'clip', subjectId: string) => {
    const id = randomUUID();
    await server.ask(wire.care.askErasure, { body: { id, what, subjectId } });
    return id;
  };
  const state = async () => (await server.ask(wire.care.readCare)).body;

  test('says what would go, waits ten minutes, and can be taken back until then', async () => {
    const preview = await server.ask(wire.care.previewErasure, { what: 'student', subjectId: priya });
    expect(preview.body).toMatchObject({
      name: 'Priya Ramanujan-Unique',
      counts: { clips: 1, set_logs: 1, checkins: 1 },
    });
    const id = await erase('student', priya);
    server.at('2027-03-01T09:09:59');
    expect(carryOutErasures(server.ctx)).toBe(0);
    expect((await state()).erasures.at(-1)).toMatchObject({
      id,
      name: 'Priya Ramanujan-Unique',
      doneAt: null,
    });
    await server.ask(wire.care.takeBackErasure, { id });
    server.at('2027-03-01T10:00:00');
    expect(carryOutErasures(server.ctx)).toBe(0);
    expect((await server.ask(wire.intake.readStudent, { id: priya })).status).toBe(200);
    server.at('2027-03-01T09:00:00');
  });
  test('of one clip leaves the swing and the check-in without it', async () => {
    const [clip] = (await server.ask(wire.capture.listClips, { id: priya })).body as [Clip];
    await erase('clip', clip.id);
    server.at('2027-03-01T09:11:00');
    expect(carryOutErasures(server.ctx)).toBe(1);
    expect(await finishErasures(server.ctx)).toBe(0);
    expect((await server.ask(wire.capture.clipFile, { id: clip.id })).status).toBe(404);
    const [swing] = (await server.ask(wire.capture.listSwings, { id: priya })).body;
    expect(swing?.views.map(({ clipId }) => clipId)).toEqual([null, null]);
    expect((await server.ask(wire.checkins.listCheckins, { id: priya })).body[0]?.clips).toEqual([]);
    expect((await server.ask(wire.measures.listReadings, { id: priya })).status).toBe(200);
    expect(server.ctx.files.list()).toEqual([]);
    server.at('2027-03-01T09:00:00');
  });
  test('leaves bytes that another student’s clip uses, and takes all others', async () => {
    const upload = (student: string, name: string) =>
      server.upload(wire.capture.addClip, { id: student }, clipBytes(name), {
        id: randomUUID(),
        kind: 'face_on',
        recordedOn: '2027-03-01',
      });
    await upload(priya, 'wren.face_on.mp4');
    await upload(priya, 'gus.face_on.mp4');
    const shared = await upload(gus, 'wren.face_on.mp4');
    await erase('student', priya);
    server.at('2027-03-01T09:11:00');
    carryOutErasures(server.ctx);
    await finishErasures(server.ctx);
    expect(server.ctx.files.list()).toHaveLength(1);
    expect((await server.ask(wire.capture.clipFile, { id: shared.body.id })).status).toBe(200);
  });
  test('leaves no row, no letter, and no name anywhere in the folder; the receipt says how much went', async () => {
    const client = server.ctx.db.$client;
    for (const [, all] of rowsOfStudent(client, priya)) expect(all).toEqual([]);
    expect(readdirSync(join(server.dataDir, 'outbox'))).toEqual([]);
    const done = (await state()).erasures.at(-1);
    expect(done).toMatchObject({
      name: null,
      what: 'student',
      receipt: { students: 1, clips: 2, checkins: 1 },
    });
    expect(await finishErasures(server.ctx)).toBe(0);
    for (const name of readdirSync(server.dataDir).filter((entry) => entry.startsWith('inchstep.sqlite')))
      expect(readFileSync(join(server.dataDir, name)).includes('Ramanujan-Unique')).toBe(false);
    expect((await server.ask(wire.care.me)).body.erased).toBe(3);
    expect(await verifyFolder(server.dataDir, NOW, quiet)).toMatchObject({ ok: true });
  });
  test('what is not there can’t be erased', async () => {
    const answer = await server.ask(wire.care.askErasure, {
      body: {
        id: randomUUID(),
        what: 'student',
        subjectId: priya,
      },
    });
    expect(answer.status).toBe(404);
  });
});

describe('sessions, links and the passphrase', () => {
  test('every other session is ended with one press, and by a new passphrase', async () => {
    const here = server.cookie();
    const elsewhere = async () => {
      await server.ask(wire.care.signIn, { body: { passphrase: 'a passphrase for tests' } });
      return server.cookie();
    };
    const one = await elsewhere();
    const as = <E extends Endpoint>(cookie: string, endpoint: E, body?: object) =>
      server.ask(endpoint, { body } as object, { cookie });
    expect((await as(one, wire.intake.listStudents)).status).toBe(200);
    const listed = await as(one, wire.care.readCare);
    expect(listed.body.sessions.filter((s) => s.here)).toHaveLength(1);
    expect(listed.body.sessions.length).toBeGreaterThanOrEqual(2);
    await as(one, wire.care.endOtherSessions);
    expect((await as(here, wire.intake.listStudents)).status).toBe(401);
    const two = await elsewhere();
    const change = (before: string) =>
      as(two, wire.care.changePassphrase, { before, after: 'another passphrase' });
    expect((await change('wrong one here')).status).toBe(401);
    expect((await change('a passphrase for tests')).status).toBe(200);
    expect((await as(one, wire.intake.listStudents)).status).toBe(401);
    expect((await as(two, wire.intake.listStudents)).status).toBe(200);
    expect(
      (await server.ask(wire.care.signIn, { body: { passphrase: 'a passphrase for tests' } })).status,
    ).toBe(401);
    expect((await server.ask(wire.care.signIn, { body: { passphrase: 'another passphrase' } })).status).toBe(
      200,
    );
  });
  test('a link is listed with its last use and closed with one press', async () => {
    const token = (await server.ask(wire.checkins.makeLink, { id: gus, body: { days: 9 } })).body.token;
    await server.ask(wire.page.readPage, { token });
    const { links } = (await server.ask(wire.care.readCare)).body;
    expect(links).toEqual([
      expect.objectContaining({ name: 'Gus Lindqvist', lastUsedAt: expect.stringMatching(/^2027/) }),
    ]);
    await server.ask(wire.care.closeLink, { id: links[0]?.id });
    expect((await server.ask(wire.page.readPage, { token })).status).toBe(410);
    expect((await server.ask(wire.care.readCare)).body.links).toEqual([]);
  });
});
