import type { SetSeen } from '@inchstep/contract/practice';
import type { RunSpec } from '@inchstep/core/practice';
import { format } from 'date-fns';
import { useState } from 'react';
import { Runner, useRun } from '../practice/index.ts';
import { useLibraryWords } from '../prescription/index.ts';
import { putWaiting, sendWaiting, waitingSets } from './waitingSets.ts';
import { SET_RUNNER_WORDS } from './words.ts';

interface SetRunnerProps {
  readonly token: string;
  readonly spec: RunSpec;
  /** What the present checkpoint asks; null where there is one only. */
  readonly asks: string | null;
  readonly cautions: readonly string[];
  readonly done: readonly SetSeen[];
  readonly onLogged: () => void;
  readonly onPain: () => void;
}

/** The student's own count. Nothing is lost when the page is closed half-way or the signal is gone. */
export function SetRunner({ token, spec, asks, cautions, done, onLogged, onPain }: SetRunnerProps) {
  const { wordsOf } = useLibraryWords();
  const [said, setSaid] = useState('');
  // A half set of yesterday is no beginning of today's.
  const key = `${token.slice(0, 12)}.${format(new Date(), 'yyyy-MM-dd')}.${spec.drill}.${spec.stage}`;
  const run = useRun(key, spec, (set) => {
    // Kept before it is sent: a page closed on the way loses nothing, and sent twice it counts once.
    putWaiting(token, set);
    void sendWaiting(token).then(() => {
      const left = waitingSets(token).find((other) => other.id === set.id);
      setSaid(left ? (left.refused ?? SET_RUNNER_WORDS.noSignalKeptHere) : SET_RUNNER_WORDS.logged);
      onLogged();
    });
  });
  const words = wordsOf(spec.drill);
  const total = done.reduce((sum, set) => sum + set.reps.length, 0);
  return (
    <>
      <Runner
        of={run}
        words={{ name: words?.name ?? spec.drill, cue: words?.cue ?? '', counts: words?.counts ?? '' }}
        asks={asks}
        cautions={cautions}
        onPain={onPain}
        pained={<p className="mt-1 font-semibold">{SET_RUNNER_WORDS.tellBelow}</p>}
      />
      <p aria-live="polite" className="min-h-6">
        {run.state.reps.length === 0 && total > 0 ? SET_RUNNER_WORDS.repetitionsLoggedToday(total) : ''}{' '}
        {said}
      </p>
    </>
  );
}
