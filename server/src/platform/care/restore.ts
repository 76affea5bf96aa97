import { existsSync, mkdirSync, readdirSync, rmdirSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { backupManifest } from '@inchstep/contract/care';
import { checkUnderstood } from '../db.ts';
import { DATABASE_FILE } from '../folder.ts';
import { StartRefusal } from '../startRefusal.ts';
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

const unreadable = (file: string, why: string): StartRefusal =>
  new StartRefusal(`${file} is no whole backup (${why}): choose another one; nothing was changed.`);
