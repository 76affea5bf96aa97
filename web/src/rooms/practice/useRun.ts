import type { SetLog } from '@inchstep/contract/practice';
import {
  beginRun,
  type RunAction,
  type RunSet,
  type RunSpec,
  type RunState,
  run,
} from '@inchstep/core/practice';
import { lightFormat, parseISO } from 'date-fns';
import { useCallback, useEffect, useRef, useState } from 'react';
import { newId, thisDevice } from '../../platform/ids.ts';

type Unstamped<A> = A extends { id: string; at: string } ? Omit<A, 'id' | 'at'> : A;
type Press = Unstamped<RunAction>;

/** Puts a set where it is kept until it has gone; that can't fail half-way. */
export type HandOn = (set: SetLog) => void;

/**
 * A run that is kept with every press: a reload, a crash, an empty battery goes on at the same repetition. A set
 * that is over is handed on once, a moment later, so that the press that ended it can still be taken back.
 */
export function useRun(key: string, spec: RunSpec, handOn: HandOn) {
  const [state, setState] = useState(() => restored(key, spec));
  const latest = useRef(state);
  const hand = useRef(handOn);
  hand.current = handOn;
  const become = useCallback(
    (next: RunState) => {
      latest.current = next;
      keep(key, next);
      setState(next);
    },
    [key],
  );
  const handAll = useCallback(() => {
    for (const set of latest.current.sets) {
      if (set.sent) continue;
      hand.current(setFrom(set, latest.current.spec));
      become(run(latest.current, { do: 'sent', id: set.id }));
    }
  }, [become]);
  const press = useCallback(
    (what: Press) => {
      become(run(latest.current, { ...what, id: newIdFor(what), at: nowIso() } as RunAction));
      // Ended by name, or by pain, there is nothing to wait for.
      if (what.do === 'close' || what.do === 'pain') handAll();
    },
    [become, handAll],
  );
  const unsent = state.sets.filter((set) => !set.sent).length;
  useEffect(() => {
    if (unsent === 0) return;
    const soon = setTimeout(handAll, TAKE_BACK_MS);
    // A page that goes away hands on what is over.
    window.addEventListener('pagehide', handAll);
    return () => {
      clearTimeout(soon);
      window.removeEventListener('pagehide', handAll);
    };
  }, [unsent, handAll]);
  // The next checkpoint was opened meanwhile: what is counted from here on is judged by it, too.
  useEffect(() => {
    if (spec.layer > latest.current.spec.layer) press({ do: 'layer', layer: spec.layer });
  }, [spec.layer, press]);
  const begin = useCallback((anew: RunSpec) => become(beginRun(anew, nowIso())), [become]);
  return { state, press, begin, handAll };
}

const nowIso = (): string => new Date().toISOString();
const newIdFor = (what: Press): string => ('id' in what ? what.id : newId());

/** A set of a run as it is logged. */
export const setFrom = (
  { id, reps, felt, strike, layer, doneAt }: RunSet,
  { drill, stage }: RunSpec,
): SetLog => ({
  id,
  date: lightFormat(parseISO(doneAt), 'yyyy-MM-dd'),
  drill,
  stage,
  reps,
  felt,
  // A run of before this was asked has no word on it.
  strike: strike ?? null,
  layer,
  doneAt,
  device: thisDevice(),
});

const TAKE_BACK_MS = 2500;

const PREFIX = 'inchstep.run.';

function keep(key: string, state: RunState): void {
  try {
    localStorage.setItem(PREFIX + key, JSON.stringify(state));
  } catch {
    // A full or forbidden store: the run goes on in this tab.
  }
}

function restored(key: string, spec: RunSpec): RunState {
  const fresh = beginRun(spec, new Date().toISOString());
  try {
    const kept = JSON.parse(localStorage.getItem(PREFIX + key) ?? 'null') as RunState | null;
    const same =
      kept?.spec?.drill === spec.drill && kept.spec.stage === spec.stage && Array.isArray(kept.sets);
    return same ? { ...kept, spec: { ...spec, layer: Math.max(spec.layer, kept.spec.layer) } } : fresh;
  } catch {
    return fresh;
  }
}
