import type { Student } from '@inchstep/contract/intake';
import type { ViewKind } from '@inchstep/core/intake';
import { Circle, Square } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useScreenKeys } from '../../platform/keys.ts';
import { Failed } from '../../platform/parts.tsx';
import type { ClipSending } from '../../platform/useClipOutbox.ts';
import { recordTake, type Take } from '../capture/index.ts';
import { StrikeKey } from './StrikeKey.tsx';
import { filmedOf, type LiveCamera, useTakeSender } from './useTakeSender.ts';
import { TAKE_BUTTON_WORDS } from './words.ts';

/** A take keeps the views it was begun in, whatever is looked at meanwhile. */
interface Running {
  readonly take: Take;
  readonly kind: ViewKind;
}

interface TakeButtonProps {
  readonly student: Student;
  /** Those that are on; none while the camera is off. */
  readonly cameras: readonly LiveCamera[];
  /** A take has come to the bench; without it the bench is opened. */
  readonly onTaken?: ((swingId: string) => void) | undefined;
}

/** Longer than any swing with its waggle. */
const LONGEST_S = 10;

const Key = () => (
  <kbd aria-hidden className="kbd kbd-sm text-base-content">
    {TAKE_BUTTON_WORDS.key}
  </kbd>
);

/** Records takes, by key or at the sound of the strike, and puts them on the bench. */
export function TakeButton({ student, cameras, onTaken }: TakeButtonProps) {
  const navigate = useNavigate();
  const [running, setRunning] = useState<readonly Running[]>([]);
  const [trouble, setTrouble] = useState<Error | null>(null);
  const left = useRef<readonly Running[]>([]);
  useEffect(() => {
    left.current = running;
  }, [running]);
  useEffect(
    () => () => {
      for (const { take } of left.current) void take.cancel();
    },
    [],
  );
  const sender = useTakeSender(student.id, (id) =>
    onTaken ? onTaken(id) : void navigate(`/students/${student.id}/bench/${id}`),
  );

  const begin = async () => {
    setTrouble(null);
    const on = cameras.flatMap(({ kind, track }) => {
      const found = track();
      return found ? [{ kind, found: found as MediaStreamVideoTrack }] : [];
    });
    setRunning(
      await Promise.all(on.map(async ({ kind, found }) => ({ kind, take: await recordTake(found) }))),
    );
  };
  const end = async () => {
    setRunning([]);
    const films = running.map(async ({ take, kind }) => ({ kind, file: await take.finish() }));
    const { whole, broken } = await filmedOf(films);
    if (whole.length > 0) await sender.put(whole);
    if (broken) throw broken;
  };
  const tell = (work: Promise<void>) => void work.catch((reason: Error) => setTrouble(reason));
  const on = running.length > 0;
  const press = useRef<() => void>(() => undefined);
  press.current = () => {
    if (on) tell(end());
    else if (cameras.length > 0) tell(begin());
  };
  useScreenKeys('r', () => press.current(), {}, []);
  // A take is a few seconds: one that nobody ends ends by itself.
  useEffect(() => {
    if (!on) return;
    const late = setTimeout(() => press.current(), 1000 * LONGEST_S);
    return () => clearTimeout(late);
  }, [on]);
  return (
    <>
      {on ? (
        <button type="button" className="btn btn-error" onClick={() => tell(end())}>
          <Square aria-hidden size={18} /> {TAKE_BUTTON_WORDS.endTheTake} <Key />
        </button>
      ) : (
        cameras.length > 0 && (
          <button type="button" className="btn" onClick={() => tell(begin())}>
            <Circle aria-hidden size={18} /> {TAKE_BUTTON_WORDS.startATake} <Key />
          </button>
        )
      )}
      {cameras.length > 0 && !on && (
        <StrikeKey cameras={cameras} onTake={(filmed) => void sender.put(filmed)} />
      )}
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
