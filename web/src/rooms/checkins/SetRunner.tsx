import type { StoredSet } from '@inchstep/contract/practice';
import { DRILL_WORDS } from '@inchstep/contract/words';
import type { Rep, Stage } from '@inchstep/core/practice';
import { Check, CircleHelp, Undo2, X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { HttpError } from '../../platform/httpError.ts';
import { putWaiting } from './outbox.ts';
import { sendSet } from './queries.ts';

interface SetRunnerProps {
  readonly token: string;
  readonly drill: string;
  readonly stage: Stage;
  readonly withBall: boolean;
  readonly today: string;
  readonly done: readonly StoredSet[];
  readonly onLogged: () => void;
}

const CALLS = ['Rehearse', 'Rehearse', 'One ball', 'Look'] as const;

/** Three thumbs: counted, missed, not sure. Nothing is lost when the page is closed half-way. */
export function SetRunner({ token, drill, stage, withBall, today, done, onLogged }: SetRunnerProps) {
  const key = `inchstep.run.${token.slice(0, 12)}.${drill}.${stage}`;
  const [reps, setReps] = useState(() => localStorage.getItem(key) ?? '');
  const [felt, setFelt] = useState(5);
  const [said, setSaid] = useState('');
  useEffect(() => localStorage.setItem(key, reps), [key, reps]);
  const press = (rep: Rep) => setReps((now) => now + rep);
  const passed = [...reps].filter((rep) => rep === 'P').length;
  const total = done.reduce((sum, set) => sum + set.reps.length, 0);
  const save = async () => {
    const set = { id: crypto.randomUUID(), date: today, drill, stage, reps, felt };
    setReps('');
    try {
      await sendSet(token, set);
      setSaid('Logged.');
    } catch (error) {
      if (error instanceof HttpError && error.status >= 400) {
        setSaid(error.message);
        setReps(reps);
        return;
      }
      putWaiting(token, set);
      setSaid('No signal. Kept here, and sent later.');
    }
    onLogged();
  };
  return (
    <div className="flex flex-col gap-3">
      {withBall && <p className="font-semibold">Next: {CALLS[reps.length % CALLS.length]}</p>}
      <p className="text-sm">It counts when: {DRILL_WORDS[drill]?.counts}</p>
      <div className="grid grid-cols-3 gap-2">
        <button type="button" className="btn btn-primary h-16 flex-col gap-0" onClick={() => press('P')}>
          <Check aria-hidden /> Counted
        </button>
        <button type="button" className="btn h-16 flex-col gap-0" onClick={() => press('F')}>
          <X aria-hidden /> Missed
        </button>
        <button type="button" className="btn h-16 flex-col gap-0" onClick={() => press('?')}>
          <CircleHelp aria-hidden /> Not sure
        </button>
      </div>
      <p aria-live="polite" className="min-h-6">
        {reps.length > 0
          ? `${passed} of ${reps.length} counted in this set.`
          : total > 0
            ? `${total} repetitions logged today.`
            : ''}{' '}
        {said}
      </p>
      {reps.length > 0 && (
        <>
          <label className="flex flex-col gap-1">
            How did it feel? {felt} of 10
            <input
              type="range"
              className="range w-full"
              min={0}
              max={10}
              value={felt}
              onChange={(e) => setFelt(Number(e.target.value))}
            />
          </label>
          <div className="flex gap-2">
            <button type="button" className="btn" onClick={() => setReps((now) => now.slice(0, -1))}>
              <Undo2 aria-hidden size={18} /> Take one back
            </button>
            <button type="button" className="btn btn-primary flex-1" onClick={() => void save()}>
              Log this set
            </button>
          </div>
        </>
      )}
    </div>
  );
}
