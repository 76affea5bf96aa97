import { createHash, randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Random, seededRandom } from '@inchstep/core/foundation';
import Database from 'better-sqlite3';
import { CLIPS, type RunningServer, startServer } from '../program.ts';
import { Caller } from './people.ts';

export interface Endured {
  kills: number;
  acknowledged: number;
  unanswered: number;
  /** Acknowledged and not there after the kill, or not as it was sent. */
  lost: number;
  /** There more than once, or with more than one word in the thread. */
  doubled: number;
  /** A row without its event or its note, a clip's row without its file, a file that is not whole. */
  half: number;
}

interface Sent {
  readonly kind: 'set' | 'checkin' | 'reply' | 'clip';
  readonly id: string;
  readonly send: (caller: Caller) => Promise<number>;
}

const CLIENTS = 4;
const CLIP = readFileSync(join(CLIPS, 'wren.face_on.mp4'));

/**
 * Four people write without a pause; at a moment of chance the program is killed; its folder is then counted
 * against what was acknowledged, and what got no answer is sent again to the program started anew.
 */
export async function endure(
  dataDir: string,
  kills: number,
  seed: number,
  told: (n: number) => void,
): Promise<Endured> {
  const random = seededRandom(seed);
  const endured: Endured = { kills: 0, acknowledged: 0, unanswered: 0, lost: 0, doubled: 0, half: 0 };
  let server = await startServer(dataDir);
  const coach = new Caller(server.url);
  await coach.enter();
  const student = await coach.student();
  const token = await coach.link(student);
  const known = new Set<string>();
  for (let i = 0; i < kills; i++) {
    const { acknowledged, open } = await writeUntilKilled(
      server,
      { student, token, cookie: coach.cookie },
      random,
    );
    for (const { id } of acknowledged) known.add(id);
    endured.kills++;
    endured.acknowledged += acknowledged.length;
    endured.unanswered += open.length;
    count(dataDir, acknowledged, endured);
    server = await startServer(dataDir);
    await sendAgain(new Caller(server.url, coach.cookie), open, endured);
    for (const { id } of open) known.add(id);
    told(i + 1);
  }
  await server.end('SIGKILL');
  countAll(dataDir, known, endured);
  return endured;
}

interface Place {
  readonly student: string;
  readonly token: string;
  readonly cookie: string;
}

async function writeUntilKilled(server: RunningServer, { student, token, cookie }: Place, random: Random) {
  const acknowledged: Sent[] = [];
  const open = new Map<string, Sent>();
  let alive = true;
  const answered: string[] = [];
  const people = Array.from({ length: CLIENTS }, async () => {
    const caller = new Caller(server.url, cookie);
    while (alive) {
      const next = nextWrite(student, token, answered, random);
      open.set(next.id, next);
      const status = await next.send(caller).catch(() => 0);
      if (status === 0) continue;
      open.delete(next.id);
      if (status !== 200) continue;
      acknowledged.push(next);
      if (next.kind === 'checkin') answered.push(next.id);
    }
  });
  await new Promise((done) => setTimeout(done, 350 + random() * 400));
  await server.end('SIGKILL');
  alive = false;
  await Promise.all(people);
  return { acknowledged, open: [...open.values()] };
}

function nextWrite(student: string, token: string, checkins: string[], random: Random): Sent {
  const id = randomUUID();
  const dice = random();
  const post = (path: string, body: object) => async (caller: Caller) =>
    (await caller.ask('POST', path, { id, ...body })).status;
  if (dice < 0.1)
    return {
      kind: 'clip',
      id,
      send: async (c) => (await c.clip(`/api/students/${student}/clips`, id, CLIP)).status,
    };
  const open = dice < 0.25 ? checkins.shift() : undefined;
  if (open) return { kind: 'reply', id, send: post(`/api/checkins/${open}/reply`, { text: 'Good.' }) };
  if (dice < 0.45) {
    const body = { pain: false, painWhere: '', note: id, felt: null, clipIds: [] };
    return { kind: 'checkin', id, send: post(`/api/page/${token}/checkins`, body) };
  }
  const set = {
    date: new Date().toISOString().slice(0, 10),
    drill: 'knee_swap',
    stage: 'still',
    reps: 'PPF',
    felt: 5,
  };
  return { kind: 'set', id, send: post(`/api/page/${token}/sets`, set) };
}

/** Sent again it must be taken or known; a reply's check-in may have been answered by another. */
async function sendAgain(caller: Caller, open: readonly Sent[], endured: Endured): Promise<void> {
  for (const sent of open) {
    const status = await sent.send(caller);
    if (status !== 200 && !(sent.kind === 'reply' && status === 409)) endured.lost++;
  }
}

const TABLE = { set: 'set_logs', checkin: 'checkins', reply: 'replies', clip: 'clips' } as const;

function count(dataDir: string, acknowledged: readonly Sent[], endured: Endured): void {
  const client = new Database(join(dataDir, 'inchstep.sqlite'));
  for (const { kind, id } of acknowledged) {
    const row = client.prepare(`SELECT * FROM ${TABLE[kind]} WHERE id = ?`).get(id) as
      | Record<string, unknown>
      | undefined;
    if (!row || (kind === 'checkin' && row.note !== id) || (kind === 'set' && row.reps !== 'PPF'))
      endured.lost++;
    else if (kind === 'clip' && !isWhole(dataDir, String(row.file))) endured.half++;
  }
  client.close();
}

function isWhole(dataDir: string, file: string): boolean {
  const path = join(dataDir, 'clips', file);
  return (
    existsSync(path) && createHash('sha256').update(readFileSync(path)).digest('hex') === file.split('.')[0]
  );
}

/** At the end: nothing twice, and no part of anything without its other parts. */
function countAll(dataDir: string, known: ReadonlySet<string>, endured: Endured): void {
  const client = new Database(join(dataDir, 'inchstep.sqlite'));
  const n = (sql: string) => client.prepare(sql).pluck().get() as number;
  for (const [what, table] of Object.entries(TABLE)) {
    endured.half += n(
      `SELECT count(*) FROM ${table} t WHERE NOT EXISTS (SELECT 1 FROM writes w WHERE w.id = t.id)`,
    );
    endured.half += n(
      `SELECT count(*) FROM writes w WHERE w.what = '${what}' AND NOT EXISTS (SELECT 1 FROM ${table} t WHERE t.id = w.id)`,
    );
    const ids = client.prepare(`SELECT id FROM ${table}`).pluck().all() as string[];
    endured.doubled += ids.length - new Set(ids).size;
    // A row nobody sent would be one made out of nothing.
    endured.doubled += ids.filter((id) => !known.has(id)).length;
  }
  for (const [kind, table] of [
    ['checkin', 'checkins'],
    ['reply', 'replies'],
    ['clip', 'clips'],
  ] as const) {
    const difference =
      n(`SELECT count(*) FROM events WHERE kind = '${kind}'`) - n(`SELECT count(*) FROM ${table}`);
    endured.doubled += Math.max(0, difference);
    endured.half += Math.max(0, -difference);
  }
  endured.half += n(
    'SELECT count(*) FROM replies r WHERE NOT EXISTS (SELECT 1 FROM mails m WHERE m.id = r.id)',
  );
  endured.half += client
    .prepare('SELECT DISTINCT file FROM clips')
    .pluck()
    .all()
    .filter((file) => !isWhole(dataDir, String(file))).length;
  client.close();
}
