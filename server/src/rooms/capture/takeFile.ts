import type { Readable } from 'node:stream';
import type { Context } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import type { Received } from '../../platform/files.ts';
import { isKnown, once, type Write } from '../../platform/writes/once.ts';

/** What a slow disk reads, at worst. */
const READ_BYTES_PER_MS = 20_000;

export interface FileTaken {
  readonly stream: Readable;
  /** True when the stream stopped at the size limit. */
  readonly truncated: () => boolean;
}
interface Taking<Facts, T> {
  /** Throws where it may not be; asked before the file is read, and again in the breath in which it is kept. */
  readonly may: () => void;
  /** The job that says what the file really is. */
  readonly inspect: { readonly job: string; readonly task: object };
  readonly keep: (received: Received, facts: Facts) => void;
  readonly read: () => T;
}

/** Takes a file in whole or not at all, as it came; sent again it is answered with what is kept. */
export async function takeFile<Facts, T>(
  ctx: Context,
  write: Write,
  { stream, truncated }: FileTaken,
  { may, inspect, keep, read }: Taking<Facts, T>,
): Promise<T> {
  try {
    may();
    if (isKnown(ctx, write)) {
      stream.resume();
      return read();
    }
  } catch (error) {
    // The rest of the body is let by, so that the answer is heard.
    stream.resume();
    throw error;
  }
  const received = await ctx.files.receive(stream);
  try {
    if (truncated()) throw new Refusal('clip_too_large', { limitMb: ctx.clipLimitMb });
    const { path, bytes } = received;
    const task = { ...inspect.task, path, bytes };
    const facts = await ctx.jobs.run<Facts>(inspect.job, task, {
      moreMs: bytes / READ_BYTES_PER_MS,
    });
    // Consent may have been withdrawn, the student erased, a letter gone, while the file was read.
    may();
    return once(ctx, write, () => keep(received, facts), read);
  } finally {
    await ctx.files.drop(received);
  }
}
