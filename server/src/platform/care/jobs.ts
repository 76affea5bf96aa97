import Database from 'better-sqlite3';
import { readArchive } from './readArchive.ts';

/** Writes the log of a database back as far as nobody else needs it; readers and writers go on meanwhile. */
function writeBack({ file }: { readonly file: string }): null {
  const client = new Database(file);
  try {
    client.pragma('wal_checkpoint(PASSIVE)');
    return null;
  } finally {
    client.close();
  }
}

/** What the care of the record gives to helper processes, by name. */
export const JOBS = { readArchive, writeBack };
