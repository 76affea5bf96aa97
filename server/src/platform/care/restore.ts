import { existsSync, mkdirSync, readdirSync, rmdirSync, rmSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { backupManifest } from '@inchstep/contract/care';
import type { Database } from 'better-sqlite3';
import { checkUnderstood, openDb } from '../db.ts';
import { DATABASE_FILE } from '../folder.ts';
import { StartRefusal } from '../startRefusal.ts';
import { CAME_WITH_A_RECORD } from './asHistory.ts';
import type { Progress } from './backup.ts';
import { type OpenZip, openZip } from './zips.ts';

const MANIFEST_BYTES = 256 * 1024 * 1024;
const PLACES: readonly RegExp[] = [
  /^inchstep\.sqlite$/,
  /^clips\/[0-9a-f]{64}\.[a-z0-9]{2,4}$/,
  /^outbox\/[0-9a-f-]{36}\.eml$/,
];

/** Puts a backup into an empty folder, whole or not at all; every file is held against its digest. */
export async function restoreBackup(file: string, dataDir: string, progress: Progress): Promise<void> {
  if (!existsSync(file)) throw new StartRefusal(`${file} is not there: give the backup’s path.`);
  if (existsSync(dataDir) && readdirSync(dataDir).length > 0)
    throw new StartRefusal(
      `${dataDir} is not empty: choose a new folder with DATA_DIR, so that nothing is overwritten.`,
    );
  const draft = `${dataDir}.restoring`;
  await rm(draft, { recursive: true, force: true });
  try {
    await unpack(file, draft, progress);
    checkUnderstood(join(draft, DATABASE_FILE));
    closeDoors(draft);
    if (existsSync(dataDir)) rmdirSync(dataDir);
    await rename(draft, dataDir);
  } finally {
    await rm(draft, { recursive: true, force: true });
  }
}

async function unpack(file: string, folder: string, progress: Progress): Promise<void> {
  const zip = await openZip(file).catch(() => {
    throw unreadable(file, 'it is no ZIP, or breaks off');
  });
  try {
    const manifest = await manifestOf(zip, file);
    for (const part of ['', 'clips', 'outbox'])
      mkdirSync(join(folder, part), { recursive: true, mode: 0o700 });
    for (const [i, told] of manifest.files.entries()) {
      if (!PLACES.some((place) => place.test(told.name)))
        throw unreadable(file, `a strange name: ${told.name}`);
      if (zip.entries.get(told.name)?.uncompressedSize !== told.bytes)
        throw unreadable(file, `${told.name} is not what was put in`);
      const found = await zip.extract(told.name, join(folder, told.name)).catch(() => {
        throw unreadable(file, `${told.name} is missing or breaks off`);
      });
      if (found.bytes !== told.bytes || found.sha256 !== told.sha256)
        throw unreadable(file, `${told.name} is not what was put in`);
      progress('files', i + 1, manifest.files.length);
    }
    if (!manifest.files.some(({ name }) => name === DATABASE_FILE))
      throw unreadable(file, 'it holds no database');
  } finally {
    zip.close();
  }
}

async function manifestOf(zip: OpenZip, file: string) {
  try {
    return backupManifest.parse(
      JSON.parse((await zip.bytes('manifest.json', MANIFEST_BYTES)).toString('utf8')),
    );
  } catch {
    throw unreadable(file, 'its list of files can’t be read');
  }
}

/**
 * A backup is older than what came after it: links that were closed and sessions that were ended since would open again,
 * and letters would go a second time. So none of them opens, and none goes; the coach makes new links.
 */
function closeDoors(folder: string): void {
  const { $client } = openDb(folder);
  try {
    refuseStrange($client, folder);
    const at = new Date().toISOString();
    $client.transaction(() => {
      $client.prepare('DELETE FROM sessions').run();
      $client.prepare('UPDATE links SET revoked_at = ? WHERE revoked_at IS NULL').run(at);
      $client
        .prepare(
          'UPDATE mails SET made_at = ?, goes_at = NULL, trouble = ? WHERE made_at IS NULL AND failed_at IS NULL',
        )
        .run(at, CAME_WITH_A_RECORD);
    })();
  } finally {
    $client.close();
  }
}

/** Brought up to date, a database of ours is built like a new one, to the letter. */
function refuseStrange(client: Database, folder: string): void {
  const fresh = openDb(join(folder, 'fresh')).$client;
  const built = (of: Database) =>
    of
      .prepare("SELECT type, name, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite_stat%' ORDER BY name")
      .all()
      .map((row) => JSON.stringify(row));
  try {
    const [ours, theirs] = [new Set(built(fresh)), new Set(built(client))];
    const strange =
      [...ours].filter((one) => !theirs.has(one)).length + [...theirs].filter((one) => !ours.has(one)).length;
    if (strange > 0)
      throw new StartRefusal(
        `The backup’s database holds tables that no Inch Step wrote (${strange}): choose one that you made yourself; nothing was changed.`,
      );
  } finally {
    fresh.close();
    rmSync(join(folder, 'fresh'), { recursive: true, force: true });
  }
}

const unreadable = (file: string, why: string): StartRefusal =>
  new StartRefusal(`${file} is no whole backup (${why}): choose another one; nothing was changed.`);
