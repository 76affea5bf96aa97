import type { Student } from '@inchstep/contract/intake';
import type { ViewKind } from '@inchstep/core/intake';
import { Circle, Square } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { ClipSending } from '../../platform/clipOutbox.ts';
import { Failed } from '../../platform/parts.tsx';
import { recordTake, type Take } from '../capture/index.ts';
import { StrikeKey } from './StrikeKey.tsx';
import { useTakeSender } from './useTakeSender.ts';
import { TAKE_BUTTON_WORDS } from './words.ts';

/** A take keeps the view it was begun in, whatever is looked at meanwhile. */
interface Running {
  readonly take: Take;
  readonly kind: ViewKind;
}

interface TakeButtonProps {
  readonly student: Student;
  readonly kind: ViewKind;
  /** Null while the camera is off. */
  readonly track: (() => MediaStreamTrack | null) | null;
  /** A take has come to the bench; without it the bench is opened. */
  readonly onTaken?: ((swingId: string) => void) | undefined;
}

/** Records takes, by key or at the sound of the strike, and puts them on the bench. */
export function TakeButton({ student, kind, track, onTaken }: TakeButtonProps) {
  const navigate = useNavigate();
  const [running, setRunning] = useState<Running | null>(null);
  const [trouble, setTrouble] = useState<Error | null>(null);
  const left = useRef<Running | null>(null);
  useEffect(() => {
    left.current = running;
  }, [running]);
  useEffect(() => () => void left.current?.take.cancel(), []);
  const sender = useTakeSender(student.id, (id) =>
    onTaken ? onTaken(id) : void navigate(`/students/${student.id}/bench/${id}`),
  );

  const begin = async () => {
    const found = track?.();
    if (!found) return;
    setTrouble(null);
    setRunning({ take: await recordTake(found as MediaStreamVideoTrack), kind });
  };
  const end = async ({ take, kind: begun }: Running) => {
    setRunning(null);
    sender.put(await take.finish(), begun);
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
          <button type="button" className="btn" onClick={() => tell(begin())}>
            <Circle aria-hidden size={18} /> {TAKE_BUTTON_WORDS.startATake}
          </button>
        )
      )}
      {track && !running && <StrikeKey track={track} onTake={(file) => sender.put(file, kind)} />}
      {sender.sendings.map((sending) => (
        <OnItsWay
          key={sending.id}
          sending={sending}
          onAgain={sender.again}
          onLetGo={() => sender.letGo(sending.id)}
        />
      ))}
      {trouble && <Failed error={trouble} />}
    </>
  );
}

/** A take until it is on the bench; what was refused says why. */
function OnItsWay({
  sending: { state, share, refused },
  onAgain,
  onLetGo,
}: {
  readonly sending: ClipSending;
  readonly onAgain: () => void;
  readonly onLetGo: () => void;
}) {
  if (state === 'there') return null;
  return (
    <span role="status" className="flex items-center gap-2">
      {state === 'sends' && (
        <>
          {TAKE_BUTTON_WORDS.putting}
          <progress className="progress w-20" value={share} max={1} aria-label={TAKE_BUTTON_WORDS.putting} />
        </>
      )}
      {state === 'waits' && (
        <>
          {TAKE_BUTTON_WORDS.keptHere}
          <button type="button" className="btn" onClick={onAgain}>
            {TAKE_BUTTON_WORDS.sendTheTakeAgain}
          </button>
        </>
      )}
      {state === 'refused' && (
        <>
          {TAKE_BUTTON_WORDS.refused(refused ?? '')}
          <button type="button" className="btn" onClick={onLetGo}>
            {TAKE_BUTTON_WORDS.letGo}
          </button>
        </>
      )}
    </span>
  );
}
