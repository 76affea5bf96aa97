import { REHEARSALS_PER_BALL, type Rep } from '@inchstep/core/practice';
import { Check, CircleHelp, Undo2, X } from 'lucide-react';
import { REP_PAD_WORDS } from './words.ts';

export interface RepPadProps {
  /** Letters so far: P counted, F missed, ? not sure. */
  readonly reps: string;
  readonly felt: number;
  readonly withBall: boolean;
  /** One look in this many sets; null = none is asked. */
  readonly lookEvery?: number | null;
  readonly onReps: (reps: string) => void;
  readonly onFelt: (felt: number) => void;
  readonly onLog: () => void;
}

const CALLS = [
  ...Array.from({ length: REHEARSALS_PER_BALL }, () => REP_PAD_WORDS.rehearse),
  REP_PAD_WORDS.oneBall,
];
const DRY_SET = 10;

/** Looks are no repetitions: after so many sets one is due, and nothing is pressed for it. */
function isLookDue(count: number, withBall: boolean, lookEvery: number | null): boolean {
  const set = withBall ? CALLS.length : DRY_SET;
  return lookEvery !== null && count > 0 && count % set === 0 && (count / set) % lookEvery === 0;
}

/** Three large keys, one a repetition: counted, missed, not sure. The last one can be taken back. */
export function RepPad({ reps, felt, withBall, lookEvery = null, onReps, onFelt, onLog }: RepPadProps) {
  const press = (rep: Rep) => onReps(reps + rep);
  const passed = [...reps].filter((rep) => rep === 'P').length;
  return (
    <div className="flex flex-col gap-3">
      {isLookDue(reps.length, withBall, lookEvery) && (
        <p className="rounded bg-[var(--tape)] p-2 font-semibold text-[var(--tape-ink)]" aria-live="polite">
          {REP_PAD_WORDS.look}
        </p>
      )}
      {withBall && (
        <p className="font-semibold">
          {REP_PAD_WORDS.next} {CALLS[reps.length % CALLS.length]}
        </p>
      )}
      <div className="grid grid-cols-3 gap-2">
        <button type="button" className="btn btn-primary h-16 flex-col gap-0" onClick={() => press('P')}>
          <Check aria-hidden /> {REP_PAD_WORDS.counted}
        </button>
        <button type="button" className="btn h-16 flex-col gap-0" onClick={() => press('F')}>
          <X aria-hidden /> {REP_PAD_WORDS.missed}
        </button>
        <button type="button" className="btn h-16 flex-col gap-0" onClick={() => press('?')}>
          <CircleHelp aria-hidden /> {REP_PAD_WORDS.notSure}
        </button>
      </div>
      {reps.length > 0 && (
        <>
          <p aria-live="polite">{REP_PAD_WORDS.ofCounted(passed, reps.length)}</p>
          <label className="flex flex-col gap-1">
            {REP_PAD_WORDS.howDidItFeel(felt)}
            <input
              type="range"
              className="range w-full"
              min={0}
              max={10}
              value={felt}
              onChange={(e) => onFelt(Number(e.target.value))}
            />
          </label>
          <div className="flex gap-2">
            <button type="button" className="btn" onClick={() => onReps(reps.slice(0, -1))}>
              <Undo2 aria-hidden size={18} /> {REP_PAD_WORDS.takeOneBack}
            </button>
            <button type="button" className="btn btn-primary flex-1" onClick={onLog}>
              {REP_PAD_WORDS.logThisSet}
            </button>
          </div>
        </>
      )}
    </div>
  );
}
