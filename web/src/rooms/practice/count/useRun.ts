import type { SetLog } from '@inchstep/contract/practice';
import type { IsoDay } from '@inchstep/core/foundation';
import {
  beginRun,
  type RunAction,
  type RunSet,
  type RunSpec,
  type RunState,
  run,
} from '@inchstep/core/practice';
import { useCallback, useEffect, useRef, useState } from 'react';
import { newId, thisDevice } from '../../../platform/ids.ts';
import { onDevice } from '../../../platform/onDevice.ts';

type Unstamped<A> = A extends { id: string; at: string } ? Omit<A, 'id' | 'at'> : A;
type Press = Unstamped<RunAction>;

/** Puts a set where it is kept until it has gone; that can't fail half-way. */
type HandOn = (set: SetLog) => void;

/** Whose count it is, and the day it counts for: the program's calendar, whatever this device's clock says. */
interface RunPlace {
  readonly of: string;
  readonly day: IsoDay;
}

const keyOf = ({ of, day }: RunPlace, { drill, stage }: RunSpec): string => `${of}.${day}.${drill}.${stage}`;

/**
 * A run that is kept with every press: a reload, a crash, an empty battery goes on at the same repetition. A set
 * that is over is handed on once, a moment later, so that the press that ended it can still be taken back.
 */
export function useRun({ of, day }: RunPlace, spec: RunSpec, handOn: HandOn) {
  const key = keyOf({ of, day }, spec);
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
      hand.current(setFrom(set, latest.current.spec, day));
      become(run(latest.current, { do: 'sent', id: set.id }));
    }
  }, [become, day]);
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
  // Another checkpoint is asked from here on. What was counted until now keeps the one that was on the screen.
  useEffect(() => {
    if (spec.layer !== latest.current.spec.layer) press({ do: 'layer', layer: spec.layer });
  }, [spec.layer, press]);
  const begin = useCallback((anew: RunSpec) => become(beginRun(anew, nowIso())), [become]);
  return { state, press, begin, handAll };
}

const nowIso = (): string => new Date().toISOString();
const newIdFor = (what: Press): string => ('id' in what ? what.id : newId());

/**
 * Counts of other days that never came to their end: the phone was put away in the middle of a set, or midnight came.
 * What was counted is handed on for the day it was counted on.
 */
export function useLeftRuns({ of, day }: RunPlace, handOn: HandOn): void {
  const hand = useRef(handOn);
  hand.current = handOn;
  useEffect(() => {
    for (const name of onDevice.keys(`${PREFIX}${of}.`)) {
      const [on = day] = name.slice(PREFIX.length + of.length + 1).split('.');
      if (on === day) continue;
      const left = onDevice.readJson(name) as RunState | null;
      onDevice.drop(name);
      if (!left?.spec || !Array.isArray(left.sets)) continue;
      const ended = run(left, { do: 'close', id: newId(), at: left.countedAt ?? left.startedAt });
      for (const set of ended.sets) if (!set.sent) hand.current(setFrom(set, left.spec, on));
    }
  }, [of, day]);
}

/** A set of a run as it is logged: for the day it was counted on, with the moment by this device's clock. */
const setFrom = (
  { id, reps, felt, strike, layer, doneAt }: RunSet,
  { drill, stage }: RunSpec,
  day: IsoDay,
): SetLog => ({
  id,
  date: day,
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

const keep = (key: string, state: RunState): void => void onDevice.write(PREFIX + key, JSON.stringify(state));

function restored(key: string, spec: RunSpec): RunState {
  const fresh = beginRun(spec, new Date().toISOString());
  const kept = onDevice.readJson(PREFIX + key) as RunState | null;
  const same = kept?.spec?.drill === spec.drill && kept.spec.stage === spec.stage && Array.isArray(kept.sets);
  // Its checkpoint is left as it was on the screen, so that a half-counted set is logged with that one.
  return same ? { ...kept, spec: { ...spec, layer: kept.spec.layer } } : fresh;
}
