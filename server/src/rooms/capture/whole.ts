import { Readable } from 'node:stream';
import type { WholeClip } from '@inchstep/contract/capture';
import { filmedOnOurClock } from '@inchstep/core/intake';
import { type Context, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { clipById } from './repo.ts';
import type { Upload } from './service.ts';

interface WholeSender extends Pick<Upload, 'from' | 'author'> {
  /** Whose pieces they are. */
  readonly owner: string;
  /** What a phone's clock said when it sent; by it a film that is dated ahead is put right. */
  readonly sentAt?: string | null;
}

/**
 * Takes a clip that came in pieces; `take` does with it what it does with one that came at once. Asked again after it
 * was taken, it answers the same. What was taken or refused is let go; what a full disk stopped stays for another try.
 */
export async function takeWhole<T>(
  ctx: Context,
  { pieces, ...told }: WholeClip,
  { owner, sentAt = null, ...sender }: WholeSender,
  take: (upload: Upload) => Promise<T>,
): Promise<T> {
  const recordedOn = filmedOnOurClock(told.recordedOn, sentAt, stamp(ctx));
  const fields = { ...told, recordedOn };
  const file = await ctx.pieces.open(owner, pieces);
  if (!file && !clipById(ctx.db, fields.id)) throw new Refusal('pieces_gone');
  const { stream, fileName } = file ?? { stream: Readable.from([]), fileName: '' };
  try {
    const taken = await take({ ...fields, ...sender, fileName, stream, truncated: () => false });
    await ctx.pieces.drop(owner, pieces);
    return taken;
  } catch (error) {
    if (error instanceof Refusal) await ctx.pieces.drop(owner, pieces);
    throw error;
  } finally {
    stream.destroy();
  }
}
