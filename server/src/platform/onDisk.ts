import { createHash } from 'node:crypto';
import { closeSync, fsyncSync, openSync } from 'node:fs';
import { Transform } from 'node:stream';

/** A stream's length and SHA-256, told while it passes through. */
export function digestTap(): {
  readonly tap: Transform;
  readonly bytes: () => number;
  readonly sha256: () => string;
} {
  const digest = createHash('sha256');
  let bytes = 0;
  const tap = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      digest.update(chunk);
      bytes += chunk.length;
      done(null, chunk);
    },
  });
  return { tap, bytes: () => bytes, sha256: () => digest.digest('hex') };
}

/** A folder's own entries are on the disk, too, so that a kept file's name survives a power cut. */
export function syncFolder(folder: string): void {
  const handle = openSync(folder, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}
