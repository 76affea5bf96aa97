import type { GateState } from '@inchstep/contract/practice';
import { stageBefore } from '@inchstep/core/practice';
import { useState } from 'react';
import { toast } from 'sonner';
import { Failed } from '../../platform/parts.tsx';
import { GateTape } from './GateTape.tsx';
import { useDecideGate, useTakeBackGate } from './queries.ts';
import { GATE_DECISION_WORDS } from './words.ts';

type Decision = 'advance' | 'hold' | 'back';
const SAID: Record<Decision, string> = {
  advance: GATE_DECISION_WORDS.oneRungUp,
  hold: GATE_DECISION_WORDS.notedStay,
  back: GATE_DECISION_WORDS.oneRungDown,
};

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
  const [asking, setAsking] = useState(false);
  const { drill, stage } = state;
  const open = state.held.length === 0;
  const say = (decision: Decision, note: string) =>
    decide.mutate({ drill, stage, decision, note }, { onSuccess: (id) => offerUndo(decision, id) });
  // Taken back, a word was never said: rung and evidence are what they were.
  const offerUndo = (decision: Decision, id: string) =>
    toast(SAID[decision], {
      action: { label: GATE_DECISION_WORDS.undo, onClick: () => takeBack.mutate(id) },
    });
  return (
    <>
      <GateTape state={state} />
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className={`btn ${open ? 'btn-primary' : ''}`}
          aria-expanded={open ? undefined : asking}
          onClick={() => (open ? say('advance', '') : setAsking(!asking))}
          disabled={decide.isPending || state.held.some((h) => h.code === 'pain')}
        >
          {open ? GATE_DECISION_WORDS.nextRung : GATE_DECISION_WORDS.nextRungAll}
        </button>
        <button type="button" className="btn" onClick={() => say('hold', '')} disabled={decide.isPending}>
          {GATE_DECISION_WORDS.stay}
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => say('back', '')}
          disabled={decide.isPending || stageBefore(stage) === null}
        >
          {GATE_DECISION_WORDS.oneDown}
        </button>
      </div>
      {asking && !open && (
        <Reason
          onSay={(why) => {
            setAsking(false);
            say('advance', why);
          }}
        />
      )}
      {decide.error && <Failed error={decide.error} />}
      {takeBack.error && <Failed error={takeBack.error} />}
    </>
  );
}

/** Going on ahead of the gate takes a reason, in one press or in words; it is kept. */
function Reason({ onSay }: { readonly onSay: (why: string) => void }) {
  const [why, setWhy] = useState('');
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      <span className="font-semibold">{GATE_DECISION_WORDS.why}</span>
      {GATE_DECISION_WORDS.whys.map((one) => (
        <button key={one} type="button" className="btn" onClick={() => onSay(one)}>
          {one}
        </button>
      ))}
      <input
        className="input h-11 min-w-40 flex-1"
        aria-label={GATE_DECISION_WORDS.say}
        placeholder={GATE_DECISION_WORDS.say}
        maxLength={500}
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && why.trim() !== '' && onSay(why.trim())}
      />
    </div>
  );
}
