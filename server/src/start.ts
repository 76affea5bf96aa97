import { resolve } from 'node:path';
import { buildApp } from './app.ts';
import type { Context } from './platform/context.ts';
import { openDb } from './platform/db.ts';
import { FileStore } from './platform/files.ts';
import { Outbox } from './platform/outbox.ts';

export interface ServerSettings {
  readonly dataDir: string;
  readonly demo: boolean;
  readonly clipLimitMb: number;
  readonly now?: () => Date;
}

export function makeContext(settings: ServerSettings): Context {
  return {
    db: openDb(settings.dataDir),
    files: new FileStore(settings.dataDir),
    outbox: new Outbox(settings.dataDir),
    now: settings.now ?? (() => new Date()),
    demo: settings.demo,
    clipLimitMb: settings.clipLimitMb,
  };
}

export const settingsFromEnv = (): ServerSettings => ({
  dataDir: resolve(process.env.DATA_DIR ?? 'data'),
  demo: process.env.INCHSTEP_DEMO === '1',
  clipLimitMb: Number(process.env.MAX_CLIP_MB ?? 300),
});

/** Listens until told to stop; open requests are finished first. */
export async function serve(): Promise<void> {
  const settings = settingsFromEnv();
  const ctx = makeContext(settings);
  const app = await buildApp(ctx);
  const port = Number(process.env.PORT ?? 4310);
  const stop = async (signal: string) => {
    app.log.info({ signal }, 'stopping');
    await app.close();
    ctx.db.$client.close();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void stop(signal));
  await app.listen({ port, host: process.env.HOST ?? '127.0.0.1' });
  process.stdout.write(`\nInch Step is ready: http://localhost:${port}/\n\n`);
}
