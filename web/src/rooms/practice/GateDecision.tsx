import type { GateState } from '@inchstep/contract/practice';
import { type Stage, stageAfter, stageBefore } from '@inchstep/core/practice';
import { toast } from 'sonner';
import { Failed } from '../../platform/parts.tsx';
import { GateTape } from './GateTape.tsx';
import { useDecideGate } from './queries.ts';

type Decision = 'advance' | 'hold' | 'back';

/** The gate's tape, what still holds the rung, and the coach's three answers; each can be undone. */
export function GateDecision({
  studentId,
  state,
}: {
  readonly studentId: string;
  readonly state: GateState;
}) {
  const decide = useDecideGate(studentId);
  const { drill, stage } = state;
  const open = state.held.length === 0;
  const say = (decision: Decision, note: string) =>
    decide.mutate({ drill, stage, decision, note }, { onSuccess: () => offerUndo(decision) });
  const offerUndo = (decision: Decision) => {
    const back = wayBack(decision, stage);
    if (!back) return void toast('Noted: stay.');
    toast(decision === 'advance' ? 'One rung up.' : 'One rung down.', {
      action: { label: 'Undo', onClick: () => decide.mutate({ drill, ...back, note: 'taken back' }) },
    });
  };
  return (
    <>
      <GateTape state={state} />
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className={`btn ${open ? 'btn-primary' : ''}`}
          onClick={() => say('advance', open ? '' : 'ahead of the gate')}
          disabled={decide.isPending || state.held.some((h) => h.code === 'pain')}
        >
          {open ? 'Next rung' : 'Next rung all the same'}
        </button>
        <button type="button" className="btn" onClick={() => say('hold', '')} disabled={decide.isPending}>
          Stay
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => say('back', '')}
          disabled={decide.isPending || stageBefore(stage) === null}
        >
          One down
        </button>
      </div>
      {decide.error && <Failed error={decide.error} />}
    </>
  );
}

/** The decision that returns to the rung a decision left; null where nothing moved. */
function wayBack(decision: Decision, stage: Stage): { stage: Stage; decision: Decision } | null {
  if (decision === 'advance') {
    const next = stageAfter(stage);
    return next && { stage: next, decision: 'back' };
  }
  const before = decision === 'back' ? stageBefore(stage) : null;
  return before && { stage: before, decision: 'advance' };
}
