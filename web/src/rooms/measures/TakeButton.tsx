import { viewOf } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import type { ViewKind } from '@inchstep/core/intake';
import { Circle, Square } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useSteadyId } from '../../platform/ids.ts';
import { Failed } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { recordTake, type Take, useMade, useNewSwing, useUploadClip } from '../capture/index.ts';
import { TAKE_BUTTON_WORDS } from './words.ts';

/** A take keeps the view it was begun in, whatever is looked at meanwhile. */
interface Running {
  readonly take: Take;
  readonly kind: ViewKind;
}
interface Film {
  readonly file: File;
  readonly kind: ViewKind;
}

/** Records a take and puts it on the bench as a clip. `track` is null while the camera is off. */
export function TakeButton({
  student,
  kind,
  track,
  onTaken,
}: {
  readonly student: Student;
  readonly kind: ViewKind;
  readonly track: (() => MediaStreamTrack | null) | null;
  /** A take has come to the bench; without it the bench is opened. */
  readonly onTaken?: ((swingId: string) => void) | undefined;
}) {
  const me = useMe();
  const send = useUploadClip(student.id);
  const create = useNewSwing(student.id);
  const navigate = useNavigate();
  const [running, setRunning] = useState<Running | null>(null);
  /** A take that has not reached the bench yet; it stays until it does. */
  const [film, setFilm] = useState<Film | null>(null);
  const [trouble, setTrouble] = useState<Error | null>(null);
  const swingId = useSteadyId();
  const left = useRef<Running | null>(null);
  useEffect(() => {
    left.current = running;
  }, [running]);
  useEffect(() => () => void left.current?.take.cancel(), []);

  const [made] = useMade(student.id, me.data?.today ?? '');

  const begin = async () => {
    const found = track?.();
    if (!found) return;
    setTrouble(null);
    setFilm(null);
    swingId.renew();
    setRunning({ take: await recordTake(found as MediaStreamVideoTrack), kind });
  };
  const end = async ({ take, kind: begun }: Running) => {
    setRunning(null);
    const done = { file: await take.finish(), kind: begun };
    setFilm(done);
    await toBench(done);
  };
  const toBench = async ({ file, kind: begun }: Film) => {
    setTrouble(null);
    const recordedOn = me.data?.today ?? '';
    const signal = new AbortController().signal;
    const clip = await send.mutateAsync({ file, kind: begun, recordedOn, onProgress: () => {}, signal });
    const id = swingId.current();
    const views = [viewOf(clip)];
    await create.mutateAsync({ id, recordedOn, ...made, views, marks: [] });
    setFilm(null);
    if (onTaken) onTaken(id);
    else void navigate(`/students/${student.id}/bench/${id}`);
  };
  const tell = (work: Promise<void>) => void work.catch((reason: Error) => setTrouble(reason));
  return (
    <>
      {running ? (
        <button type="button" className="btn btn-error" onClick={() => tell(end(running))}>
          <Square aria-hidden size={18} /> {TAKE_BUTTON_WORDS.endTheTake}
        </button>
      ) : (
        track && (
          <button type="button" className="btn" onClick={() => tell(begin())} disabled={send.isPending}>
            <Circle aria-hidden size={18} /> {TAKE_BUTTON_WORDS.startATake}
          </button>
        )
      )}
      {(send.isPending || create.isPending) && <span role="status">{TAKE_BUTTON_WORDS.putting}</span>}
      {film && trouble && (
        <button type="button" className="btn" onClick={() => tell(toBench(film))}>
          {TAKE_BUTTON_WORDS.sendTheTakeAgain}
        </button>
      )}
      {trouble && <Failed error={trouble} />}
    </>
  );
}
