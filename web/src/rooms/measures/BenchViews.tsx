import type { Swing } from '@inchstep/contract/capture';
import { viewOf } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import type { ViewKind } from '@inchstep/core/intake';
import {
  AddClip,
  AutoMarks,
  CameraForm,
  ConsentFirst,
  type Frames,
  MarkList,
  PressurePanel,
  ViewPane,
} from '../capture/index.ts';
import type { BenchBox } from './useBench.ts';
import { BENCH_VIEWS_WORDS } from './words.ts';

const KINDS: readonly ViewKind[] = ['face_on', 'down_the_line'];

interface BenchViewsProps {
  readonly box: BenchBox;
  readonly student: Student;
  readonly swing: Swing;
}

/** Both views side by side, and the tools for the one in hand. */
export function BenchViews({ box, student, swing }: BenchViewsProps) {
  const { state, dispatch, frames, hands, showLines, setShowLines } = box;
  const active = state.work.views.find((v) => v.kind === state.view);
  return (
    <div className="no-print flex min-w-0 flex-col gap-2">
      <div className="mx-auto grid w-full max-w-[46rem] grid-cols-2 gap-2">
        {KINDS.map((kind) => (
          <OneView key={kind} kind={kind} box={box} student={student} swing={swing} />
        ))}
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
              {BENCH_VIEWS_WORDS.linesL}
            </label>
          </div>
        )}
        {/* Each view keeps its own: a look goes on while the coach works in the other one. */}
        {state.work.views.map((view) => (
          <AutoMarks
            key={`${view.kind} ${view.clipId}`}
            student={student}
            recordedOn={swing.recordedOn}
            view={view}
            active={view.kind === state.view}
            state={state}
            dispatch={dispatch}
          />
        ))}
        <MarkList state={state} dispatch={dispatch} />
        <PressurePanel
          swingId={swing.id}
          stationTimes={state.work.views.find((v) => v.clipId)?.stationTimes ?? {}}
        />
        {active && <CameraForm key={active.kind} view={active} state={state} dispatch={dispatch} />}
      </div>
    </div>
  );
}

function OneView({ kind, box, student, swing }: BenchViewsProps & { readonly kind: ViewKind }) {
  const { state, dispatch, frames, fit, showLines } = box;
  const view = state.work.views.find((v) => v.kind === kind);
  if (!view)
    return (
      <ConsentFirst student={student}>
        <AddClip
          studentId={student.id}
          kind={kind}
          recordedOn={swing.recordedOn}
          onAdded={(clip) => dispatch({ type: 'attach', view: viewOf(clip) })}
        />
      </ConsentFirst>
    );
  return (
    <ViewPane
      view={view}
      frames={frames[kind]}
      state={state}
      guesses={fit.answer?.guesses ?? []}
      lines={showLines ? (fit.answer?.lines ?? []) : []}
      ghost={fit.target?.lines ?? []}
      active={state.view === kind}
      dispatch={dispatch}
    />
  );
}

function Stepper({ frames, step }: { readonly frames: Frames; readonly step: (by: number) => void }) {
  const last = (frames.clip?.times.length ?? 1) - 1;
  return (
    <div className="flex flex-1 items-center gap-1">
      <button
        type="button"
        className="btn"
        aria-label={BENCH_VIEWS_WORDS.tenFramesBack}
        onClick={() => step(-10)}
      >
        −10
      </button>
      <button type="button" className="btn" aria-label={BENCH_VIEWS_WORDS.frameBack} onClick={() => step(-1)}>
        −1
      </button>
      <input
        aria-label={BENCH_VIEWS_WORDS.whichFrame}
        type="range"
        className="range range-sm min-w-24 flex-1"
        min={0}
        max={last}
        value={frames.index}
        onChange={(e) => frames.go(Number(e.target.value))}
        // Arrows are the bench's own keys; Tab must get away from here.
        onKeyDown={(e) => e.key !== 'Tab' && e.preventDefault()}
      />
      <button type="button" className="btn" aria-label={BENCH_VIEWS_WORDS.frameOn} onClick={() => step(1)}>
        +1
      </button>
      <button
        type="button"
        className="btn"
        aria-label={BENCH_VIEWS_WORDS.tenFramesOn}
        onClick={() => step(10)}
      >
        +10
      </button>
    </div>
  );
}
