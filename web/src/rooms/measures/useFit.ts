import { captureFrom, type Marked, type SwingView } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import { type Capture, checkCapture, STATIONS } from '@inchstep/core/capture';
import type { Measure, NextMark } from '@inchstep/core/measures';
import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { FitAnswer, FitWorker, StationPose, TargetAnswer } from './fit.worker.ts';

/** The open capture of the work on the bench. */
export const captureFor = ({ profile, school }: Student, swing: Marked): Capture =>
  captureFrom(profile, school, swing);

const WAIT_MS = 120;
/** Marks that rest this long are fitted once more from nothing, so that the way to them leaves no trace. */
const REST_MS = 900;
/** Fewer marks than this say nothing worth showing. */
const FEW_MARKS = 4;

export interface Fit {
  readonly answer: FitAnswer | null;
  /** Only while it is wanted: it takes longer than the fit. */
  readonly target: TargetAnswer | null;
  /** Marks still to place, the one that would tell most first; null until that is known. */
  readonly next: readonly NextMark[] | null;
  /** Poses of another swing, fitted aside. */
  readonly posesOf: (capture: Capture) => Promise<StationPose[]>;
  readonly measuresOf: (capture: Capture) => Promise<Measure[]>;
}

/** Refits in a worker shortly after each change; an older answer never overtakes a newer one. */
export function useFit(
  student: Student,
  work: Omit<Marked, 'views'> & { readonly views: readonly SwingView[] },
  wantTarget: boolean,
): Fit {
  const [answer, setAnswer] = useState<FitAnswer | null>(null);
  const [target, setTarget] = useState<TargetAnswer | null>(null);
  const [next, setNext] = useState<readonly NextMark[] | null>(null);
  const turn = useRef(0);
  const worker = useRef<Remote<FitWorker> | null>(null);
  useEffect(() => {
    const thread = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<FitWorker>(thread);
    return () => thread.terminate();
  }, []);
  useEffect(() => {
    const capture = captureFor(student, work);
    setTarget(null);
    const enough = work.marks.length >= FEW_MARKS && checkCapture(capture).ok;
    if (!enough) setAnswer(null);
    const named = STATIONS.filter((s) => work.views.some((view) => view.stationTimes[s] !== undefined));
    const mine = ++turn.current;
    const ifCurrent =
      <T>(put: (said: T) => void) =>
      (said: unknown) => {
        if (mine === turn.current) put(said as T);
      };
    const timer = setTimeout(() => {
      const hands = worker.current;
      if (!hands) return;
      if (enough) void hands.fit(capture).then(ifCurrent<FitAnswer>(setAnswer));
      if (enough && wantTarget) void hands.targets(capture).then(ifCurrent<TargetAnswer>(setTarget));
      void hands.next(capture, named, enough).then(ifCurrent<NextMark[]>(setNext));
    }, WAIT_MS);
    const rest = setTimeout(() => {
      if (enough) void worker.current?.fit(capture, true).then(ifCurrent<FitAnswer>(setAnswer));
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      clearTimeout(rest);
    };
  }, [student, work, wantTarget]);
  const posesOf = useCallback(
    async (capture: Capture) => ((await worker.current?.posesOf(capture)) ?? []) as StationPose[],
    [],
  );
  const measuresOf = useCallback(
    async (capture: Capture) => ((await worker.current?.measuresOf(capture)) ?? []) as Measure[],
    [],
  );
  return { answer, target, next, posesOf, measuresOf };
}
