import type { ViewKind } from '@inchstep/core/intake';
import { HttpError } from '../../platform/httpError.ts';
import { takeClip } from './queries.ts';

/** A clip that goes with a check-in; its id stays over every try, so that it arrives once. */
export interface ChosenClip {
  readonly id: string;
  readonly file: File;
  readonly kind: ViewKind;
}

/** Names of the pieces that were begun, by clip: the next try goes on where this one stopped. */
const begun = new Map<string, string>();

/** Sends one clip in pieces and has it taken in; asked again after a break, it goes on. */
export async function sendClip(
  token: string,
  { id, file, kind }: ChosenClip,
  recordedOn: string,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<void> {
  const endpoint = `/api/page/${token}/pieces`;
  const { sendPieces } = await import('../../platform/sendPieces.ts');
  for (let tries = 0; ; tries++) {
    const at = begun.get(id);
    const pieces = await sendPieces({
      file,
      endpoint,
      url: at ? `${endpoint}/${at}` : null,
      onBegun: (name) => begun.set(id, name),
      onProgress,
      signal,
    });
    try {
      await takeClip(token, { pieces, id, kind, recordedOn });
      begun.delete(id);
      return;
    } catch (reason) {
      const code = reason instanceof HttpError ? reason.failure.code : '';
      if (code === 'pieces_gone') begun.delete(id);
      if (tries > 0 || (code !== 'pieces_gone' && code !== 'pieces_missing')) throw reason;
    }
  }
}
