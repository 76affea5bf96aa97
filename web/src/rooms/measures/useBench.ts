import type { Swing } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import type { Station } from '@inchstep/core/capture';
import type { ViewKind } from '@inchstep/core/intake';
import type { NextMark } from '@inchstep/core/measures';
import { useMemo, useReducer, useState } from 'react';
import { useScreenKeys } from '../../platform/keys.ts';
import {
  type BenchHands,
  type BenchState,
  bench,
  clipUrl,
  type Frames,
  madeOf,
  markAt,
  startBench,
  useBenchKeys,
  useFrames,
  worthMarking,
} from '../capture/index.ts';
import { type Fit, useFit } from './useFit.ts';

const viewOf = (state: BenchState, kind: ViewKind) => state.work.views.find((v) => v.kind === kind);

/** Everything the bench holds: its work, the frames of both views, the fit, and what hands and keys do. */
export function useBench(student: Student, swing: Swing) {
  const [state, dispatch] = useReducer(bench, swing, (s) =>
    startBench({ views: s.views, marks: s.marks, made: madeOf(s) }),
  );
  const urlOf = (kind: ViewKind) => {
    const clipId = viewOf(state, kind)?.clipId;
    return clipId ? clipUrl(clipId) : null;
  };
  const frames: Record<ViewKind, Frames> = {
    face_on: useFrames(urlOf('face_on')),
    down_the_line: useFrames(urlOf('down_the_line')),
  };
  const [showLines, setShowLines] = useState(false);
  useScreenKeys('l', () => setShowLines((now) => !now));
  const [showTarget, setShowTarget] = useState(false);
  useScreenKeys('h', () => setShowTarget((now) => !now));
  const { views, marks, made } = state.work;
  const fitted = useMemo(() => ({ views, marks, club: made.club }), [views, marks, made.club]);
  const fit = useFit(student, fitted, showTarget);
  const go = (station: Station) => {
    dispatch({ type: 'look', station });
    for (const view of views) {
      const time = view.stationTimes[station];
      if (time !== undefined) frames[view.kind].go(frames[view.kind].indexAt(time));
    }
  };
  const goToMark = ({ view, station, landmark }: NextMark) => {
    go(station);
    dispatch({ type: 'look', view: view as ViewKind, station, landmark, stick: null });
  };
  const name = (station: Station) => {
    const { clip, index } = frames[state.view];
    const time = clip?.times[index];
    if (time !== undefined) dispatch({ type: 'name', view: state.view, station, time });
  };
  const startDown = () => {
    const { clip, index } = frames[state.view];
    const time = clip?.times[index];
    if (time !== undefined) dispatch({ type: 'startDown', view: state.view, time });
  };
  const hands: BenchHands = {
    startDown,
    step: (by) => frames[state.view].go(frames[state.view].index + by),
    name,
    otherView: () => dispatch({ type: 'look', view: state.view === 'face_on' ? 'down_the_line' : 'face_on' }),
    guess: () => guessFor(state, fit),
    toNext: () => {
      const best = worthMarking(fit.next ?? []);
      if (best) goToMark(best);
    },
  };
  useBenchKeys(state, dispatch, hands);
  return {
    state,
    dispatch,
    frames,
    fit,
    hands,
    go,
    goToMark,
    showLines,
    setShowLines,
    showTarget,
    setShowTarget,
  };
}
export type BenchBox = ReturnType<typeof useBench>;

/** Where the landmark asked for is marked, else where the fit expects it, else the middle of the picture. */
function guessFor(state: BenchState, { answer }: Fit): { u: number; v: number } {
  const { view, station, landmark } = state;
  const found =
    markAt(state, view, station, landmark) ??
    answer?.guesses.find((g) => g.view === view && g.station === station && g.landmark === landmark);
  if (found) return { u: found.u, v: found.v };
  const shown = viewOf(state, view);
  return { u: (shown?.widthPx ?? 2) / 2, v: (shown?.heightPx ?? 2) / 2 };
}
