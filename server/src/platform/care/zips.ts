import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { rename, rm, stat } from 'node:fs/promises';
import { dirname } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { promisify } from 'node:util';
import type { FileEntry } from '@inchstep/contract/care';
import yauzl from 'yauzl';
import yazl from 'yazl';
import { digestTap, syncFolder } from '../onDisk.ts';

export async function sha256Of(path: string): Promise<string> {
  const digest = createHash('sha256');
  for await (const chunk of createReadStream(path)) digest.update(chunk as Buffer);
  return digest.digest('hex');
}

export const entryOfBytes = (name: string, bytes: Buffer): FileEntry => ({
  name,
  bytes: bytes.length,
  sha256: createHash('sha256').update(bytes).digest('hex'),
});

export async function entryOfFile(name: string, path: string): Promise<FileEntry> {
  return { name, bytes: (await stat(path)).size, sha256: await sha256Of(path) };
}

/** Clips are packed already: they go in as they are. */
const AS_IT_IS = { compress: false } as const;

export type ZipPart =
  | { readonly name: string; readonly bytes: Buffer }
  | { readonly name: string; readonly path: string };

/** A ZIP as a stream, of any size. */
export function zipOf(parts: readonly ZipPart[]): Readable {
  const zip = new yazl.ZipFile();
  for (const part of parts) {
    if ('bytes' in part) zip.addBuffer(part.bytes, part.name);
    else zip.addFile(part.path, part.name, AS_IT_IS);
  }
  zip.end();
  zip.on('error', (error) => (zip.outputStream as Readable).destroy(error as Error));
  return zip.outputStream as Readable;
}

/** Writes a stream to a file that appears only when it is whole and on the disk. */
export async function writeWhole(stream: Readable, file: string): Promise<void> {
  const draft = `${file}.making`;
  try {
    await pipeline(stream, createWriteStream(draft, { mode: 0o600, flush: true }));
    await rename(draft, file);
    syncFolder(dirname(file));
  } catch (error) {
    await rm(draft, { force: true });
    throw error;
  }
}

export interface OpenZip {
  /** Names and sizes as the ZIP says them; what is read is held to the size. */
  readonly entries: ReadonlyMap<string, yauzl.Entry>;
  bytes(name: string, most: number): Promise<Buffer>;
  /** Writes an entry to a file and answers its length and digest. */
  extract(name: string, path: string): Promise<FileEntry>;
  close(): void;
}

const openFile = promisify(
  (path: string, options: yauzl.Options, done: (error: Error | null, zip: yauzl.ZipFile) => void) =>
    yauzl.open(path, options, done),
);

/** Of a whole program’s backup. */
const MOST_ENTRIES = 1_100_000;

/** Opens a ZIP that may lie about itself: names are taken as names only, sizes are enforced while reading. */
export async function openZip(path: string, mostEntries = MOST_ENTRIES): Promise<OpenZip> {
  const zip = await openFile(path, {
    autoClose: false,
    lazyEntries: true,
    validateEntrySizes: true,
    strictFileNames: true,
  });
  const entries = await entriesOf(zip, mostEntries).catch((error: unknown) => {
    zip.close();
    throw error;
  });
  const stream = (name: string) =>
    new Promise<Readable>((done, fail) => {
      const entry = entries.get(name);
      if (!entry) fail(new Error(`openZip: no ${name}`));
      else zip.openReadStream(entry, (error, readable) => (error ? fail(error) : done(readable)));
    });
  return {
    entries,
    bytes: async (name, most) => {
      if ((entries.get(name)?.uncompressedSize ?? 0) > most) throw new Error(`openZip: ${name} too large`);
      const chunks: Buffer[] = [];
      for await (const chunk of await stream(name)) chunks.push(chunk as Buffer);
      return Buffer.concat(chunks);
    },
    extract: async (name, path) => {
      const { tap, bytes, sha256 } = digestTap();
      await pipeline(await stream(name), tap, createWriteStream(path, { mode: 0o600, flush: true }));
      return { name, bytes: bytes(), sha256: sha256() };
    },
    close: () => zip.close(),
  };
}

function entriesOf(zip: yauzl.ZipFile, most: number): Promise<Map<string, yauzl.Entry>> {
  const entries = new Map<string, yauzl.Entry>();
  return new Promise((done, fail) => {
    zip.on('error', fail);
    zip.on('end', () => done(entries));
    zip.on('entry', (entry: yauzl.Entry) => {
      if (entries.has(entry.fileName) || entries.size > most) {
        fail(new Error('openZip: a name twice, or too many'));
        return;
      }
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.readEntry();
  });
}
