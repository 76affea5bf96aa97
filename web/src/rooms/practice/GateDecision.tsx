import type { GateState } from '@inchstep/contract/practice';
import { hasToOverride, stageBefore } from '@inchstep/core/practice';
import { useState } from 'react';
import { toast } from 'sonner';
import { Failed } from '../../platform/parts.tsx';
import { GateTape } from './GateTape.tsx';
import { useDecideGate, useTakeBackGate } from './queries.ts';
import { GATE_DECISION_WORDS } from './words.ts';

type Decision = 'advance' | 'hold' | 'back';
type UpWords = Readonly<Record<'up' | 'anyway' | 'skip' | 'said', string>>;

interface GateDecisionProps {
  readonly studentId: string;
  readonly state: Pick<GateState, 'drill' | 'stage' | 'gate' | 'held' | 'proposesDown'>;
  /** A test at full speed is passed or not; there is no staying or stepping back. */
  readonly onlyUp?: boolean;
  readonly up?: UpWords;
}

/** A gate wherever it stands: its tape, what still holds the stage, and the coach's answers. Each can be undone. */
export function GateDecision({
  studentId,
  state,
  onlyUp = false,
  up = GATE_DECISION_WORDS,
}: GateDecisionProps) {
  const decide = useDecideGate(studentId);
  const takeBack = useTakeBackGate(studentId);
  const { drill, stage } = state;
  const said = { advance: up.said, hold: GATE_DECISION_WORDS.notedStay, back: GATE_DECISION_WORDS.wentBack };
  // The word and its undo outlive these keys: on the next stage they may not stand any more. Taken back, a word was never
  // said: stage and evidence are what they were.
  const say = (decision: Decision, note = '') =>
    void decide.mutateAsync({ drill, stage, decision, note }).then(
      (id) =>
        toast(said[decision], {
          action: { label: GATE_DECISION_WORDS.undo, onClick: () => takeBack.mutate(id) },
        }),
      () => undefined,
    );
  return (
    <>
      <GateTape state={state} />
      <div className="mt-2 flex flex-wrap gap-2">
        <Up state={state} words={up} isBusy={decide.isPending} onSay={(note) => say('advance', note)} />
        {!onlyUp && (
          <>
            <button type="button" className="btn" onClick={() => say('hold')} disabled={decide.isPending}>
              {GATE_DECISION_WORDS.stay}
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => say('back')}
              disabled={decide.isPending || stageBefore(stage) === null}
            >
              {GATE_DECISION_WORDS.stepBack}
            </button>
          </>
        )}
      </div>
      {decide.error && <Failed error={decide.error} />}
      {takeBack.error && <Failed error={takeBack.error} />}
    </>
  );
}

interface UpProps {
  readonly state: GateDecisionProps['state'];
  readonly words: UpWords;
  readonly isBusy: boolean;
  readonly onSay: (note: string) => void;
}

/** One key where nothing holds the stage; with evidence against it, one that asks why; before any evidence, a way to skip. */
function Up({ state: { held }, words, isBusy, onSay }: UpProps) {
  const [asking, setAsking] = useState(false);
  const isOpen = held.length === 0;
  const overrides = hasToOverride(held);
  const say = (note: string) => {
    setAsking(false);
    onSay(note);
  };
  return (
    <>
      <button
        type="button"
        className={`btn ${isOpen ? 'btn-primary' : overrides ? '' : 'btn-ghost order-last'}`}
        aria-expanded={isOpen ? undefined : asking}
        onClick={() => (isOpen ? say('') : setAsking(!asking))}
        disabled={isBusy || held.some(({ code }) => code === 'pain')}
      >
        {isOpen ? words.up : overrides ? words.anyway : words.skip}
      </button>
      {asking && !isOpen && <Reason onSay={say} />}
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
