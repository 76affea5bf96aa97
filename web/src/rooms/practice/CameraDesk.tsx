import type { CameraLink } from '@inchstep/contract/practice';
import { VIEW_WORDS } from '@inchstep/contract/words';
import { TAKE_SECONDS } from '@inchstep/core/capture';
import { VIEW_KINDS, type ViewKind } from '@inchstep/core/intake';
import { QRCodeSVG } from 'qrcode.react';
import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { useScreenKeys } from '../../platform/keys.ts';
import { Failed, Panel } from '../../platform/parts.tsx';
import { useCameraDesk, useOpenCameras, useTakeNow } from './cameraQueries.ts';
import { CAMERA_DESK_WORDS } from './words.camera.ts';

const SHOWN = 5;
const namesOf = (kinds: readonly ViewKind[]): string =>
  kinds.map((kind) => VIEW_WORDS[kind]?.toLowerCase()).join(', ');

/** Phones that film this lesson: the code they read, who is here, and one key that starts them together. */
export function CameraDesk({
  studentId,
  lessonId,
}: {
  readonly studentId: string;
  readonly lessonId: string;
}) {
  const open = useOpenCameras(studentId, lessonId);
  const [link, setLink] = useState<CameraLink | null>(null);
  const desk = useCameraDesk(studentId, lessonId, true);
  const take = useTakeNow(studentId, lessonId);
  const cameras = desk.data?.cameras ?? [];
  const begin = () => take.mutate(TAKE_SECONDS.usual, { onSuccess: () => toast(CAMERA_DESK_WORDS.asked) });
  const ready = cameras.length > 0 && !take.isPending;
  useScreenKeys('t', () => ready && begin(), {}, [ready]);
  const [shown, setShown] = useState(false);
  const show = () => {
    setShown(cameras.length === VIEW_KINDS.length);
    open.mutate(undefined, { onSuccess: (made) => setLink(made) });
  };
  return (
    <Panel
      title={CAMERA_DESK_WORDS.title}
      aside={
        <button type="button" className="btn" onClick={show} disabled={open.isPending}>
          {link ? CAMERA_DESK_WORDS.anew : CAMERA_DESK_WORDS.open}
        </button>
      }
    >
      {/* Once both views are here the code has done its work; it comes back by its key. */}
      {link && (cameras.length < VIEW_KINDS.length || shown) && <Code link={link} />}
      <p aria-live="polite">
        {cameras.length === 0
          ? CAMERA_DESK_WORDS.nobody
          : CAMERA_DESK_WORDS.here(namesOf(cameras.map(({ kind }) => kind)))}
      </p>
      <button type="button" className="btn btn-primary mt-2 h-14" onClick={begin} disabled={!ready}>
        {CAMERA_DESK_WORDS.take}
        <kbd className="kbd kbd-sm text-base-content">{CAMERA_DESK_WORDS.takeKey}</kbd>
      </button>
      <ol className="mt-2" aria-label={CAMERA_DESK_WORDS.takes}>
        {(desk.data?.takes ?? [])
          .slice(-SHOWN)
          .reverse()
          .map(({ id, arrived }) => (
            <li key={id} className="flex items-center gap-3">
              <span className="flex-1">{CAMERA_DESK_WORDS.arrived(namesOf(arrived))}</span>
              {arrived.length > 0 && (
                <Link className="btn" to={`/students/${studentId}/bench/${id}`}>
                  {CAMERA_DESK_WORDS.bench}
                </Link>
              )}
            </li>
          ))}
      </ol>
      {(open.error || take.error) && <Failed error={open.error ?? take.error} />}
    </Panel>
  );
}

function Code({ link: { token, trust } }: { readonly link: CameraLink }) {
  const local = ['localhost', '127.0.0.1', '[::1]'].includes(location.hostname);
  const address = `${location.origin}/c/${token}`;
  return (
    <div className="mb-3 flex flex-wrap items-center gap-4">
      <div className="bg-white p-3">
        <QRCodeSVG value={address} size={168} title={CAMERA_DESK_WORDS.code} />
      </div>
      <div className="min-w-48 flex-1">
        <p>{local ? CAMERA_DESK_WORDS.local : CAMERA_DESK_WORDS.read}</p>
        {trust && !local && (
          <details>
            <summary className="min-h-11 cursor-pointer py-2">{CAMERA_DESK_WORDS.warns}</summary>
            <p>{CAMERA_DESK_WORDS.trust(`http://${location.hostname}:${trust.port}`)}</p>
            <p className="break-all text-sm">{trust.fingerprint}</p>
          </details>
        )}
      </div>
    </div>
  );
}
