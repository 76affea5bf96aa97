import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { type Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';

export interface Received {
  readonly path: string;
  readonly hash: string;
  readonly bytes: number;
}

/** Clips on disk by content hash, never in the database. */
export class FileStore {
  private readonly folder: string;

  constructor(dataDir: string) {
    this.folder = join(dataDir, 'clips');
  }

  get clipFolder(): string {
    return this.folder;
  }

  /** Streams an upload to a temporary file; the caller keeps or drops it. */
  async receive(stream: Readable): Promise<Received> {
    await mkdir(this.folder, { recursive: true });
    const path = join(this.folder, `.incoming-${randomUUID()}`);
    const digest = createHash('sha256');
    let bytes = 0;
    const tap = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        digest.update(chunk);
        bytes += chunk.length;
        done(null, chunk);
      },
    });
    try {
      await pipeline(stream, tap, createWriteStream(path));
    } catch (error) {
      await rm(path, { force: true });
      throw error;
    }
    return { path, hash: digest.digest('hex'), bytes };
  }

  /** Moves a received file to its place, as it came. */
  async keep(received: Received, ending: string): Promise<string> {
    const name = `${received.hash}.${ending}`;
    await rename(received.path, join(this.folder, name));
    return name;
  }

  async drop(received: Received): Promise<void> {
    await rm(received.path, { force: true });
  }

  pathOf(name: string): string {
    return join(this.folder, name);
  }

  async sizeOf(name: string): Promise<number> {
    return (await stat(this.pathOf(name))).size;
  }

  read(name: string, range?: { start: number; end: number }): Readable {
    return createReadStream(this.pathOf(name), range);
  }
}
