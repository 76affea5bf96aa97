import type { Swing } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import type { Station } from '@inchstep/core/capture';
import type { ViewKind } from '@inchstep/core/intake';
import type { NextMark } from '@inchstep/core/measures';
import { Redo2, Undo2 } from 'lucide-react';
import { useMemo, useReducer, useState } from 'react';
import { Link } from 'react-router';
import { useScreenKeys } from '../../platform/keys.ts';
import {
  AddClip,
  AutoMarks,
  type BenchHands,
  bench,
  CameraForm,
  clipUrl,
  type Frames,
  HowMadeLine,
  MarkList,
  madeOf,
  markAt,
  NextMarkPanel,
  PressurePanel,
  StationRail,
  startBench,
  useBenchKeys,
  useFit,
  useFrames,
  ViewPane,
  viewOf,
  worthMarking,
} from '../capture/index.ts';
import { Layers, useThen } from './Layers.tsx';
import { ReadOut } from './ReadOut.tsx';
import { useAutosave } from './useAutosave.ts';

/** Fewer marks than these measure nothing. */
const FEWEST_TO_DIAGNOSE = 6;
const KINDS: readonly ViewKind[] = ['face_on', 'down_the_line'];

/** Stations on the left, both views in the middle, what it comes to on the right. */
export function Bench({ student, swing }: { readonly student: Student; readonly swing: Swing }) {
  const [state, dispatch] = useReducer(bench, swing, (s) =>
    startBench({ views: s.views, marks: s.marks, made: madeOf(s) }),
  );
  const urlOf = (kind: ViewKind) => {
    const clipId = state.work.views.find((v) => v.kind === kind)?.clipId;
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
  const [thenId, setThenId] = useState<string | null>(null);
  const { views, marks, made } = state.work;
  const fitted = useMemo(() => ({ views, marks, club: made.club }), [views, marks, made.club]);
  const fit = useFit(student, fitted, showTarget);
  const { answer, target } = fit;
  const then = useThen(student, thenId, fit);
  const saved = useAutosave(swing, state.work);
  const active = state.work.views.find((v) => v.kind === state.view);

  const go = (station: Station) => {
    dispatch({ type: 'look', station });
    for (const view of state.work.views) {
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
  const hands: BenchHands = {
    step: (by) => frames[state.view].go(frames[state.view].index + by),
    name,
    otherView: () => dispatch({ type: 'look', view: state.view === 'face_on' ? 'down_the_line' : 'face_on' }),
    guess: () => {
      // What is marked stays where it is.
      const mark = markAt(state, state.view, state.station, state.landmark);
      if (mark) return { u: mark.u, v: mark.v };
      const guess = answer?.guesses.find(
        (g) => g.view === state.view && g.station === state.station && g.landmark === state.landmark,
      );
      return guess
        ? { u: guess.u, v: guess.v }
        : { u: (active?.widthPx ?? 2) / 2, v: (active?.heightPx ?? 2) / 2 };
    },
    toNext: () => {
      const best = worthMarking(fit.next ?? []);
      if (best) goToMark(best);
    },
  };
  useBenchKeys(state, dispatch, hands);

  return (
    <div className="grid gap-3 p-3 lg:grid-cols-[15.5rem_minmax(0,1fr)_21rem]">
      <aside className="no-print flex flex-col gap-3" aria-label="Stations and marks">
        <StationRail state={state} guesses={answer?.guesses ?? []} onGo={go} onName={name} />
        <div className="flex gap-1">
          <button
            type="button"
            className="btn flex-1"
            onClick={() => dispatch({ type: 'undo' })}
            disabled={state.past.length === 0}
          >
            <Undo2 aria-hidden size={18} /> Undo
          </button>
          <button
            type="button"
            className="btn flex-1"
            onClick={() => dispatch({ type: 'redo' })}
            disabled={state.future.length === 0}
          >
            <Redo2 aria-hidden size={18} /> Redo
          </button>
        </div>
        <NextMarkPanel
          next={fit.next}
          placed={state.work.marks.length}
          named={state.work.views.some((view) => Object.keys(view.stationTimes).length > 0)}
          onGo={goToMark}
        />
        <HowMadeLine made={state.work.made} onChange={(made) => dispatch({ type: 'made', made })} />
      </aside>
      <div className="no-print flex min-w-0 flex-col gap-2">
        <div className="mx-auto grid w-full max-w-[46rem] grid-cols-2 gap-2">
          {KINDS.map((kind) => {
            const view = state.work.views.find((v) => v.kind === kind);
            if (!view)
              return (
                <AddClip
                  key={kind}
                  studentId={student.id}
                  kind={kind}
                  recordedOn={swing.recordedOn}
                  onAdded={(clip) => dispatch({ type: 'attach', view: viewOf(clip) })}
                />
              );
            return (
              <ViewPane
                key={kind}
                view={view}
                frames={frames[kind]}
                state={state}
                guesses={answer?.guesses ?? []}
                lines={showLines ? (answer?.lines ?? []) : []}
                ghost={target?.lines ?? []}
                active={state.view === kind}
                dispatch={dispatch}
              />
            );
          })}
        </div>
        <div className="mx-auto flex w-full max-w-[46rem] flex-col gap-2">
          {active && (
            <div className="flex flex-wrap items-center gap-2">
              <Stepper frames={frames[state.view]} step={hands.step} />
              <label className="ml-auto flex min-h-11 items-center gap-2 text-sm">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  checked={showLines}
                  onChange={(e) => setShowLines(e.target.checked)}
                />{' '}
                Lines (L)
              </label>
            </div>
          )}
          {active && (
            <AutoMarks
              key={`auto-${active.kind}`}
              student={student}
              view={active}
              state={state}
              dispatch={dispatch}
            />
          )}
          <MarkList state={state} dispatch={dispatch} />
          <PressurePanel
            swingId={swing.id}
            stationTimes={state.work.views.find((v) => v.clipId)?.stationTimes ?? {}}
          />
          {active && <CameraForm key={active.kind} view={active} state={state} dispatch={dispatch} />}
        </div>
      </div>
      <aside className="flex flex-col gap-2" aria-label="Measures">
        <div className="no-print flex items-center gap-2">
          <p role="status" data-testid="saved" className="text-sm">
            {saved.text}
          </p>
          {state.work.marks.length < FEWEST_TO_DIAGNOSE || saved.busy ? (
            <button type="button" className="btn btn-primary ml-auto" disabled>
              Diagnose
            </button>
          ) : (
            <Link
              to={`/students/${student.id}/diagnosis?swing=${swing.id}`}
              className="btn btn-primary ml-auto"
            >
              Diagnose
            </Link>
          )}
        </div>
        <ReadOut
          answer={answer}
          state={state}
          left={student.profile.handedness === 'left'}
          onStation={go}
          then={then}
          target={target?.poses.map(({ station, target: pose }) => ({ station, pose })) ?? []}
          layers={
            <Layers
              student={student}
              swing={swing}
              thenId={thenId}
              onThen={setThenId}
              showTarget={showTarget}
              onTarget={setShowTarget}
              target={target}
              station={state.station}
            />
          }
          onSwap={({ view, station }) => dispatch({ type: 'swap', view: view as ViewKind, station })}
        />
      </aside>
    </div>
  );
}

function Stepper({ frames, step }: { readonly frames: Frames; readonly step: (by: number) => void }) {
  const last = (frames.clip?.times.length ?? 1) - 1;
  return (
    <div className="flex flex-1 items-center gap-1">
      <button type="button" className="btn" aria-label="−10 frames" onClick={() => step(-10)}>
        −10
      </button>
      <button type="button" className="btn" aria-label="−1 frame" onClick={() => step(-1)}>
        −1
      </button>
      <input
        aria-label="Frame"
        type="range"
        className="range range-sm min-w-24 flex-1"
        min={0}
        max={last}
        value={frames.index}
        onChange={(e) => frames.go(Number(e.target.value))}
        onKeyDown={(e) => e.preventDefault()}
      />
      <button type="button" className="btn" aria-label="+1 frame" onClick={() => step(1)}>
        +1
      </button>
      <button type="button" className="btn" aria-label="+10 frames" onClick={() => step(10)}>
        +10
      </button>
    </div>
  );
}
