import type { Server } from 'node:http';
import { buildApp } from './app.ts';
import { clearArrivals, filesInUse, keepHouse, Runs } from './platform/care/index.ts';
import type { Context } from './platform/context.ts';
import { openDb } from './platform/db.ts';
import { FileStore } from './platform/files.ts';
import { claimFolder } from './platform/folder.ts';
import { type JobLimits, Jobs } from './platform/jobs.ts';
import { MailDoor } from './platform/mailDoor.ts';
import { Outbox } from './platform/outbox.ts';
import { ownTls } from './platform/ownTls.ts';
import { pageOf } from './platform/pieceRoutes.ts';
import { Pieces } from './platform/pieces.ts';
import { readSettings, type ServerSettings } from './platform/settings.ts';
import { StartRefusal, startSentence } from './platform/startRefusal.ts';
import { trustServer } from './platform/trustPage.ts';
import { StudentRecords } from './records/index.ts';
import { roomForStudent } from './rooms/capture/index.ts';
import { askByPlan, knownLetters, sendLetters, sweepEnclosures } from './rooms/checkins/index.ts';
import { Upkeep } from './rooms/measures/index.ts';

export interface OpenContext extends Context {
  /** Lets the database, the threads and the folder go. */
  close(): Promise<void>;
}

const MEGABYTE = 1024 * 1024;

/** Takes a data folder into use; one plain sentence where that can't be. */
export function makeContext(settings: ServerSettings, limits: Partial<JobLimits> = {}): OpenContext {
  const { dataDir } = settings;
  const claim = claimFolder(dataDir);
  try {
    const db = openDb(dataDir);
    const jobs = new Jobs(limits);
    const now = settings.now ?? (() => new Date());
    const records = new StudentRecords(db, now);
    const upkeep = new Upkeep(() => ctx);
    const ctx: OpenContext = {
      ...settings,
      db,
      files: new FileStore(dataDir),
      outbox: new Outbox(dataDir),
      mailDoor: settings.mail && new MailDoor(settings.mail),
      pieces: new Pieces(dataDir, settings.clipLimitMb * MEGABYTE, (owner) => {
        const studentId = pageOf(owner);
        return studentId === null ? Number.POSITIVE_INFINITY : roomForStudent(ctx, studentId);
      }),
      jobs,
      records,
      swingSaved: (id) => upkeep.saved(id),
      now,
      close: async () => {
        ctx.mailDoor?.close();
        upkeep.close();
        records.close();
        await jobs.close();
        db.$client.close();
        claim.release();
      },
    };
    clearArrivals(ctx);
    ctx.files.sweep(new Set(filesInUse(db.$client)));
    ctx.outbox.sweep(knownLetters(ctx));
    records.begin();
    upkeep.findOld();
    return ctx;
  } catch (error) {
    claim.release();
    throw error;
  }
}

/** However many requests hang, the program ends by then. */
const END_WITHIN_MS = 8000;

/** Listens until told to stop; open requests are finished first, but not for ever. */
export async function serve(): Promise<void> {
  process.umask(0o077);
  try {
    await listen(readSettings(process.env));
  } catch (error) {
    if (!(error instanceof StartRefusal)) throw error;
    process.stderr.write(`inchstep: ${error.message}\n`);
    process.exit(2);
  }
}

async function listen(asked: ServerSettings): Promise<void> {
  const own = asked.tlsOwn
    ? await ownTls(asked.dataDir, new Date(), { passphrase: asked.tlsOwnPassphrase })
    : null;
  const settings = own
    ? { ...asked, tls: own, trust: { port: asked.port + 1, fingerprint: own.fingerprint } }
    : asked;
  const ctx = makeContext(settings);
  const { port, host, tls } = settings;
  const app = await buildApp(ctx, { tls });
  try {
    await app.listen({ port, host });
  } catch (error) {
    await ctx.close();
    const what = (error as { code?: string }).code === 'EADDRNOTAVAIL' ? host : String(port);
    throw startSentence(error, what) ?? error;
  }
  const trust = own ? trustServer(own).listen(port + 1, host) : null;
  // The page for phones is a help: where its port is taken the program goes on without it.
  trust?.on('error', (error: { code?: string }) => app.log.error({ code: error.code }, 'page of trust'));
  const rest = keepHouse(
    ctx,
    new Runs(ctx),
    async () => {
      // At a start whoever waits for the program comes first.
      await new Promise((done) => setImmediate(done));
      askByPlan(ctx);
      sweepEnclosures(ctx);
      await sendLetters(ctx);
    },
    (error) => {
      const { code, message } = error as { code?: string; message?: string };
      app.log.error({ code: code ?? message ?? 'unknown' }, 'housekeeping');
    },
  );
  const stop = async (signal: string) => {
    app.log.info({ signal }, 'stopping');
    rest();
    trust?.close();
    endInTime(app.server);
    await app.close();
    await ctx.close();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void stop(signal));
  process.stdout.write(
    `\nInch Step is ready: ${settings.publicUrl ?? `${tls ? 'https' : 'http'}://localhost:${port}`}/\n\n`,
  );
}

/** Half-sent uploads and idle connections are cut when their time is over. */
function endInTime(server: Server): void {
  setTimeout(() => server.closeAllConnections(), END_WITHIN_MS - 2000).unref();
  setTimeout(() => process.exit(0), END_WITHIN_MS).unref();
}
