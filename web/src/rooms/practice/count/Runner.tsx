import { CLUB_WORDS, STRIKE_WORDS } from '@inchstep/contract/words';
import {
  countOfRun,
  layerHolds,
  type RunState,
  type RunStep,
  STRIKES,
  type Strike,
  secondsPerRep,
  stepOfRun,
} from '@inchstep/core/practice';
import { Check, CircleHelp, Eye, OctagonX, Undo2, X } from 'lucide-react';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { useScreenKeys } from '../../../platform/keys.ts';
import type { useRun } from './useRun.ts';
import { RUNNER_WORDS } from './words.ts';

export interface RunnerProps {
  readonly of: Pick<ReturnType<typeof useRun>, 'state' | 'press'>;
  readonly words: { readonly name: string; readonly cue: string; readonly counts: string };
  /** What each checkpoint of the drill asks, in order; empty or one where there is no choice. */
  readonly asks: readonly string[];
  readonly cautions: readonly string[];
  /** The swing that was filmed last; a look takes it. */
  readonly latestSwing?: string | null;
  /** Asks how the ball was met. */
  readonly strikes?: boolean;
  readonly onPain?: (() => void) | undefined;
  /** What else is said and asked once it has stopped for pain. */
  readonly pained?: ReactNode;
  /** Adds the next checkpoint; null where there is none, or where that is not the reader's to do. */
  readonly onNextLayer?: (() => void) | null;
  /** Whether this screen's keys are the runner's. */
  readonly keys?: boolean;
}

/** Two rehearsals, one ball, look: what comes next in large type, and a key for each answer under the thumb. */
export function Runner(props: RunnerProps) {
  const { of, words, asks, cautions } = props;
  const { state } = of;
  const step = stepOfRun(state);
  const hands = useHands(props, step);
  return (
    <section aria-label={RUNNER_WORDS.title(words.name)} className="flex flex-col gap-3">
      <p className="text-lg font-semibold">{words.cue}</p>
      <p className="text-xl leading-snug">
        <span className="text-base text-base-content/80">{RUNNER_WORDS.counts} </span>
        {checkpointText(asks, state.spec.layer) ?? words.counts}
      </p>
      {cautions.length > 0 && (
        <ul className="rounded border-[1.5px] border-warning px-3 py-1 text-sm">
          {cautions.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      )}
      <Step step={step} state={state} />
      {step.kind === 'stopped' ? (
        <Stopped onSlip={() => of.press({ do: 'no_pain' })}>{props.pained}</Stopped>
      ) : (
        <>
          {props.strikes && step.kind === 'ball' && <StrikeKeys met={state.strike ?? null} hands={hands} />}
          <Answers step={step} hands={hands} />
          <Tools state={state} hands={hands} />
          {props.onNextLayer && layerHolds(state) && (
            <button type="button" className="btn btn-primary" onClick={props.onNextLayer}>
              {RUNNER_WORDS.nextLayer}
            </button>
          )}
        </>
      )}
    </section>
  );
}

/** What the checkpoint asks by which this run is judged; null where the drill has one only. */
const checkpointText = (asks: readonly string[], layer: number): string | null =>
  asks.length > 1 ? (asks[layer - 1] ?? null) : null;

type Hands = ReturnType<typeof useHands>;

/** Every press, by finger, by key, or by the keys of a hand-held presenter. */
function useHands({ of: { press }, latestSwing = null, onPain, keys = false }: RunnerProps, step: RunStep) {
  const hands = {
    judge: (rep: 'P' | 'F' | '?') => press({ do: 'judge', rep }),
    looked: () => press({ do: 'looked', swingId: latestSwing }),
    takeBack: () => press({ do: 'take_back' }),
    close: () => press({ do: 'close' }),
    more: () => press({ do: 'more' }),
    felt: (felt: number | null) => press({ do: 'felt', felt }),
    strike: (strike: Strike) => press({ do: 'strike', strike }),
    pain: () => {
      press({ do: 'pain' });
      onPain?.();
    },
  };
  const options = { enabled: keys, preventDefault: true };
  const looks = step.kind === 'look';
  useScreenKeys('p, pagedown', () => (looks ? hands.looked() : hands.judge('P')), options, [hands, looks]);
  useScreenKeys('f, pageup', () => hands.judge('F'), options, [hands]);
  useScreenKeys('u, b, period', () => hands.judge('?'), options, [hands]);
  useScreenKeys('enter', () => looks && hands.looked(), { ...options, preventDefault: looks }, [
    hands,
    looks,
  ]);
  useScreenKeys('backspace', () => hands.takeBack(), options, [hands]);
  useScreenKeys('s', () => hands.pain(), options, [hands]);
  return hands;
}

/** What comes next, readable at arm's length. */
function Step({ step, state }: { readonly step: RunStep; readonly state: RunState }) {
  const { spec } = state;
  const does = step.kind === 'rehearse' || step.kind === 'ball';
  const details = does
    ? [
        step.club && spec.ball ? CLUB_WORDS[step.club]?.toLowerCase() : null,
        spec.as === 'feel' && step.kind === 'ball'
          ? RUNNER_WORDS.feel
          : RUNNER_WORDS.aid[step.aidOn ? 'on' : 'off'],
        spec.stop ? RUNNER_WORDS.hold : null,
      ].filter((text) => text !== null)
    : [];
  return (
    <div className="border-[var(--tape-ink)] border-l-[6px] pl-3" aria-live="polite">
      <p className="text-3xl font-semibold leading-tight">
        {step.kind === 'rehearse'
          ? RUNNER_WORDS.step.rehearse(step.rep, step.ofSet)
          : RUNNER_WORDS.step[step.kind]}
      </p>
      {details.length > 0 && <p className="text-lg">{details.join(', ')}</p>}
      {step.kind === 'look' && <p>{RUNNER_WORDS.lookAt}</p>}
      {step.kind === 'done' && <p>{RUNNER_WORDS.doneText(countOfRun(state).reps)}</p>}
      <p className="text-sm">
        {RUNNER_WORDS.set(Math.min(step.set, spec.sets ?? step.set), spec.sets)} · <Counted state={state} />
      </p>
    </div>
  );
}

const mmss = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** The count, the time since it began, and the pace. */
function Counted({ state }: { readonly state: RunState }) {
  const [now, setNow] = useState(() => new Date().toISOString());
  useEffect(() => {
    const tick = setInterval(() => setNow(new Date().toISOString()), 1000);
    return () => clearInterval(tick);
  }, []);
  const { passed, judged } = countOfRun(state);
  const pace = secondsPerRep(state, now);
  const since = Math.max(0, (Date.parse(now) - Date.parse(state.startedAt)) / 1000);
  return (
    <>
      {RUNNER_WORDS.count(passed, judged)} · <span aria-hidden>{mmss(since)}</span>
      {pace !== null && <span aria-hidden> · {RUNNER_WORDS.pace(pace)}</span>}
    </>
  );
}

function Answers({ step, hands }: { readonly step: RunStep; readonly hands: Hands }) {
  if (step.kind === 'look')
    return (
      <button type="button" className="btn btn-primary h-20 text-lg" onClick={hands.looked}>
        <Eye aria-hidden /> {RUNNER_WORDS.looked}
      </button>
    );
  if (step.kind === 'done')
    return (
      <button type="button" className="btn h-16" onClick={hands.more}>
        {RUNNER_WORDS.more}
      </button>
    );
  return (
    <div className="grid grid-cols-3 gap-2">
      <button type="button" className="btn btn-primary h-20 flex-col gap-0" onClick={() => hands.judge('P')}>
        <Check aria-hidden /> {RUNNER_WORDS.counted}
      </button>
      <button type="button" className="btn h-20 flex-col gap-0" onClick={() => hands.judge('F')}>
        <X aria-hidden /> {RUNNER_WORDS.missed}
      </button>
      <button type="button" className="btn h-20 flex-col gap-0" onClick={() => hands.judge('?')}>
        <CircleHelp aria-hidden /> {RUNNER_WORDS.notSure}
      </button>
    </div>
  );
}

/** How the ball was met, kept with the set it ends. Left alone it says nothing. */
function StrikeKeys({ met, hands }: { readonly met: Strike | null; readonly hands: Hands }) {
  return (
    <fieldset>
      <legend className="text-sm">{RUNNER_WORDS.met}</legend>
      <div className="mt-1 flex flex-wrap gap-1">
        {STRIKES.map((strike) => (
          <button
            key={strike}
            type="button"
            aria-pressed={met === strike}
            className={`btn flex-1 ${met === strike ? 'btn-primary' : ''}`}
            onClick={() => hands.strike(strike)}
          >
            {STRIKE_WORDS[strike]}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

function Tools({ state, hands }: { readonly state: RunState; readonly hands: Hands }) {
  const last = state.sets.at(-1);
  const canTakeBack = state.reps !== '' || (last !== undefined && !last.sent);
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn" onClick={hands.takeBack} disabled={!canTakeBack}>
          <Undo2 aria-hidden size={18} /> {RUNNER_WORDS.takeBack}
        </button>
        <button type="button" className="btn flex-1" onClick={hands.close} disabled={state.reps === ''}>
          {RUNNER_WORDS.logSet}
        </button>
        <button type="button" className="btn border-error" onClick={hands.pain}>
          <OctagonX aria-hidden size={18} /> {RUNNER_WORDS.pain}
        </button>
      </div>
      <Felt felt={state.felt} onFelt={hands.felt} />
    </>
  );
}

const MIDDLE = 5;

/** How a set felt, 0 to 10. Until somebody answers, nothing is taken as said; a press on the middle answers, too. */
function Felt({
  felt,
  onFelt,
}: {
  readonly felt: number | null;
  readonly onFelt: (felt: number | null) => void;
}) {
  const answer = (e: { readonly currentTarget: HTMLInputElement }) => onFelt(Number(e.currentTarget.value));
  return (
    <div className="flex flex-wrap items-center gap-2 text-sm">
      <label className="flex flex-1 flex-wrap items-center gap-2">
        {RUNNER_WORDS.felt(felt)}
        <input
          type="range"
          className={`range range-sm max-w-60 flex-1 ${felt === null ? 'opacity-60' : ''}`}
          min={0}
          max={10}
          value={felt ?? MIDDLE}
          onChange={answer}
          onPointerUp={answer}
        />
      </label>
      {felt !== null && (
        <button type="button" className="btn" onClick={() => onFelt(null)}>
          {RUNNER_WORDS.feltNot}
        </button>
      )}
    </div>
  );
}

function Stopped({ onSlip, children }: { readonly onSlip: () => void; readonly children: ReactNode }) {
  const told = useRef<HTMLDivElement>(null);
  useEffect(() => told.current?.focus(), []);
  return (
    <div ref={told} role="alert" tabIndex={-1} className="panel border-error p-3">
      <p>{RUNNER_WORDS.stoppedText}</p>
      {children}
      <button type="button" className="btn mt-2" onClick={onSlip}>
        {RUNNER_WORDS.slip}
      </button>
    </div>
  );
}
