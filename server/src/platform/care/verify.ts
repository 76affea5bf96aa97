import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { Verified } from '@inchstep/contract/care';
import Database from 'better-sqlite3';
import { DATABASE_FILE } from '../folder.ts';
import { StartRefusal, startSentence } from '../startRefusal.ts';
import { filesOf, type Progress } from './backup.ts';
import { sha256Of } from './zips.ts';

type Found = Verified['found'][number];
type Client = Database.Database;

/** Kinds of events that stand for one row each, and where those rows are. */
const EVENT_ROWS: readonly [kind: string, table: string][] = [
  ['created', 'students'],
  ['diagnosed', 'diagnoses'],
  ['drills_chosen', 'drill_choices'],
  ['planned', 'plans'],
  ['gate', 'gate_decisions'],
  ['checkin', 'checkins'],
  ['shots', 'shot_sets'],
  ['hold', 'holds'],
];

/** Tables whose rows came with an id of the sender's, and what the write is called. */
const WRITTEN: readonly [what: string, table: string][] = [
  ['student', 'students'],
  ['clip', 'clips'],
  ['swing', 'swings'],
  ['shots', 'shot_sets'],
  ['diagnosis', 'diagnoses'],
  ['drill_choice', 'drill_choices'],
  ['plan', 'plans'],
  ['set', 'set_logs'],
  ['gate', 'gate_decisions'],
  ['checkin', 'checkins'],
  ['reply', 'replies'],
];

/** Looks through a whole data folder: the database, its keys, every clip's bytes, events against rows. */
export async function verifyFolder(dataDir: string, now: Date, progress: Progress): Promise<Verified> {
  const file = join(dataDir, DATABASE_FILE);
  if (!existsSync(file))
    throw new StartRefusal(`${dataDir} holds no record: set DATA_DIR to the folder the program uses.`);
  const found: Found[] = [];
  let rows = 0;
  try {
    const client = new Database(file, { readonly: true });
    try {
      progress('database', 0, 1);
      found.push(
        ...pages(client),
        ...keys(client),
        ...events(client),
        ...written(client),
        ...unfinished(client, now),
      );
      rows = countRows(client);
      progress('database', 1, 1);
    } finally {
      client.close();
    }
  } catch (error) {
    const sentence = startSentence(error, file);
    if (!sentence) throw error;
    return {
      at: now.toISOString(),
      ok: false,
      rows,
      clips: 0,
      found: [{ code: 'damaged', about: file, count: 1 }],
    };
  }
  const names = filesOf(file);
  for (const [i, name] of names.entries()) {
    found.push(...(await clip(join(dataDir, 'clips', name), name)));
    progress('clips', i + 1, names.length);
  }
  const ok = found.every(({ code }) => code === TO_ERASE);
  return { at: now.toISOString(), ok, rows, clips: names.length, found };
}

const note = (code: string, about: string, count: number): Found[] =>
  count > 0 ? [{ code, about, count }] : [];
const count = (client: Client, sql: string): number => (client.prepare(sql).get() as { n: number }).n;

function pages(client: Client): Found[] {
  const said = client.pragma('integrity_check(10)') as { integrity_check: string }[];
  const wrong = said.filter(({ integrity_check }) => integrity_check !== 'ok');
  return note('pages', wrong[0]?.integrity_check ?? '', wrong.length);
}

const keys = (client: Client): Found[] =>
  note('keys', '', (client.pragma('foreign_key_check') as unknown[]).length);

/** Rows of which the thread says nothing, and words of the thread about more than there is. */
function events(client: Client): Found[] {
  return EVENT_ROWS.flatMap(([kind, table]) => {
    const owner = table === 'students' ? 'id' : 'student_id';
    const silent = count(
      client,
      `SELECT count(*) AS n FROM (SELECT ${owner} AS s, count(*) AS c FROM ${table} GROUP BY 1) r
       WHERE r.c <> (SELECT count(*) FROM events e WHERE e.student_id = r.s AND e.kind = '${kind}')`,
    );
    return note('events', kind, silent);
  });
}

const written = (client: Client): Found[] =>
  WRITTEN.flatMap(([what, table]) => [
    ...note(
      'unsigned',
      table,
      count(
        client,
        `SELECT count(*) AS n FROM ${table} t WHERE NOT EXISTS (SELECT 1 FROM writes w WHERE w.id = t.id)`,
      ),
    ),
    ...note(
      'half',
      table,
      count(
        client,
        `SELECT count(*) AS n FROM writes w WHERE w.what = '${what}' AND NOT EXISTS (SELECT 1 FROM ${table} t WHERE t.id = w.id)`,
      ),
    ),
  ]);

/** Nothing is damaged where something is still to be erased: it is said, and the program finishes it. */
const TO_ERASE = 'to_erase';

function unfinished(client: Client, now: Date): Found[] {
  const open = client
    .prepare(
      `SELECT count(*) AS n FROM erasures
       WHERE taken_back_at IS NULL AND clean_at IS NULL AND (done_at IS NOT NULL OR due_at <= ?)`,
    )
    .get(now.toISOString()) as { n: number };
  const half = count(client, 'SELECT count(*) AS n FROM arrivals');
  return [...note(TO_ERASE, 'erasures', open.n), ...note(TO_ERASE, 'arrivals', half)];
}

function countRows(client: Client): number {
  const tables = client
    .prepare("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%'")
    .all();
  return (tables as { name: string }[]).reduce(
    (sum, { name }) => sum + count(client, `SELECT count(*) AS n FROM "${name}"`),
    0,
  );
}

async function clip(path: string, name: string): Promise<Found[]> {
  if (!existsSync(path)) return note('clip_missing', name, 1);
  return (await sha256Of(path)) === name.split('.')[0] ? [] : note('clip_changed', name, 1);
}
