import type { SetSeen } from '@inchstep/contract/practice';
import { CARD_WORDS } from '@inchstep/contract/words';
import type { Stage } from '@inchstep/core/practice';
import { format } from 'date-fns';
import { useEffect, useState } from 'react';
import { newId, thisDevice } from '../../platform/ids.ts';

import { RepPad } from '../practice/index.ts';
import { useLibraryWords } from '../prescription/index.ts';
import { putWaiting, sendWaiting, waitingSets } from './waitingSets.ts';
import { SET_RUNNER_WORDS } from './words.ts';

interface SetRunnerProps {
  readonly token: string;
  readonly drill: string;
  readonly stage: Stage;
  /** The checkpoint that is asked. */
  readonly layer: number;
  readonly withBall: boolean;
  readonly lookEvery: number | null;
  readonly done: readonly SetSeen[];
  readonly onLogged: () => void;
}

const MIDDLE = 5;

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** The student's own count. Nothing is lost when the page is closed half-way or the signal is gone. */
export function SetRunner({
  token,
  drill,
  stage,
  layer,
  withBall,
  lookEvery,
  done,
  onLogged,
}: SetRunnerProps) {
  const { wordsOf } = useLibraryWords();
  // A half set of yesterday is no beginning of today's.
  const key = `inchstep.run.${token.slice(0, 12)}.${format(new Date(), 'yyyy-MM-dd')}.${drill}.${stage}`;
  const [reps, setReps] = useState(() => localStorage.getItem(key) ?? '');
  const [felt, setFelt] = useState(MIDDLE);
  const [said, setSaid] = useState('');
  useEffect(() => localStorage.setItem(key, reps), [key, reps]);
  const total = done.reduce((sum, set) => sum + set.reps.length, 0);
  const save = async () => {
    const now = new Date();
    const set = {
      id: newId(),
      date: format(now, 'yyyy-MM-dd'),
      drill,
      stage,
      reps,
      felt,
      layer,
      doneAt: now.toISOString(),
      device: thisDevice(),
    };
    // Kept before it is sent: a page closed on the way loses nothing, and sent twice it counts once.
    putWaiting(token, set);
    setReps('');
    setFelt(MIDDLE);
    await sendWaiting(token);
    const left = waitingSets(token).find((other) => other.id === set.id);
    setSaid(left ? (left.refused ?? SET_RUNNER_WORDS.noSignalKeptHere) : SET_RUNNER_WORDS.logged);
    onLogged();
  };
  return (
    <div className="flex flex-col gap-3">
      <p className="text-sm">
        {CARD_WORDS.counts} {lowerFirst(wordsOf(drill)?.counts ?? '')}
      </p>
      <RepPad
        reps={reps}
        felt={felt}
        withBall={withBall}
        lookEvery={lookEvery}
        onReps={setReps}
        onFelt={setFelt}
        onLog={() => void save()}
      />
      <p aria-live="polite" className="min-h-6">
        {reps.length === 0 && total > 0 ? SET_RUNNER_WORDS.repetitionsLoggedToday(total) : ''} {said}
      </p>
    </div>
  );
}
