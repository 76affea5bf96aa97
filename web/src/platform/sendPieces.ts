import { DetailedError, Upload } from 'tus-js-client';
import { HttpError } from './httpError.ts';
import { HTTP_WORDS } from './words.ts';

/**
 * What arrived of a piece stays when the line breaks, so that small ones win nothing; many of them would run into the
 * student's own limit of requests a minute on a quick line.
 */
const PIECE_BYTES = 4 * 1024 * 1024;
const AGAIN_AFTER_MS = [0, 1000, 3000, 6000];

export interface PiecesAsk {
  readonly file: File;
  /** Where new files are begun. */
  readonly endpoint: string;
  /** Where this one goes on; null to begin. */
  readonly url: string | null;
  /** Told the name of its pieces once it has one. */
  readonly onBegun: (pieces: string) => void;
  readonly onProgress: (share: number) => void;
  /** Stops it; what was sent stays there for the next try. */
  readonly signal?: AbortSignal;
}

/** Sends a file piece by piece from where it stands; answers the name its pieces have at the program. */
export function sendPieces({ file, endpoint, url, onBegun, onProgress, signal }: PiecesAsk): Promise<string> {
  return new Promise((resolve, reject) => {
    const upload: Upload = new Upload(file, {
      endpoint,
      uploadUrl: url,
      chunkSize: PIECE_BYTES,
      retryDelays: AGAIN_AFTER_MS,
      // Where a file goes on is kept with the clip, not in a list of its own.
      storeFingerprintForResuming: false,
      headers: { 'x-inchstep': '1' },
      metadata: { fileName: file.name },
      onUploadUrlAvailable: () => {
        onBegun(nameIn(upload.url));
      },
      onProgress: (sent, all) => onProgress(all ? sent / all : 0),
      onSuccess: () => resolve(nameIn(upload.url)),
      onError: (error) => reject(asHttpError(error)),
    });
    signal?.addEventListener('abort', () => {
      void upload.abort();
      reject(new DOMException('stopped', 'AbortError'));
    });
    upload.start();
  });
}

const nameIn = (url: string | null): string => url?.split('/').at(-1) ?? '';

function asHttpError(error: Error | DetailedError): HttpError {
  const status = error instanceof DetailedError ? (error.originalResponse?.getStatus() ?? 0) : 0;
  const code = status === 413 ? 'clip_too_large' : status === 0 ? 'offline' : 'upload_broken';
  const message = status === 413 ? HTTP_WORDS.tooLarge : HTTP_WORDS.noConnection;
  return new HttpError(status, { code, message, problems: [] });
}
