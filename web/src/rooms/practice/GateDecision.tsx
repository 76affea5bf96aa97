import type { GateState } from '@inchstep/contract/practice';
import { stageBefore } from '@inchstep/core/practice';
import { toast } from 'sonner';
import { Failed } from '../../platform/parts.tsx';
import { GateTape } from './GateTape.tsx';
import { NextRung } from './NextRung.tsx';
import { useDecideGate, useTakeBackGate } from './queries.ts';
import { GATE_DECISION_WORDS } from './words.ts';

const SAID = { hold: GATE_DECISION_WORDS.notedStay, back: GATE_DECISION_WORDS.oneRungDown } as const;

/** The gate's tape, what still holds the rung, and the coach's three answers; each can be undone. */
export function GateDecision({
  studentId,
  state,
}: {
  readonly studentId: string;
  readonly state: GateState;
}) {
  const decide = useDecideGate(studentId);
  const takeBack = useTakeBackGate(studentId);
  const { drill, stage } = state;
  // Taken back, a word was never said: rung and evidence are what they were.
  const say = (decision: keyof typeof SAID) =>
    decide.mutate(
      { drill, stage, decision, note: '' },
      {
        onSuccess: (id) =>
          toast(SAID[decision], {
            action: { label: GATE_DECISION_WORDS.undo, onClick: () => takeBack.mutate(id) },
          }),
      },
    );
  return (
    <>
      <GateTape state={state} />
      <div className="mt-2 flex flex-wrap gap-2">
        <NextRung studentId={studentId} on={state} />
        <button type="button" className="btn" onClick={() => say('hold')} disabled={decide.isPending}>
          {GATE_DECISION_WORDS.stay}
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => say('back')}
          disabled={decide.isPending || stageBefore(stage) === null}
        >
          {GATE_DECISION_WORDS.oneDown}
        </button>
      </div>
      {decide.error && <Failed error={decide.error} />}
      {takeBack.error && <Failed error={takeBack.error} />}
    </>
  );
}
