import type { SwingView } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import { VIEW_WORDS } from '@inchstep/contract/words';
import { namedByHand, UNTAUGHT } from '@inchstep/core/measures';
import { Check, ScanSearch } from 'lucide-react';
import type { BenchAction, BenchState } from './benchState.ts';
import { Knows } from './Knows.tsx';
import type { ProposalTrouble } from './lookThrough.ts';
import { clipUrl, useNetworkErrors } from './queries.ts';
import { usePoser } from './usePoser.ts';
import { AUTO_MARKS_WORDS } from './words.ts';

const TROUBLE: Record<Exclude<ProposalTrouble, 'two_swing'>, string> = {
  clip: AUTO_MARKS_WORDS.thisClipCantBe,
  nobody: AUTO_MARKS_WORDS.noPlayerWasFound,
  no_swing: AUTO_MARKS_WORDS.playerWasFound,
  network: AUTO_MARKS_WORDS.bodyNetworkCouldNot,
};

/** One press proposes stations and marks of the view in hand; each stays a proposal until it is touched. */
export function AutoMarks({
  student,
  recordedOn,
  view,
  active,
  state,
  dispatch,
}: {
  readonly student: Student;
  readonly recordedOn: string;
  readonly view: SwingView;
  /** Whether it is the view in hand; of another one only what goes on is shown. */
  readonly active: boolean;
  readonly state: BenchState;
  readonly dispatch: (action: BenchAction) => void;
}) {
  const { share, trouble, propose, stop } = usePoser();
  const { heightIn, handedness } = student.profile;
  const network = useNetworkErrors(student.id, recordedOn);
  const here = state.work.marks.filter(
    (m) => m.view === view.kind && m.station === state.station && m.by === 'network',
  ).length;
  const open = state.work.marks.filter((m) => m.view === view.kind && m.by === 'network').length;
  const name = VIEW_WORDS[view.kind]?.toLowerCase();
  const other = state.work.views.find(({ kind }) => kind !== view.kind)?.stationTimes ?? {};
  const named = namedByHand(view.stationTimes, state.work.marks, view.kind);
  const start = (chosen?: number) => {
    if (view.clipId)
      void propose(
        clipUrl(view.clipId),
        view.kind,
        {
          heightIn,
          handedness,
          errors: network.data?.table ?? UNTAUGHT,
          other,
          named,
          ...(chosen !== undefined && { chosen }),
        },
        (proposal) => dispatch({ type: 'propose', ...proposal }),
      );
  };
  if (!active && share === null && !trouble) return null;
  return (
    <div className="flex flex-wrap items-center gap-2 text-sm">
      {!active && <span className="font-semibold">{VIEW_WORDS[view.kind]}:</span>}
      {share === null ? (
        active && (
          <button type="button" className="btn" disabled={!view.clipId} onClick={() => start()}>
            <ScanSearch aria-hidden size={18} /> {AUTO_MARKS_WORDS.proposeStationsAndMarks} {name}
          </button>
        )
      ) : (
        <>
          <progress
            className="progress w-40"
            value={share}
            max={1}
            aria-label={AUTO_MARKS_WORDS.lookingForThePlayer}
          />
          <span role="status">
            {share === 0 ? AUTO_MARKS_WORDS.starting : `${Math.round(100 * share)} %`}
          </span>
          <button type="button" className="btn" onClick={stop}>
            {AUTO_MARKS_WORDS.stop}
          </button>
        </>
      )}
      {active && <Knows student={student} />}
      {active && here > 0 && (
        <button type="button" className="btn" onClick={() => dispatch({ type: 'confirm' })}>
          <Check aria-hidden size={18} /> {AUTO_MARKS_WORDS.rightHere(here)}
        </button>
      )}
      {active && open > 0 && (
        <>
          <span data-testid="proposed-count">{AUTO_MARKS_WORDS.proposedNotChecked(open)}</span>
          <button
            type="button"
            className="btn btn-ghost"
            onClick={() => dispatch({ type: 'refuse', view: view.kind })}
          >
            {AUTO_MARKS_WORDS.refuseThem}
          </button>
          <p className="w-full">{AUTO_MARKS_WORDS.proposalsWereTried}</p>
        </>
      )}
      {trouble && <Why trouble={trouble} onChoose={start} />}
    </div>
  );
}

/** Why nothing is proposed; where more than one swings, the coach says who is the student. */
const Why = ({
  trouble: { trouble, swingers = 2 },
  onChoose,
}: {
  readonly trouble: { readonly trouble: ProposalTrouble; readonly swingers?: number };
  readonly onChoose: (swinger: number) => void;
}) =>
  trouble === 'two_swing' ? (
    <div role="alert" className="flex w-full flex-wrap items-center gap-2">
      <span className="font-semibold">{AUTO_MARKS_WORDS.twoSwing(swingers)}</span>
      {Array.from({ length: swingers }, (_, place) => (
        <button key={place} type="button" className="btn" onClick={() => onChoose(place)}>
          {AUTO_MARKS_WORDS.whichSwings(place, swingers)}
        </button>
      ))}
    </div>
  ) : (
    <p role="alert" className="w-full font-semibold">
      {TROUBLE[trouble]}
    </p>
  );
