/** A start that can't be right: one plain sentence, exit 2, nothing touched. */
export class StartRefusal extends Error {}

const SENTENCES: Readonly<Record<string, (what: string) => string>> = {
  EADDRINUSE: (what) =>
    `Port ${what} is in use: another program listens there. Stop it, or set PORT to another number.`,
  EADDRNOTAVAIL: (what) => `This machine has no address ${what}: set HOST to one it has, such as 127.0.0.1.`,
  EACCES: (what) =>
    `${what} can’t be used by this user: change who owns it, or choose another with DATA_DIR or PORT.`,
  EPERM: (what) =>
    `${what} can’t be used by this user: change who owns it, or choose another with DATA_DIR or PORT.`,
  EROFS: (what) => `${what} is read-only: choose a folder that can be written with DATA_DIR.`,
  ENOTDIR: (what) => `${what} is not a folder: choose another with DATA_DIR.`,
  EEXIST: (what) => `${what} is not a folder: choose another with DATA_DIR.`,
  ENOSPC: (what) => `There is no room left on the disk of ${what}: make room and start again.`,
  SQLITE_NOTADB: (what) =>
    `${what} is damaged or no database of this program: put a backup in its place with ./inchstep restore.`,
  SQLITE_CORRUPT: (what) => `${what} is damaged: put a backup in its place with ./inchstep restore.`,
  SQLITE_CANTOPEN: (what) => `${what} can’t be opened: check that the folder exists and can be written.`,
  SQLITE_READONLY: (what) => `${what} is read-only: choose a folder that can be written with DATA_DIR.`,
  // A database that answers, but knows no such table: another program's.
  SQLITE_ERROR: (what) =>
    `${what} is no database of this program: choose another folder with DATA_DIR, or put a backup in its place.`,
  SQLITE_FULL: (what) => `There is no room left on the disk of ${what}: make room and start again.`,
};

/** The sentence for a system's or a database's refusal; null where none is known. */
export function startSentence(error: unknown, what: string): StartRefusal | null {
  if (error instanceof StartRefusal) return error;
  const told = error as { code?: unknown; cause?: unknown } | null;
  // What wraps a database's refusal keeps it as its cause.
  if (told?.code === undefined && told?.cause !== undefined) return startSentence(told.cause, what);
  const code = String(told?.code ?? '');
  const words = SENTENCES[code] ?? SENTENCES[code.split('_').slice(0, 2).join('_')];
  return words ? new StartRefusal(words(what)) : null;
}
