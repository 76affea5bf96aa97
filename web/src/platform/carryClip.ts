import { HttpError } from './httpError.ts';
import type { Carry } from './outbox.ts';
import type { Waiting } from './sendingStore.ts';
import type { sendPieces } from './sendPieces.ts';

/** What the program is told when a clip's pieces are whole. */
export interface Whole {
  readonly pieces: string;
  readonly id: string;
  readonly kind: ClipBody['kind'];
  readonly recordedOn: string;
}
/** Takes a whole clip in. */
export type Deliver = (clip: Waiting, whole: Whole) => Promise<unknown>;

/** What a waiting clip carries beside its film. */
export interface ClipBody {
  readonly kind: 'face_on' | 'down_the_line';
  readonly recordedOn: string;
  /** What the sender needs besides: the take, the swing. */
  readonly note: Readonly<Record<string, string>>;
}
export const clipBodyOf = ({ body }: Pick<Waiting, 'body'>): ClipBody => body as unknown as ClipBody;

/** A carrier of clips in pieces: begun at `endpoint`, each goes on where it stopped, and is taken in once. */
export function carryClip(endpoint: () => string, deliver: Deliver, send?: typeof sendPieces): Carry {
  const carry = async (clip: Waiting, way: Parameters<Carry>[1], again = true): Promise<void> => {
    const { id, file } = clip;
    if (!file) throw new Error('carryClip: a clip without its film');
    const { kind, recordedOn } = clipBodyOf(clip);
    const bring = send ?? (await import('./sendPieces.ts')).sendPieces;
    const at = endpoint();
    const pieces = await bring({
      file,
      endpoint: at,
      // Not the whole address: a newer code or link goes on where the old one stopped.
      url: clip.pieces && `${at}/${clip.pieces}`,
      onBegun: (begun) => void way.onPieces(begun),
      onProgress: way.onShare,
    });
    try {
      await deliver(clip, { pieces, id, kind, recordedOn });
    } catch (reason) {
      const code = reason instanceof HttpError ? reason.failure.code : '';
      // The program let the pieces go meanwhile, or has not all of them: it begins anew, or goes on.
      if (!again || (code !== 'pieces_gone' && code !== 'pieces_missing')) throw reason;
      await carry({ ...clip, pieces: code === 'pieces_gone' ? null : pieces }, way, false);
    }
  };
  return carry;
}
