import {
  accessSync,
  chmodSync,
  closeSync,
  constants,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  statSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { StartRefusal, startSentence } from './startRefusal.ts';

export const DATABASE_FILE = 'inchstep.sqlite';
const LOCK_FILE = 'in-use.lock';
const OWNER_ONLY = 0o700;
const OWNER_FILE = 0o600;

/** A data folder that is this process's alone until it is let go, or until the process ends, however it ends. */
interface Claim {
  release(): void;
}

/**
 * Takes the data folder into use: made if it is missing, readable by its owner alone, and refused while
 * another program uses it. The claim is a lock of the operating system's, so that nothing stale stays behind.
 */
export function claimFolder(dataDir: string): Claim {
  try {
    mkdirSync(dataDir, { recursive: true, mode: OWNER_ONLY });
    if (!statSync(dataDir).isDirectory())
      throw new StartRefusal(`${dataDir} is not a folder: choose another with DATA_DIR.`);
    accessSync(dataDir, constants.W_OK);
    // Root passes every access check, also on a disk mounted read-only: only a write tells.
    closeSync(openSync(join(dataDir, LOCK_FILE), 'a', OWNER_FILE));
  } catch (error) {
    throw startSentence(error, dataDir) ?? error;
  }
  const release = lock(dataDir);
  keepPrivate(dataDir);
  return { release };
}

function lock(dataDir: string): () => void {
  const client = new Database(join(dataDir, LOCK_FILE), { timeout: 0 });
  try {
    client.pragma('journal_mode = DELETE');
    client.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    client.close();
    if (String((error as { code?: string }).code).startsWith('SQLITE_BUSY'))
      throw new StartRefusal(
        `${dataDir} is in use by another Inch Step: stop that one, or choose another folder with DATA_DIR.`,
      );
    throw startSentence(error, join(dataDir, LOCK_FILE)) ?? error;
  }
  return () => client.close();
}

/** Older folders were made readable by everybody on the machine. */
function keepPrivate(dataDir: string): void {
  try {
    chmodSync(dataDir, OWNER_ONLY);
    for (const name of readdirSync(dataDir, { withFileTypes: true })) {
      const path = join(dataDir, name.name);
      if (!name.isDirectory()) chmodSync(path, OWNER_FILE);
      else if (name.name === 'clips' || name.name === 'outbox') {
        chmodSync(path, OWNER_ONLY);
        for (const file of readdirSync(path)) chmodSync(join(path, file), OWNER_FILE);
      }
    }
  } catch (error) {
    throw startSentence(error, dataDir) ?? error;
  }
}

/** An empty file that only its owner reads, where there is none yet. */
export function makeOwnFile(path: string): void {
  if (!existsSync(path)) {
    mkdirSync(dirname(path), { recursive: true, mode: OWNER_ONLY });
    closeSync(openSync(path, 'a', OWNER_FILE));
  }
}
