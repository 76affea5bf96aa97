import type { StrikeEar } from '@inchstep/core/capture';
import { Ear, EarOff } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { ToldError } from '../../platform/httpError.ts';
import { Failed } from '../../platform/parts.tsx';
import { type Listening, listen, type Rolling, rollingTake } from '../capture/index.ts';
import { type Filmed, filmedOf, type LiveCamera } from './useTakeSender.ts';
import { STRIKE_WORDS } from './words.ts';

/** A take holds so much before the strike and after it: address to finish. */
const BEFORE_S = 3.2;
const AFTER_S = 1.6;
const EARS: readonly StrikeEar[] = ['near', 'usual', 'far'];

/** Films without end, and keeps a swing when its strike is heard. Nothing of the sound is kept. */
export function StrikeKey({
  cameras,
  onTake,
}: {
  readonly cameras: readonly LiveCamera[];
  readonly onTake: (filmed: readonly Filmed[]) => void;
}) {
  const [on, setOn] = useState(false);
  const [ear, setEar] = useState<StrikeEar>('usual');
  const { aboveDb, heard, trouble } = useStrikes(on, ear, cameras, onTake);
  const listening = on && trouble === null;
  return (
    <span className="flex flex-wrap items-center gap-2">
      <button
        type="button"
        aria-pressed={listening}
        className={`btn ${listening ? 'btn-primary' : ''}`}
        onClick={() => setOn(!listening)}
      >
        {listening ? <Ear aria-hidden size={18} /> : <EarOff aria-hidden size={18} />} {STRIKE_WORDS.byEar}
      </button>
      {listening && (
        <>
          <select
            aria-label={STRIKE_WORDS.ear}
            className="select w-36"
            value={ear}
            onChange={(e) => setEar(e.target.value as StrikeEar)}
          >
            {EARS.map((one) => (
              <option key={one} value={one}>
                {STRIKE_WORDS.ears[one]}
              </option>
            ))}
          </select>
          <meter
            className="w-24"
            aria-label={STRIKE_WORDS.level}
            min={0}
            max={40}
            value={Math.max(0, Math.min(40, aboveDb))}
          />
          <span role="status">{STRIKE_WORDS.heard(heard)}</span>
        </>
      )}
      {trouble && <Failed error={trouble} />}
    </span>
  );
}

/** While `on`: the level above the background, how many strikes were heard, and what went wrong. */
function useStrikes(
  on: boolean,
  ear: StrikeEar,
  cameras: readonly LiveCamera[],
  onTake: (filmed: readonly Filmed[]) => void,
) {
  const [aboveDb, setAboveDb] = useState(0);
  const [heard, setHeard] = useState(0);
  const [trouble, setTrouble] = useState<Error | null>(null);
  const hands = useRef({ cameras, onTake });
  hands.current = { cameras, onTake };
  // A second camera that comes or goes begins the films anew.
  const views = cameras.map(({ kind }) => kind).join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the views stand for their cameras
  useEffect(() => {
    if (!on) return;
    let left = false;
    let films: readonly { readonly kind: Filmed['kind']; readonly rolling: Rolling }[] = [];
    let listening: Listening | null = null;
    const keep = async (agoMs: number) => {
      setHeard((count) => count + 1);
      await new Promise((done) => setTimeout(done, Math.max(0, 1000 * AFTER_S - agoMs)));
      const cuts = films.map(async ({ kind, rolling }) => ({
        kind,
        file: await rolling.cut(BEFORE_S + AFTER_S),
      }));
      const { whole, broken } = await filmedOf(cuts);
      if (whole.length > 0 && !left) hands.current.onTake(whole);
      if (broken) throw broken;
    };
    const begin = async () => {
      const on = hands.current.cameras.flatMap(({ kind, track }) => {
        const found = track();
        return found ? [{ kind, found: found as MediaStreamVideoTrack }] : [];
      });
      films = await Promise.all(
        on.map(async ({ kind, found }) => ({ kind, rolling: await rollingTake(found) })),
      );
      listening = await listen(ear, (agoMs) => void keep(agoMs).catch(setTrouble), setAboveDb);
      if (left) end();
    };
    const end = () => {
      for (const { rolling } of films) rolling.stop();
      listening?.stop();
    };
    setTrouble(null);
    begin().catch((reason: Error) => {
      end();
      if (!left) setTrouble(told(reason));
    });
    return () => {
      left = true;
      end();
    };
  }, [on, ear, views]);
  return { aboveDb, heard, trouble };
}

function told(reason: Error): Error {
  if (reason.name === 'NotAllowedError') return new ToldError(STRIKE_WORDS.refused);
  if (reason.name === 'NotFoundError') return new ToldError(STRIKE_WORDS.none);
  return reason;
}
