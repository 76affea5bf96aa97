import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { BACKUP_FORMAT, type FileEntry } from '@inchstep/contract/care';
import Database from 'better-sqlite3';
import { DATABASE_FILE } from '../folder.ts';
import { StartRefusal } from '../startRefusal.ts';
import { filesInUse } from './filesInUse.ts';
import { entryOfFile, writeWhole, type ZipPart, zipOf } from './zips.ts';

export type Progress = (what: string, done: number, of: number) => void;

/** Times that a snapshot is taken anew because a clip was erased under it. */
const TRIES = 3;

/**
 * One file with everything: a snapshot of the database, each clip once, the letters, and a list with the digest
 * of each. May be made while the program runs: it reads what was committed when it began.
 */
export async function makeBackup(
  dataDir: string,
  file: string,
  now: Date,
  progress: Progress,
): Promise<void> {
  const database = join(dataDir, DATABASE_FILE);
  if (!existsSync(database))
    throw new StartRefusal(`${dataDir} holds no record: set DATA_DIR to the folder the program uses.`);
  if (existsSync(file)) throw new StartRefusal(`${file} is there already: give a name that is not taken.`);
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const snapshot = `${file}.snapshot`;
  try {
    for (let attempt = 1; ; attempt++) {
      try {
        await tryBackup(dataDir, snapshot, file, now, progress);
        return;
      } catch (error) {
        const erased = (error as { code?: string }).code === 'ENOENT' && attempt < TRIES;
        if (!erased) throw error;
      }
    }
  } finally {
    for (const ending of ['', '-wal', '-shm']) await rm(`${snapshot}${ending}`, { force: true });
  }
}

async function tryBackup(
  dataDir: string,
  snapshot: string,
  file: string,
  now: Date,
  progress: Progress,
): Promise<void> {
  await rm(snapshot, { force: true });
  progress('database', 0, 1);
  await takeSnapshot(join(dataDir, DATABASE_FILE), snapshot);
  progress('database', 1, 1);
  const paths: [name: string, path: string][] = [
    [DATABASE_FILE, snapshot],
    ...filesOf(snapshot).map((name): [string, string] => [`clips/${name}`, join(dataDir, 'clips', name)]),
    ...lettersIn(dataDir).map((name): [string, string] => [`outbox/${name}`, join(dataDir, 'outbox', name)]),
  ];
  const files: FileEntry[] = [];
  for (const [i, [name, path]] of paths.entries()) {
    files.push(await entryOfFile(name, path));
    progress('files', i + 1, paths.length);
  }
  const manifest = { format: BACKUP_FORMAT, madeAt: now.toISOString(), files };
  const parts: ZipPart[] = [
    { name: 'manifest.json', bytes: Buffer.from(JSON.stringify(manifest)) },
    ...paths.map(([name, path]) => ({ name, path })),
  ];
  progress('writing', 0, 1);
  await writeWhole(zipOf(parts), file);
  progress('writing', 1, 1);
}

/** All pages in one step: a writer in between would make it begin again. */
async function takeSnapshot(database: string, snapshot: string): Promise<void> {
  const client = new Database(database, { readonly: true });
  try {
    await client.backup(snapshot, { progress: () => 2 ** 31 - 1 });
  } finally {
    client.close();
  }
  // One file without a log beside it, so that its digest is that of the whole database.
  const copy = new Database(snapshot);
  copy.pragma('journal_mode = DELETE');
  copy.close();
}

/** Clips and motion files that the rows of a database name, each once. */
export function filesOf(database: string): string[] {
  const client = new Database(database, { readonly: true });
  try {
    return filesInUse(client);
  } finally {
    client.close();
  }
}

function lettersIn(dataDir: string): string[] {
  const folder = join(dataDir, 'outbox');
  return existsSync(folder) ? readdirSync(folder).filter((name) => /^[0-9a-f-]{36}\.eml$/.test(name)) : [];
}
