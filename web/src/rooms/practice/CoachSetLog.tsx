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

interface CoachSetProps {
  readonly studentId: string;
  readonly on: Pick<GateState, 'drill' | 'stage' | 'layer'>;
  readonly today: string;
}

/** A set counted in the lesson, on the rung the drill stands on; in pain none is counted. */
export function CoachSetLog({
  studentId,
  state,
  today,
}: Omit<CoachSetProps, 'on'> & { readonly state: GateState }) {
  if (state.held.some((h) => h.code === 'pain')) return null;
  return (
    <details className="mt-3">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        {COACH_SET_LOG_WORDS.countASetNow}
      </summary>
      <CoachSet studentId={studentId} on={state} today={today} />
    </details>
  );
}

export function CoachSet({ studentId, on: { drill, stage, layer }, today }: CoachSetProps) {
  const [reps, setReps] = useState('');
  const [felt, setFelt] = useState(MIDDLE);
  const log = useLogSet(studentId);
  const id = useSteadyId();
  const save = () =>
    log.mutate(
      {
        id: id.current(),
        date: today,
        drill,
        stage,
        reps,
        felt,
        strike: null,
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
    <>
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
    </>
  );
}
