import { VIEW_WORDS } from '@inchstep/contract/words';
import type { ViewKind } from '@inchstep/core/intake';
import { useEffect, useRef, useState } from 'react';
import { useCamera, useCameraList } from '../capture/index.ts';
import type { LiveCamera } from './useTakeSender.ts';
import { SECOND_CAMERA_WORDS } from './words.picture.ts';

/** Another camera of this device for the other view, where there is one: both are taken at the same moment. */
export function SecondCamera({
  kind,
  firstId,
  onCamera,
}: {
  readonly kind: ViewKind;
  /** The one that is in use already. */
  readonly firstId: string | null;
  readonly onCamera: (camera: LiveCamera | null) => void;
}) {
  const others = useCameraList(true).filter(({ id }) => id !== firstId);
  const [chosen, setChosen] = useState<string | null>(null);
  const video = useRef<HTMLVideoElement>(null);
  const { state, start, stop, track } = useCamera(video, chosen);
  useEffect(() => {
    if (chosen === null) return;
    void start();
    return stop;
  }, [chosen, start, stop]);
  const running = state === 'on';
  const hands = useRef({ track, onCamera });
  hands.current = { track, onCamera };
  useEffect(() => {
    if (!running) return;
    hands.current.onCamera({ kind, track: () => hands.current.track() });
    return () => hands.current.onCamera(null);
  }, [running, kind]);
  if (others.length === 0) return null;
  return (
    <div className="flex flex-wrap items-center gap-2">
      <label className="flex items-center gap-2">
        {SECOND_CAMERA_WORDS.title(VIEW_WORDS[kind]?.toLowerCase() ?? kind)}
        <select
          className="select w-56"
          value={chosen ?? ''}
          onChange={(e) => setChosen(e.target.value === '' ? null : e.target.value)}
        >
          <option value="">{SECOND_CAMERA_WORDS.none}</option>
          {others.map(({ id, name }, i) => (
            <option key={id} value={id}>
              {name || SECOND_CAMERA_WORDS.camera(i + 2)}
            </option>
          ))}
        </select>
      </label>
      {chosen !== null && (state === 'busy' || state === 'refused' || state === 'none') && (
        <p role="alert">{SECOND_CAMERA_WORDS.failed}</p>
      )}
      <video
        ref={video}
        muted
        playsInline
        aria-label={SECOND_CAMERA_WORDS.sees}
        className={`h-40 bg-[#17242b] ${running ? '' : 'hidden'}`}
      />
    </div>
  );
}
