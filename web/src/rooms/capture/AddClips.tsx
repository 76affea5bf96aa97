import type { Clip } from '@inchstep/contract/capture';
import { VIEW_WORDS } from '@inchstep/contract/words';
import { Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { Failed } from '../../platform/parts.tsx';
import { useUploadClip } from './queries.ts';
import { ADD_CLIPS_WORDS } from './words.ts';

/** Takes a clip for one view, with progress and a way to stop. */
export function AddClip({
  studentId,
  kind,
  recordedOn,
  onAdded,
}: {
  readonly studentId: string;
  readonly kind: Clip['kind'];
  readonly recordedOn: string;
  readonly onAdded: (clip: Clip) => void;
}) {
  const send = useUploadClip(studentId);
  const [share, setShare] = useState(0);
  const stop = useRef<AbortController | null>(null);
  const choose = (file: File | undefined) => {
    if (!file) return;
    stop.current = new AbortController();
    setShare(0);
    send.mutate(
      { file, kind, recordedOn, onProgress: setShare, signal: stop.current.signal },
      { onSuccess: onAdded },
    );
  };
  const stopped = send.error instanceof DOMException;
  return (
    <div className="panel flex min-h-44 flex-1 flex-col items-center justify-center gap-3 border-dashed p-4 text-center">
      <h3 className="text-lg">{VIEW_WORDS[kind]}</h3>
      <p className="text-sm text-base-content/80">
        {kind === 'face_on' ? ADD_CLIPS_WORDS.phoneAtBeltBuckle : ADD_CLIPS_WORDS.phoneOnTheHand}
      </p>
      {send.isPending ? (
        <div className="flex w-full flex-col items-center gap-2" role="status">
          <progress
            className="progress w-full"
            value={share}
            max={1}
            aria-label={ADD_CLIPS_WORDS.sendingTheClip}
          />
          <button type="button" className="btn" onClick={() => stop.current?.abort()}>
            {ADD_CLIPS_WORDS.stop}
          </button>
        </div>
      ) : (
        <label className="btn btn-primary">
          <Upload aria-hidden size={20} /> {ADD_CLIPS_WORDS.chooseAClip}
          <input
            data-testid={`file-${kind}`}
            type="file"
            accept="video/mp4,video/quicktime,video/webm,.mp4,.mov,.webm"
            className="sr-only"
            onChange={(e) => choose(e.target.files?.[0])}
          />
        </label>
      )}
      {send.error && !stopped && <Failed error={send.error} />}
      {stopped && <p role="status">{ADD_CLIPS_WORDS.stoppedNothingWasKept}</p>}
    </div>
  );
}
