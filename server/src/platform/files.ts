import { randomUUID } from 'node:crypto';
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  readdirSync,
  renameSync,
  rmSync,
} from 'node:fs';
import { rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Refusal } from './errors.ts';
import { digestTap, syncFolder } from './onDisk.ts';

export interface Received {
  readonly path: string;
  readonly hash: string;
  readonly bytes: number;
}

interface Pace {
  /** A sender that says nothing for this long is let go. */
  readonly stallMs: number;
  /** Slower than this, once the grace is over, is no phone on a bad line. */
  readonly slowestBytesPerS: number;
  readonly graceMs: number;
}
const USUAL_PACE: Pace = { stallMs: 30_000, slowestBytesPerS: 500, graceMs: 60_000 };
const KEPT_NAME = /^[0-9a-f]{64}\.[a-z0-9]{2,4}$/;

/** Clips on disk by content hash, never in the database. */
export class FileStore {
  private readonly folder: string;
  private readonly pace: Pace;

  constructor(dataDir: string, pace = USUAL_PACE) {
    this.folder = join(dataDir, 'clips');
    this.pace = pace;
  }

  get clipFolder(): string {
    return this.folder;
  }

  /** Streams an upload to a temporary file; the caller keeps or drops it. */
  async receive(stream: Readable): Promise<Received> {
    mkdirSync(this.folder, { recursive: true, mode: 0o700 });
    const path = join(this.folder, `.incoming-${randomUUID()}`);
    const { tap, bytes, sha256 } = digestTap();
    const stop = watchPace(stream, this.pace, bytes);
    try {
      await pipeline(stream, tap, createWriteStream(path, { mode: 0o600, flush: true }));
    } catch (error) {
      await rm(path, { force: true });
      throw asRefusal(error);
    } finally {
      stop();
    }
    return { path, hash: sha256(), bytes: bytes() };
  }

  /**
   * Moves a received file to its place, as it came. At once, so that its row can be written in the same
   * breath: no erasing of the same bytes comes between.
   */
  keep(received: Received, ending: string): string {
    const name = `${received.hash}.${ending}`;
    const place = join(this.folder, name);
    if (existsSync(place)) rmSync(received.path, { force: true });
    else renameSync(received.path, place);
    syncFolder(this.folder);
    return name;
  }

  async drop(received: Received): Promise<void> {
    await rm(received.path, { force: true });
  }

  /** Takes a file away for good; it is gone when this returns. */
  remove(name: string): void {
    if (KEPT_NAME.test(name)) rmSync(this.pathOf(name), { force: true });
  }

  /** Names of the files that are kept here. */
  list(): string[] {
    return existsSync(this.folder) ? readdirSync(this.folder).filter((name) => KEPT_NAME.test(name)) : [];
  }

  /** Clears what a stop left behind: half files, and whole ones that no row knows. Returns how many went. */
  sweep(known: ReadonlySet<string>): number {
    if (!existsSync(this.folder)) return 0;
    const stray = readdirSync(this.folder).filter(
      (name) => name.startsWith('.incoming-') || (KEPT_NAME.test(name) && !known.has(name)),
    );
    for (const name of stray) rmSync(join(this.folder, name), { force: true });
    return stray.length;
  }

  pathOf(name: string): string {
    return join(this.folder, name);
  }

  /** Where a file lies that a row names; where it is gone from the disk, the record is damaged. */
  existing(name: string): string {
    const path = this.pathOf(name);
    if (!existsSync(path)) throw new Refusal('record_damaged');
    return path;
  }

  async sizeOf(name: string): Promise<number> {
    return (await stat(this.existing(name))).size;
  }

  read(name: string, range?: { start: number; end: number }): Readable {
    return createReadStream(this.pathOf(name), range);
  }
}

/** Lets a sender go who stalls or trickles; what it sent is dropped by the failing pipeline. */
function watchPace(stream: Readable, pace: Pace, soFar: () => number): () => void {
  const began = Date.now();
  let last = { bytes: 0, at: began };
  const timer = setInterval(() => {
    const now = Date.now();
    if (soFar() !== last.bytes) last = { bytes: soFar(), at: now };
    const slow = now - began > pace.graceMs && soFar() / ((now - began) / 1000) < pace.slowestBytesPerS;
    if (now - last.at > pace.stallMs || slow) stream.destroy(new Refusal('upload_stalled'));
  }, pace.stallMs / 30);
  timer.unref();
  return () => clearInterval(timer);
}

/** A connection that broke is the sender's matter, a full disk is ours; both have words. */
function asRefusal(error: unknown): unknown {
  if (error instanceof Refusal) return error;
  const code = (error as { code?: string }).code;
  return code === 'ENOSPC' || code === 'EDQUOT' || code === 'EROFS' ? error : new Refusal('upload_broken');
}
