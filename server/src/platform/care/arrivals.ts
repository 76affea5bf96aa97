import { randomUUID } from 'node:crypto';
import { mkdirSync, rmSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import type { Arrival, TakenIn } from '@inchstep/contract/care';
import { type Context, stamp } from '../context.ts';
import { Refusal } from '../errors.ts';
import { compareDrills, drillsToAdd, ownDrillsIn, unfitDrills } from './arrivalDrills.ts';
import type { ArchiveTask, ArrivedRecord } from './readArchive.ts';
import { takeOver } from './takeIn.ts';

/** What a slow machine unpacks and hashes, at worst. */
const UNPACKED_BYTES_PER_MS = 5000;
const FORGOTTEN_MS = 30 * 60_000;
const MOST_WAITING = 4;

interface Waiting {
  readonly record: ArrivedRecord;
  readonly folder: string;
  taken: Promise<TakenIn> | null;
}

const folderOf = (dataDir: string): string => join(dataDir, 'arriving');

/** Records that came from outside: read, shown to the coach, and taken over on the coach's word alone. */
export class Arrivals {
  private readonly ctx: Context;
  private readonly waiting = new Map<string, Waiting>();

  constructor(ctx: Context) {
    this.ctx = ctx;
    rmSync(folderOf(ctx.dataDir), { recursive: true, force: true });
  }

  /** Reads a student's ZIP, whole or not at all, and says what it would bring. Nothing is kept. */
  async receive(stream: Readable, truncated: () => boolean): Promise<Arrival> {
    if (this.waiting.size >= MOST_WAITING) await this.makeRoom();
    const ticket = randomUUID();
    const folder = join(folderOf(this.ctx.dataDir), ticket);
    const received = await this.ctx.files.receive(stream);
    try {
      if (truncated()) throw new Refusal('archive_unreadable', { part: 'it is larger than can be taken in' });
      mkdirSync(folder, { recursive: true, mode: 0o700 });
      const { path, bytes } = received;
      const task: ArchiveTask = { path, bytes, folder, at: stamp(this.ctx) };
      const record = await this.ctx.jobs.run<ArrivedRecord>('readArchive', task, {
        moreMs: bytes / UNPACKED_BYTES_PER_MS,
      });
      const arrival = this.shown(ticket, record);
      this.waiting.set(ticket, { record, folder, taken: null });
      setTimeout(() => void this.drop(ticket), FORGOTTEN_MS).unref();
      return arrival;
    } catch (error) {
      await rm(folder, { recursive: true, force: true });
      throw error;
    } finally {
      await this.ctx.files.drop(received);
    }
  }

  /** Takes a record over that waits; asked twice, it is done once. */
  async keep(ticket: string): Promise<TakenIn> {
    const waiting = this.waiting.get(ticket);
    if (!waiting) throw new Refusal('not_found');
    waiting.taken ??= takeOver(this.ctx, waiting.record, waiting.folder).finally(() =>
      rm(waiting.folder, { recursive: true, force: true }),
    );
    return waiting.taken;
  }

  async drop(ticket: string): Promise<void> {
    const waiting = this.waiting.get(ticket);
    this.waiting.delete(ticket);
    await waiting?.taken?.catch(() => undefined);
    if (waiting) await rm(waiting.folder, { recursive: true, force: true });
  }

  private shown(ticket: string, record: ArrivedRecord): Arrival {
    const { studentId, name, rows, clips, drills, mail, unsent } = record;
    if (this.ctx.db.$client.prepare('SELECT 1 FROM students WHERE id = ?').get(studentId))
      throw new Refusal('already_here');
    const here = ownDrillsIn(this.ctx.db.$client);
    const [unfit] = unfitDrills(drillsToAdd(drills, here), here);
    if (unfit) throw new Refusal('archive_unreadable', { part: `own_drills.json, ${unfit.path}` });
    const compared = compareDrills(drills, here);
    return { ticket, studentId, name, rows, clips: clips.length, drills: compared, mail, unsent };
  }

  /** Room for one more: the oldest that nobody said a word about goes. */
  private async makeRoom(): Promise<void> {
    for (const ticket of [...this.waiting.keys()].slice(0, -MOST_WAITING + 1)) await this.drop(ticket);
  }
}
