import { existsSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';
import { type BetterSQLite3Database, drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';

export type Db = BetterSQLite3Database & { $client: Database.Database };

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

/** Opens (and brings up to date) the database of a data folder; ':memory:' for tests. */
export function openDb(dataDir: string): Db {
  const file = dataDir === ':memory:' ? ':memory:' : join(dataDir, 'inchstep.sqlite');
  if (dataDir !== ':memory:') mkdirSync(dataDir, { recursive: true });
  const client = new Database(file);
  client.pragma('journal_mode = WAL');
  client.pragma('synchronous = NORMAL');
  const db = drizzle(client) as Db;
  // A migration that rebuilds a table would delete its children with keys enforced.
  client.pragma('foreign_keys = OFF');
  migrate(db, { migrationsFolder: join(projectRoot(), 'server', 'drizzle') });
  client.pragma('foreign_keys = ON');
  const broken = client.pragma('foreign_key_check') as unknown[];
  if (broken.length > 0) throw new Error(`openDb: ${broken.length} rows point to nothing`);
  return db;
}
