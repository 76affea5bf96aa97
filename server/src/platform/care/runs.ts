import { spawn } from 'node:child_process';
import { existsSync, readdirSync, rmSync, statSync, unlinkSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import type { BackupLine, Care, Verified } from '@inchstep/contract/care';
import { backupsToDrop } from '@inchstep/core/foundation';
import { format } from 'date-fns';
import type { Context } from '../context.ts';
import { projectRoot } from '../db.ts';
import { Refusal } from '../errors.ts';
import { programFact, putProgramFact } from '../programFacts.ts';

const NAMED = /^inchstep-(\d{4}-\d{2}-\d{2})-\d{6}\.zip$/;
/** A night's backup is made at the first look after this hour. */
export const NIGHT_HOUR = 3;

/** What a stopped run left behind: drafts, snapshots, places where a backup was read back. */
function clearHalf(folder: string): void {
  if (!existsSync(folder)) return;
  for (const name of readdirSync(folder))
    if (/^inchstep-.*\.zip\.(making|snapshot)|^\.inchstep-verify-/.test(name))
      rmSync(join(folder, name), { recursive: true, force: true });
}

/** Backups and checks, each a process of its own so that nobody waits for one; one at a time. */
export class Runs {
  running: Care['running'] = null;
  trouble: string | null = null;
  private child: ReturnType<typeof spawn> | null = null;
  private readonly ctx: Context;

  constructor(ctx: Context) {
    this.ctx = ctx;
  }

  backups(): BackupLine[] {
    const folder = this.ctx.backupDir;
    if (!folder || !existsSync(folder)) return [];
    const verified = (programFact(this.ctx.db, 'verified_backups') ?? {}) as Record<string, string>;
    return readdirSync(folder)
      .filter((name) => NAMED.test(name))
      .sort()
      .reverse()
      .map((name) => {
        const { size, mtime } = statSync(join(folder, name));
        return { name, at: mtime.toISOString(), bytes: size, verifiedAt: verified[name] ?? null };
      });
  }

  verified(): Verified | null {
    return programFact(this.ctx.db, 'verified') as Verified | null;
  }

  /** Makes a backup, reads it back, and lets the ones go that the rota no longer keeps. */
  async backup(): Promise<void> {
    const folder = this.ctx.backupDir;
    if (!folder) throw new Refusal('no_backup_folder');
    clearHalf(folder);
    const name = `inchstep-${format(this.ctx.now(), 'yyyy-MM-dd-HHmmss')}.zip`;
    await this.run('backup', ['backup', join(folder, name)]);
    const checked = JSON.parse(
      await this.run('verify', ['verify', join(folder, name), '--json']),
    ) as Verified;
    if (!checked.ok) throw new Error('the backup that was made can’t be read back whole');
    const known = (programFact(this.ctx.db, 'verified_backups') ?? {}) as Record<string, string>;
    putProgramFact(this.ctx.db, 'verified_backups', { ...known, [name]: checked.at });
    this.dropOld(folder);
  }

  async verify(): Promise<void> {
    putProgramFact(this.ctx.db, 'verified', JSON.parse(await this.run('verify', ['verify', '--json'])));
  }

  /** Starts what takes long and answers at once; how it went is seen in `trouble`. */
  begin(what: 'backup' | 'verify'): void {
    if (this.running) throw new Refusal('busy');
    if (what === 'backup' && !this.ctx.backupDir) throw new Refusal('no_backup_folder');
    this.trouble = null;
    // Held until the whole is over: between a backup and its reading back nothing else begins.
    this.running = { what, done: 0, of: 1 };
    void (what === 'backup' ? this.backup() : this.verify())
      .catch((error: unknown) => {
        this.trouble = (error as Error).message;
      })
      .finally(() => {
        this.running = null;
      });
  }

  /** Once a night, or at the first look after a night that was slept through. */
  nightly(): void {
    const { backupDir } = this.ctx;
    if (!backupDir || this.running || this.ctx.now().getHours() < NIGHT_HOUR) return;
    const day = format(this.ctx.now(), 'yyyy-MM-dd');
    if (!this.backups().some(({ name }) => NAMED.exec(name)?.[1] === day)) this.begin('backup');
  }

  stop(): void {
    this.child?.kill('SIGTERM');
  }

  private dropOld(folder: string): void {
    const dated = this.backups().map(({ name }) => ({ name, day: NAMED.exec(name)?.[1] as string }));
    for (const name of backupsToDrop(dated)) unlinkSync(join(folder, name));
  }

  private run(what: 'backup' | 'verify', words: readonly string[]): Promise<string> {
    this.running = { what, done: 0, of: 1 };
    const program = join(projectRoot(), 'server', 'dist', 'care.js');
    const env = { ...process.env, DATA_DIR: this.ctx.dataDir, NODE_OPTIONS: '' };
    const child = spawn(process.execPath, [program, ...words], { env, stdio: ['ignore', 'pipe', 'pipe'] });
    this.child = child;
    let said = '';
    let last = '';
    child.stdout.on('data', (chunk: Buffer) => {
      said += String(chunk);
    });
    createInterface({ input: child.stderr }).on('line', (line) => {
      const [, done, of] = /(\d+)\/(\d+)$/.exec(line) ?? [];
      if (done && of) this.running = { what, done: Number(done), of: Number(of) };
      else last = line;
    });
    return new Promise((done, fail) => {
      child.once('error', fail);
      child.once('close', (code) => {
        this.child = null;
        if (code === 0 || (what === 'verify' && code === 1)) done(said);
        else fail(new Error(last || `ended with ${code}`));
      });
    });
  }
}
