import type { GateState } from '@inchstep/contract/practice';
import { stageRow } from '@inchstep/core/practice';
import { useState } from 'react';
import { toast } from 'sonner';
import { thisDevice, useSteadyId } from '../../platform/ids.ts';
import { Failed } from '../../platform/parts.tsx';
import { useLogSet } from './queries.ts';
import { RepPad } from './RepPad.tsx';
import { COACH_SET_LOG_WORDS } from './words.ts';

const MIDDLE = 5;

/** A set counted in the lesson, on the rung the drill stands on. */
export function CoachSetLog({
  studentId,
  state: { drill, stage, held, layer },
  today,
}: {
  readonly studentId: string;
  readonly state: GateState;
  readonly today: string;
}) {
  const [reps, setReps] = useState('');
  const [felt, setFelt] = useState(MIDDLE);
  const log = useLogSet(studentId);
  const id = useSteadyId();
  if (held.some((h) => h.code === 'pain')) return null;
  const save = () =>
    log.mutate(
      {
        id: id.current(),
        date: today,
        drill,
        stage,
        reps,
        felt,
        layer,
        doneAt: new Date().toISOString(),
        device: thisDevice(),
      },
      {
        onSuccess: () => {
          id.renew();
          setReps('');
          toast(COACH_SET_LOG_WORDS.setLogged);
        },
      },
    );
  return (
    <details className="mt-3">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        {COACH_SET_LOG_WORDS.countASetNow}
      </summary>
      <RepPad
        reps={reps}
        felt={felt}
        withBall={stageRow(stage).ball}
        lookEvery={stageRow(stage).lookEvery}
        onReps={setReps}
        onFelt={setFelt}
        onLog={save}
      />
      {log.error && <Failed error={log.error} />}
    </details>
  );
}
