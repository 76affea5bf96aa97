import { randomBytes, randomUUID } from 'node:crypto';
import { format, parseISO } from 'date-fns';
import type { Db } from './db.ts';
import type { FileStore } from './files.ts';
import type { Jobs } from './jobs.ts';
import type { MailDoor } from './mailDoor.ts';
import type { Outbox } from './outbox.ts';
import type { Pieces } from './pieces.ts';
import type { Records } from './records.ts';
import type { TrustDoor } from './settings.ts';

/** What every service gets: the database, the files, and the only source of time and chance. */
export interface Context {
  readonly db: Db;
  readonly files: FileStore;
  readonly outbox: Outbox;
  /** The mail server; null = letters are put into the outbox's folder. */
  readonly mailDoor: MailDoor | null;
  /** Files on their way, piece by piece. */
  readonly pieces: Pieces;
  /** Worker threads for whatever reads what came from outside. */
  readonly jobs: Jobs;
  /** Students' files and summaries; every write about a student goes through them. */
  readonly records: Records;
  /** Told of every swing whose marks were saved, so that its reading is made. */
  readonly swingSaved: (swingId: string) => void;
  readonly now: () => Date;
  readonly demo: boolean;
  readonly clipLimitMb: number;
  readonly publicUrl: string | null;
  /** Where a phone learns to trust the program's own certificate. */
  readonly trust?: TrustDoor;
  readonly trustProxy: false | number | string;
  readonly dataDir: string;
  readonly backupDir: string | null;
}

export const newId = (): string => randomUUID();
/** 256 bits, for links and sessions: not to be guessed. */
export const newToken = (): string => randomBytes(32).toString('base64url');
export const stamp = (ctx: Context): string => ctx.now().toISOString();
/** The coach's calendar day. */
export const today = (ctx: Context): string => format(ctx.now(), 'yyyy-MM-dd');
/** The coach's calendar day of a moment; the first ten letters of a stamp are Greenwich's. */
export const dayOf = (at: string): string => format(parseISO(at), 'yyyy-MM-dd');
