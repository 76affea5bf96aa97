import { Redo2, Undo2 } from 'lucide-react';
import { HowMadeLine, NextMarkPanel, StationRail } from '../capture/index.ts';
import type { BenchBox } from './useBench.ts';
import { BENCH_MARKS_WORDS } from './words.ts';

/** Stations, undo, the mark worth setting next, and how the swing was made. */
export function BenchMarks({ box }: { readonly box: BenchBox }) {
  const { state, dispatch, fit, hands, go, goToMark } = box;
  return (
    <aside className="no-print flex flex-col gap-3" aria-label={BENCH_MARKS_WORDS.stationsAndMarks}>
      <StationRail
        state={state}
        guesses={fit.answer?.guesses ?? []}
        onGo={go}
        onName={hands.name}
        onStartDown={hands.startDown}
      />
      <div className="flex gap-1">
        <button
          type="button"
          className="btn flex-1"
          onClick={() => dispatch({ type: 'undo' })}
          disabled={state.past.length === 0}
        >
          <Undo2 aria-hidden size={18} /> {BENCH_MARKS_WORDS.undo}
        </button>
        <button
          type="button"
          className="btn flex-1"
          onClick={() => dispatch({ type: 'redo' })}
          disabled={state.future.length === 0}
        >
          <Redo2 aria-hidden size={18} /> {BENCH_MARKS_WORDS.redo}
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
  );
}
