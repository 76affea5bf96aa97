import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { sendLetters } from '../../rooms/checkins/index.ts';
import { addStudent, type TestServer, takeDrills, testServer } from '../../testServer.ts';
import { exportStudent } from './studentArchive.ts';
import { type Row, rowsOfStudent } from './studentRows.ts';
import { clearArrivals } from './takeIn.ts';
import { openZip, writeWhole, zipOf } from './zips.ts';

let folder: string;
let from: TestServer;
let into: TestServer;
let wren: string;
const others: TestServer[] = [];

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'inchstep-arrivals-'));
  from = await testServer();
  wren = await addStudent(from, {
    firstName: 'Wren',
    familyName: 'Adeyemi',
    mail: { address: 'wren@golf.example', agreedOn: '2027-02-01' },
  });
});
afterAll(async () => {
  await from.stop();
  rmSync(folder, { recursive: true, force: true });
});
afterEach(async () => {
  for (const server of others.splice(0)) await server.stop();
});

async function fresh(): Promise<TestServer> {
  into = await testServer();
  others.push(into);
  return into;
}

type Doc = { rows: Record<string, unknown>[] };
type Change = Readonly<Record<string, (document: never) => unknown>>;

/** The export, with some of its files written anew. */
async function archive(changes: Change = {}, id = wren): Promise<Buffer> {
  const file = join(folder, `${randomUUID()}.zip`);
  await writeWhole(await exportStudent(from.ctx, id), file);
  const zip = await openZip(file);
  const parts = [];
  for (const entry of zip.entries.keys()) {
    const bytes = await zip.bytes(entry, 1e8);
    const change = changes[entry];
    const changed = change
      ? Buffer.from(JSON.stringify(change(JSON.parse(bytes.toString()) as never)))
      : bytes;
    parts.push({ name: entry, bytes: changed });
  }
  zip.close();
  const forged = join(folder, `${randomUUID()}.zip`);
  await writeWhole(zipOf(parts), forged);
  return readFileSync(forged);
}

const arrive = (file: Buffer) => into.upload(wire.care.receiveArchive, {}, file, {}, 'a.zip');
const keep = (ticket: string) => into.ask(wire.care.keepArrival, { id: ticket });
const rows = (table: string): Row[] => rowsOfStudent(into.ctx.db.$client, wren).get(table) ?? [];
const all = (sql: string) => into.ctx.db.$client.prepare(sql).all();
const nothingLeft = () => {
  for (const place of ['clips', 'arriving'])
    if (existsSync(join(into.dataDir, place))) expect(readdirSync(join(into.dataDir, place))).toEqual([]);
};

describe('a record that comes from elsewhere', () => {
  test('is shown before anything is kept, kept once, and let go without a trace', async () => {
    await fresh();
    const { body } = await arrive(await archive());
    expect(body).toMatchObject({ name: 'Wren Adeyemi', mail: 'wren@golf.example', drills: [], unsent: 0 });
    expect(all('SELECT * FROM students')).toEqual([]);
    await into.ask(wire.care.dropArrival, { id: body.ticket });
    nothingLeft();
    expect(await keep(body.ticket)).toMatchObject({ status: 404 });
    const again = (await arrive(await archive())).body.ticket;
    const both = await Promise.all([keep(again), keep(again)]);
    expect(both.map(({ status, body: said }) => [status, said.studentId])).toEqual([
      [200, wren],
      [200, wren],
    ]);
    expect(all('SELECT * FROM arrivals')).toEqual([]);
    expect((await arrive(await archive())).code).toBe('already_here');
    nothingLeft();
  });

  test('sends nothing: letters that waited stay the other program’s, and the address is agreed to again', async () => {
    await fresh();
    const to = [{ id: randomUUID(), studentId: wren }];
    await from.ask(wire.checkins.writeMessages, { body: { to, text: 'See you on Friday.' } });
    const { body } = await arrive(await archive());
    expect(body.unsent).toBe(1);
    await keep(body.ticket);
    into.at('2027-03-02T09:00:00');
    await sendLetters(into.ctx);
    expect(existsSync(join(into.dataDir, 'outbox'))).toBe(false);
    expect(rows('mails')).toMatchObject([
      { trouble: 'came_with_a_record', made_at: new Date('2027-03-01T09:00:00').toISOString() },
    ]);
    expect(JSON.parse(String(rows('students')[0]?.profile)).mail).toEqual({
      ...{ address: 'wren@golf.example', agreedOn: null },
    });
    // Where it was written it goes, once.
    from.at('2027-03-01T09:30:00');
    await sendLetters(from.ctx);
    await sendLetters(from.ctx);
    expect(readdirSync(join(from.dataDir, 'outbox'))).toHaveLength(1);
    from.at('2027-03-01T09:00:00');
  });

  test('opens no way in, stops no letters, and goes on with no lesson', async () => {
    await fresh();
    await from.ask(wire.checkins.makeLink, { id: wren, body: { days: 9 } });
    const row = (more: object) => (doc: Doc) => ({
      ...doc,
      rows: doc.rows.map((one) => ({ ...one, ...more })),
    });
    const { body } = await arrive(
      await archive({
        'mails.json': row({ stop_hash: 'a'.repeat(64) }),
        'links.json': row({ revoked_at: null }),
      }),
    );
    await keep(body.ticket);
    expect(rows('links').every(({ revoked_at }) => revoked_at !== null)).toBe(true);
    expect(rows('mails').every(({ stop_hash }) => stop_hash === null)).toBe(true);
  });

  test('holds no sign that can’t be seen, in whatever text', async () => {
    await fresh();
    const { body } = await arrive(
      await archive({
        'students.json': (doc: { rows: { profile: object }[] }) => ({
          ...doc,
          rows: doc.rows.map((one) => ({
            ...one,
            profile: { ...one.profile, firstName: '\u202eWr\u0000en\u001b[2J', aims: 'one\ntwo\u0007' },
          })),
        }),
      }),
    );
    expect(body.name).toBe('Wren[2J Adeyemi');
    await keep(body.ticket);
    expect(JSON.parse(String(rows('students')[0]?.profile)).aims).toBe('one\ntwo');
  });

  test('that is half in when the program stops is taken out at the next start', async () => {
    await fresh();
    const client = into.ctx.db.$client;
    client
      .prepare('INSERT INTO arrivals (student_id, at) VALUES (?, ?)')
      .run(wren, '2027-03-01T09:00:00.000Z');
    client.pragma('foreign_keys = OFF');
    for (const { id, student_id, at, kind, detail } of rowsOfStudent(from.ctx.db.$client, wren).get(
      'events',
    ) ?? [])
      client
        .prepare('INSERT INTO events (id, student_id, at, kind, detail) VALUES (?, ?, ?, ?, ?)')
        .run(id, student_id, at, kind, detail);
    client.pragma('foreign_keys = ON');
    expect(all('SELECT * FROM events')).not.toEqual([]);
    expect(clearArrivals(into.ctx)).toBe(1);
    expect([...all('SELECT * FROM events'), ...all('SELECT * FROM arrivals')]).toEqual([]);
    expect((await keep((await arrive(await archive())).body.ticket)).status).toBe(200);
  });

  test('whose rows clash with another student’s is refused, and nothing of it stays', async () => {
    await fresh();
    const other = await addStudent(into, { firstName: 'Gus' });
    const taken = rowsOfStudent(into.ctx.db.$client, other).get('events')?.[0]?.id;
    const { body } = await arrive(
      await archive({
        'events.json': (doc: Doc) => ({
          ...doc,
          rows: doc.rows.map((one, i) => (i === 0 ? { ...one, id: taken } : one)),
        }),
      }),
    );
    expect((await keep(body.ticket)).code).toBe('id_taken');
    expect([...rows('students'), ...rows('events'), ...all('SELECT * FROM arrivals')]).toEqual([]);
    expect(rowsOfStudent(into.ctx.db.$client, other).get('events')).not.toEqual([]);
    nothingLeft();
  });

  test.each<[string, Change]>([
    [
      'names itself twice in its drills',
      { 'own_drills.json': (d: { drills: object[] }) => ({ ...d, drills: [{}] }) },
    ],
    ['is nested without end', { 'plans.json': () => nested(4000) }],
    ['has a table that is none', { 'feels.json': () => ({ format: 'inchstep.feels/1', rows: 7 }) }],
  ])('that %s is refused', async (_, change) => {
    await fresh();
    const { status } = await arrive(await archive(change));
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    nothingLeft();
  });
});

function nested(depth: number): unknown {
  let value: unknown = 1;
  for (let i = 0; i < depth; i++) value = [value];
  return value;
}

const drill = (id: string, more: object = {}) => ({
  drill: {
    id,
    phase: 'back',
    fixes: [{ fault: 'lead_knee_collapse', strength: 3 }],
    aids: [],
    places: ['home', 'range'],
    ball: 'no',
    loads: {},
    cue: { kind: 'external', side: 'lead' },
    overdo: null,
    moves: ['lead_knee_in_top'],
    setup: [{ id: 'coin_gap', valueIn: 1, scales: false, plus: { share: 0.1, of: 'heightIn' } }],
  },
  words: {
    name: 'Coin under the knee',
    purpose: 'Keeps the lead knee over its own foot.',
    steps: ['Lay a coin on the floor.'],
    cue: 'Knee over the coin.',
    counts: 'The knee stayed over the coin.',
    fake: 'Turning less.',
    tooMuch: 'Hips that stop.',
    distances: { coin_gap: 'Coin to the other foot' },
  },
  basedOn: null,
  replaces: false,
  ...more,
});

describe('a coach’s own drills that come along', () => {
  let user: string;
  beforeAll(async () => {
    user = await addStudent(from, { firstName: 'Noor' });
    for (const id of ['own_coin', 'own_other'])
      await from.ask(wire.prescription.keepDrill, { id, body: drill(id) });
    await takeDrills(from, user, ['own_coin']);
  });
  const library = async () => (await into.ask(wire.prescription.listLibrary)).body;
  const take = async (changes: Change = {}) => {
    const arrived = await arrive(await archive(changes, user));
    if (arrived.status === 200) await keep(arrived.body.ticket);
    return arrived;
  };
  const everyDrill = (more: object) => (doc: { drills: object[] }) => ({
    ...doc,
    drills: doc.drills.map((one) => ({ ...one, ...more })),
  });

  test('come in put aside and in nobody’s place, and only those that the record names', async () => {
    await fresh();
    const { body } = await take({
      'own_drills.json': (doc: { drills: object[] }) => ({
        ...doc,
        drills: [
          ...doc.drills.map((one) => ({ ...one, basedOn: 'knee_swap', replaces: true })),
          { ...drill('own_stowaway'), replaces: true, basedOn: 'post_turn', retired: false },
        ],
      }),
    });
    expect(body.drills).toEqual([{ id: 'own_coin', name: 'Coin under the knee', state: 'new', differs: [] }]);
    expect(await library()).toMatchObject([{ drill: { id: 'own_coin' }, retired: true, replaces: false }]);
  });
  test('never change one that is here: what differs is shown, and ours stays', async () => {
    await fresh();
    await into.ask(wire.prescription.keepDrill, { id: 'own_coin', body: drill('own_coin') });
    const before = await library();
    const words = { ...drill('own_coin').words, cue: 'Jump.' };
    const { body } = await take({ 'own_drills.json': everyDrill({ words }) });
    expect(body.drills).toEqual([
      {
        ...{ id: 'own_coin', name: 'Coin under the knee', state: 'other' },
        differs: [{ path: 'words.cue', ours: '"Knee over the coin."', theirs: '"Jump."' }],
      },
    ]);
    expect((await library()).map(({ usedBy: _, ...entry }) => entry)).toEqual(
      before.map(({ usedBy: _, ...entry }) => entry),
    );
  });
  test('the same one is said to be the same', async () => {
    await fresh();
    await into.ask(wire.prescription.keepDrill, { id: 'own_coin', body: drill('own_coin') });
    expect((await take()).body.drills).toMatchObject([{ id: 'own_coin', state: 'same', differs: [] }]);
  });
  test('one that a coach could not keep is not taken in either', async () => {
    await fresh();
    const unfit = { ...drill('own_coin').drill, fixes: [{ fault: 'no_such_fault', strength: 3 }] };
    const { status } = await take({ 'own_drills.json': everyDrill({ drill: unfit }) });
    expect(status).toBe(400);
    expect(await library()).toEqual([]);
  });
});
