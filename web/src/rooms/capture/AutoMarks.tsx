import type { SwingView } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import { VIEW_WORDS } from '@inchstep/contract/words';
import { ScanSearch } from 'lucide-react';
import type { BenchAction, BenchState } from './benchState.ts';
import { clipUrl } from './queries.ts';
import { type ProposalTrouble, usePoser } from './usePoser.ts';

const TROUBLE: Record<ProposalTrouble, string> = {
  clip: 'This clip can’t be read frame by frame here.',
  nobody: 'No player was found in enough of the clip. Mark it by hand.',
  no_swing: 'A player was found, but no swing. Name the stations by hand.',
  network: 'The body network could not be started in this browser. Mark by hand.',
};

/** One press proposes stations and marks of the view in hand; each stays a proposal until it is touched. */
export function AutoMarks({
  student,
  view,
  state,
  dispatch,
}: {
  readonly student: Student;
  readonly view: SwingView;
  readonly state: BenchState;
  readonly dispatch: (action: BenchAction) => void;
}) {
  const { share, trouble, propose, stop } = usePoser();
  const { heightIn, handedness } = student.profile;
  const open = state.work.marks.filter((m) => m.view === view.kind && m.by === 'network').length;
  const name = VIEW_WORDS[view.kind]?.toLowerCase();
  const start = () => {
    if (view.clipId)
      void propose(clipUrl(view.clipId), view.kind, { heightIn, handedness }, (proposal) =>
        dispatch({ type: 'propose', ...proposal }),
      );
  };
  return (
    <div className="flex flex-wrap items-center gap-2 text-sm">
      {share === null ? (
        <button type="button" className="btn" disabled={!view.clipId} onClick={start}>
          <ScanSearch aria-hidden size={18} /> Propose stations and marks, {name}
        </button>
      ) : (
        <>
          <progress className="progress w-40" value={share} max={1} aria-label="Looking for the player" />
          <span role="status">{share === 0 ? 'Starting …' : `${Math.round(100 * share)} %`}</span>
          <button type="button" className="btn" onClick={stop}>
            Stop
          </button>
        </>
      )}
      {open > 0 && (
        <>
          <span data-testid="proposed-count">{open} proposed, not checked</span>
          <button
            type="button"
            className="btn btn-ghost"
            onClick={() => dispatch({ type: 'refuse', view: view.kind })}
          >
            Refuse them
          </button>
          <p className="w-full">
            Proposals were tried on drawn players only, never on real ones. Step through them; a mark you drag
            or grade is yours.
          </p>
        </>
      )}
      {trouble && (
        <p role="alert" className="w-full font-semibold">
          {TROUBLE[trouble]}
        </p>
      )}
    </div>
  );
}
