import type { ViewKind } from '@inchstep/core/intake';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useParams } from 'react-router';
import { Failed } from '../../platform/parts.tsx';
import { FromWhere, recordTake, useCamera } from '../capture/index.ts';
import { PictureCheck } from '../measures/index.ts';
import { type Sending, useTakes } from './useTakes.ts';
import { CAMERA_WORDS } from './words.camera.ts';

/** A phone in the bay: it films what the coach asks for, both views at the same moment. */
export function CameraScreen() {
  const { token = '' } = useParams();
  const [kind, setKind] = useState<ViewKind | null>(null);
  const video = useRef<HTMLVideoElement>(null);
  const camera = useCamera(video);
  const track = useRef(camera.track);
  track.current = camera.track;
  const film = useCallback(async () => {
    const found = track.current();
    if (!found) throw new Error('CameraScreen: no picture');
    const take = await recordTake(found as MediaStreamVideoTrack);
    return () => take.finish();
  }, []);
  const here = navigator.mediaDevices !== undefined;
  useAwake(kind !== null);
  const takes = useTakes(token, kind, here && camera.state === 'on' ? film : null);
  const choose = (of: ViewKind) => {
    setKind(of);
    if (here) void camera.start();
  };
  return (
    <main className="mx-auto flex min-h-screen max-w-md flex-col gap-3 p-3">
      <h1 className="text-xl">
        {takes.page ? CAMERA_WORDS.films(takes.page.firstName, takes.page.coach) : CAMERA_WORDS.title}
      </h1>
      <FromWhere question={CAMERA_WORDS.which} kind={kind} onChoose={choose} />
      {takes.page?.over && (
        <p role="status" className="panel p-3 font-semibold">
          {CAMERA_WORDS.over}
        </p>
      )}
      {takes.page?.needsConsent && (
        <p role="alert" className="panel border-warning p-3 font-semibold">
          {CAMERA_WORDS.consent}
        </p>
      )}
      <video
        ref={video}
        muted
        playsInline
        aria-label={CAMERA_WORDS.sees}
        className={`max-h-[60vh] w-full bg-[#17242b] ${camera.state === 'on' ? '' : 'hidden'}`}
      />
      {takes.page && (
        <PictureCheck video={video} bodyIn={takes.page.heightIn} running={camera.state === 'on'} />
      )}
      {kind && here && camera.state !== 'on' && camera.state !== 'asking' && (
        <p role="status" className="panel p-3">
          {camera.state === 'refused' || camera.state === 'busy'
            ? CAMERA_WORDS[camera.state]
            : CAMERA_WORDS.none}
        </p>
      )}
      {kind && !here && (
        <OwnCamera takes={takes.page?.takes ?? []} onFile={(takeId, file) => takes.put(takeId, file, kind)} />
      )}
      {kind && takes.error !== null && <Failed error={takes.error} />}
      <ol aria-live="polite" className="flex flex-col gap-1">
        {takes.sendings.slice(-6).map((sending, i) => (
          <Line key={sending.takeId} sending={sending} number={i + 1} />
        ))}
      </ol>
    </main>
  );
}

const Line = ({ sending, number }: { readonly sending: Sending; readonly number: number }) => (
  <li className="flex items-center gap-2">
    <span className="flex-1">
      {CAMERA_WORDS.take(number)} {CAMERA_WORDS.state[sending.state]}
    </span>
    {sending.state === 'sends' && (
      <progress
        className="progress w-28"
        value={sending.share}
        max={1}
        aria-label={CAMERA_WORDS.state.sends}
      />
    )}
  </li>
);

/** A phone on a stick must not fall asleep between two swings; where the browser can't help it, nothing happens. */
function useAwake(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !navigator.wakeLock) return;
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      const got = await navigator.wakeLock.request('screen').catch(() => null);
      if (left) void got?.release();
      else lock = got;
    };
    void ask();
    // The browser takes it back whenever the page is hidden.
    document.addEventListener('visibilitychange', ask);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [wanted]);
}

/** Where the page may not use the camera, the phone's own one is opened; the clip lands in the take all the same. */
function OwnCamera({
  takes,
  onFile,
}: {
  readonly takes: readonly { readonly id: string }[];
  readonly onFile: (takeId: string, file: File) => void;
}) {
  // The button stays for the last take that was asked, also when its moment is over.
  const [asked, setAsked] = useState<string | null>(null);
  const latest = takes.at(-1)?.id ?? asked;
  if (latest !== null && latest !== asked) setAsked(latest);
  return (
    <div className="panel flex flex-col gap-2 p-3">
      <p>{CAMERA_WORDS.noTls}</p>
      {latest === null ? (
        <p className="font-semibold">{CAMERA_WORDS.waits}</p>
      ) : (
        <label className="btn btn-primary h-16 text-lg">
          {CAMERA_WORDS.filmNow}
          <input
            type="file"
            accept="video/*"
            capture="environment"
            className="sr-only"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) onFile(latest, file);
              e.target.value = '';
            }}
          />
        </label>
      )}
    </div>
  );
}
