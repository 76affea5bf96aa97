import { existsSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';
import { type BetterSQLite3Database, drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { DATABASE_FILE, makeOwnFile } from './folder.ts';
import { StartRefusal, startSentence } from './startRefusal.ts';

export type Db = BetterSQLite3Database & { $client: Database.Database };

const statements = new WeakMap<Database.Database, Map<string, Database.Statement>>();

/** A statement that was prepared before is not prepared again. */
export function prepared({ $client }: Db, sql: string): Database.Statement {
  const known = statements.get($client) ?? new Map<string, Database.Statement>();
  statements.set($client, known);
  const statement = known.get(sql) ?? $client.prepare(sql);
  known.set(sql, statement);
  return statement;
}

const queries = new WeakMap<Database.Database, Map<string, unknown>>();

/** A query of Drizzle's that is asked with every request is built once; `name` is its own among all. */
export function keptQuery<Q>(db: Db, name: string, make: () => Q): Q {
  const known = queries.get(db.$client) ?? new Map<string, unknown>();
  queries.set(db.$client, known);
  const query = (known.get(name) as Q | undefined) ?? make();
  known.set(name, query);
  return query;
}

/** The project's root, from the source tree and from the bundle alike. */
export function projectRoot(): string {
  let folder = dirname(fileURLToPath(import.meta.url));
  while (!existsSync(join(folder, 'server', 'drizzle'))) {
    const up = dirname(folder);
    if (up === folder) throw new Error('projectRoot: server/drizzle not found above this file');
    folder = up;
  }
  return folder;
}

const migrationsFolder = (): string => join(projectRoot(), 'server', 'drizzle');

/** Small enough to be read through at every start. */
const READ_THROUGH_BYTES = 64 * 1024 * 1024;

/** Opens (and brings up to date) the database of a data folder; one plain sentence where that can't be. */
export function openDb(dataDir: string): Db {
  const file = join(dataDir, DATABASE_FILE);
  let client: Database.Database | null = null;
  try {
    makeOwnFile(file);
    checkUnderstood(file);
    client = new Database(file);
    client.pragma('journal_mode = WAL');
    // What was acknowledged to a phone survives a power cut: its log is on the disk before the answer goes.
    client.pragma('synchronous = FULL');
    // What a table's own text says is no reason to call functions that reach outside.
    client.pragma('trusted_schema = OFF');
    // A coach's day of rows stays at hand.
    client.pragma('cache_size = -32768');
    // What is erased is overwritten, not only forgotten.
    client.pragma('secure_delete = ON');
    return broughtUp(client, file);
  } catch (error) {
    client?.close();
    throw startSentence(error, file) ?? error;
  }
}

function broughtUp(client: Database.Database, file: string): Db {
  const db = drizzle(client) as Db;
  const before = lastMigration(client);
  // A migration that rebuilds a table would delete its children with keys enforced.
  client.pragma('foreign_keys = OFF');
  migrate(db, { migrationsFolder: migrationsFolder() });
  client.pragma('foreign_keys = ON');
  if (lastMigration(client) !== before) {
    const broken = client.pragma('foreign_key_check') as unknown[];
    // Older programs left what they deleted in the file's free places: written anew once, it holds none of it.
    if (before !== null) client.exec('VACUUM');
    if (broken.length > 0)
      throw new StartRefusal(
        `${file} is damaged (${broken.length} rows point to nothing): put a backup in its place with ./inchstep restore.`,
      );
  }
  return db;
}

/** Refuses a file that is no database, one that is damaged, and one that a newer program wrote; changes nothing. */
export function checkUnderstood(file: string): void {
  const size = statSync(file).size;
  if (size === 0) return;
  const client = new Database(file, { readonly: true });
  try {
    const newest = lastMigration(client);
    if (newest !== null && newest > newestKnown())
      throw new StartRefusal(
        `${file} was written by a newer Inch Step: start that one, or restore an older backup.`,
      );
    refuseInstructions(client, file);
    if (size > READ_THROUGH_BYTES) return;
    const found = client.pragma('quick_check(1)', { simple: true });
    if (found !== 'ok') throw Object.assign(new Error(String(found)), { code: 'SQLITE_CORRUPT' });
  } finally {
    client.close();
  }
}

/** Our tables do nothing by themselves: a trigger or a view was put in by somebody else, and would act in our name. */
function refuseInstructions(client: Database.Database, file: string): void {
  const strange = client
    .prepare("SELECT name FROM sqlite_master WHERE type IN ('trigger', 'view') OR sql LIKE 'CREATE VIRTUAL%'")
    .pluck()
    .all();
  if (strange.length > 0)
    throw new StartRefusal(
      `${file} holds instructions that no Inch Step wrote (${strange.length}): restore a backup that you made yourself.`,
    );
}

function lastMigration(client: Database.Database): number | null {
  const has = client.prepare("SELECT 1 FROM sqlite_master WHERE name = '__drizzle_migrations'").get();
  if (!has) return null;
  const row = client.prepare('SELECT max(created_at) AS at FROM __drizzle_migrations').get() as {
    at: number | null;
  };
  return row.at === null ? null : Number(row.at);
}

function newestKnown(): number {
  const journal = JSON.parse(readFileSync(join(migrationsFolder(), 'meta', '_journal.json'), 'utf8')) as {
    entries: { when: number }[];
  };
  return Math.max(...journal.entries.map((entry) => entry.when));
}
