import { LANDMARK_WORDS } from '@inchstep/contract/words';
import { type Landmark, MARKS_WANTED, SIGHT_SD_PX, type Sight, sightSdPx } from '@inchstep/core/capture';
import { type BenchAction, type BenchState, markAt } from './benchState.ts';
import { MARK_LIST_WORDS } from './words.ts';

const SIGHT_NAMES: Record<Sight, string> = {
  clear: 'clear',
  partly: MARK_LIST_WORDS.partlyHidden,
  guessed: 'guessed',
};

/** Which landmark comes next, which are down, and how well each was seen. */
export function MarkList({
  state,
  dispatch,
}: {
  readonly state: BenchState;
  readonly dispatch: (action: BenchAction) => void;
}) {
  const width = state.work.views.find((v) => v.kind === state.view)?.widthPx ?? 1080;
  return (
    <ul aria-label={MARK_LIST_WORDS.landmarks} className="flex flex-wrap gap-1">
      {(MARKS_WANTED[state.view] as readonly Landmark[]).map((landmark) => {
        const mark = markAt(state, state.view, state.station, landmark);
        const sight = mark && sightOf(mark.sdPx, width);
        const here = state.landmark === landmark;
        return (
          <li key={landmark}>
            <button
              type="button"
              aria-pressed={here}
              onClick={() => dispatch({ type: 'look', landmark, stick: null })}
              className={`min-h-11 rounded border-[1.5px] px-2 text-sm ${here ? 'border-primary bg-primary text-primary-content' : mark ? 'border-base-content' : 'border-dashed border-base-300'}`}
            >
              {LANDMARK_WORDS[landmark]}
              {mark?.by === 'network' ? (
                <span> {MARK_LIST_WORDS.proposed}</span>
              ) : (
                sight && sight !== 'clear' && <span> ({SIGHT_NAMES[sight]})</span>
              )}
            </button>
          </li>
        );
      })}
    </ul>
  );
}

function sightOf(sdPx: number, widthPx: number): Sight {
  const sights = Object.keys(SIGHT_SD_PX) as Sight[];
  return sights.reduce((best, sight) =>
    Math.abs(sightSdPx(sight, widthPx) - sdPx) < Math.abs(sightSdPx(best, widthPx) - sdPx) ? sight : best,
  );
}
