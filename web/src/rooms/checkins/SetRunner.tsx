import type { SetSeen } from '@inchstep/contract/practice';
import type { RunSpec } from '@inchstep/core/practice';
import { useEffect, useState } from 'react';
import { Runner, useRun } from '../practice/index.ts';
import { useLibraryWords } from '../prescription/index.ts';
import type { PageBox } from './usePageBox.ts';
import { SET_RUNNER_WORDS } from './words.ts';

interface SetRunnerProps {
  readonly token: string;
  /** The day it counts for, as the page says. */
  readonly day: string;
  readonly box: PageBox;
  readonly spec: RunSpec;
  readonly cautions: readonly string[];
  /** Repetitions that the day still has room for; null where nothing is known. */
  readonly room: number | null;
  readonly done: readonly Pick<SetSeen, 'reps'>[];
  readonly onPain: () => void;
}

/** The student's own count. Nothing is lost when the page is closed half-way or the signal is gone. */
export function SetRunner({ token, day, box, spec, cautions, room, done, onPain }: SetRunnerProps) {
  const { wordsOf } = useLibraryWords();
  const [last, setLast] = useState<string | null>(null);
  // A half set of yesterday is no beginning of today's.
  const run = useRun({ of: token.slice(0, 12), day }, spec, (set) => {
    // Kept before it is sent: a page closed on the way loses nothing, and sent twice it counts once.
    box.putSet(set);
    setLast(set.id);
  });
  const { press } = run;
  const { stopped } = run.state;
  // Held, this card is not drawn: it was a slip, or the drills are free again.
  useEffect(() => {
    if (stopped) press({ do: 'no_pain' });
  }, [stopped, press]);
  const words = wordsOf(spec.drill);
  const total = done.reduce((sum, set) => sum + set.reps.length, 0);
  const sending = box.sendings.find(({ id }) => id === last);
  const said =
    sending?.state === 'there'
      ? SET_RUNNER_WORDS.logged
      : sending?.state === 'refused'
        ? sending.refused
        : sending?.state === 'waits'
          ? SET_RUNNER_WORDS.noSignalKeptHere
          : '';
  const enough = room !== null && room - run.state.reps.length <= 0;
  return (
    <>
      {enough && (
        <p role="alert" className="panel border-warning p-3 font-semibold">
          {SET_RUNNER_WORDS.enough}
        </p>
      )}
      <Runner
        of={run}
        words={{ name: words?.name ?? spec.drill, cue: words?.cue ?? '', counts: words?.counts ?? '' }}
        asks={words?.layers ?? []}
        cautions={cautions}
        strikes
        onPain={onPain}
      />
      <p aria-live="polite" className="min-h-6">
        {run.state.reps.length === 0 && total > 0 ? SET_RUNNER_WORDS.repetitionsLoggedToday(total) : ''}{' '}
        {said}
      </p>
    </>
  );
}
