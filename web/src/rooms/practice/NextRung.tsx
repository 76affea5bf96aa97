import type { GateState } from '@inchstep/contract/practice';
import { useState } from 'react';
import { toast } from 'sonner';
import { Failed } from '../../platform/parts.tsx';
import { useDecideGate, useTakeBackGate } from './queries.ts';
import { GATE_DECISION_WORDS } from './words.ts';

const HERE = {
  open: GATE_DECISION_WORDS.nextRung,
  all: GATE_DECISION_WORDS.nextRungAll,
  said: GATE_DECISION_WORDS.oneRungUp,
};

/** The word that a test is passed; ahead of its gate it takes a reason. It can be undone. */
export function NextRung({
  studentId,
  on: { drill, stage, held },
  words = HERE,
}: {
  readonly studentId: string;
  readonly on: Pick<GateState, 'drill' | 'stage' | 'held'>;
  readonly words?: typeof HERE | Readonly<Record<keyof typeof HERE, string>>;
}) {
  const decide = useDecideGate(studentId);
  const takeBack = useTakeBackGate(studentId);
  const [asking, setAsking] = useState(false);
  const open = held.length === 0;
  const say = (note: string) => {
    setAsking(false);
    // The word and its undo outlive this key: on the next rung it may not stand any more.
    decide.mutateAsync({ drill, stage, decision: 'advance', note }).then(
      (id) =>
        toast(words.said, {
          action: { label: GATE_DECISION_WORDS.undo, onClick: () => takeBack.mutate(id) },
        }),
      () => undefined,
    );
  };
  return (
    <>
      <button
        type="button"
        className={`btn ${open ? 'btn-primary' : ''}`}
        aria-expanded={open ? undefined : asking}
        onClick={() => (open ? say('') : setAsking(!asking))}
        disabled={decide.isPending || held.some(({ code }) => code === 'pain')}
      >
        {open ? words.open : words.all}
      </button>
      {asking && !open && <Reason onSay={say} />}
      {decide.error && <Failed error={decide.error} />}
      {takeBack.error && <Failed error={takeBack.error} />}
    </>
  );
}

/** Going on ahead of the gate takes a reason, in one press or in words; it is kept. */
function Reason({ onSay }: { readonly onSay: (why: string) => void }) {
  const [why, setWhy] = useState('');
  return (
    <div className="order-last flex w-full flex-wrap items-center gap-2">
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
