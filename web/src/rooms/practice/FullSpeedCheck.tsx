import type { GateState } from '@inchstep/contract/practice';
import { STAGES } from '@inchstep/core/practice';
import type { ReactNode } from 'react';
import { GateDecision } from './GateDecision.tsx';
import { FULL_TEST_WORDS } from './words.ts';

/** For who has the move within a lesson: tested at full speed, the rungs below are taken as passed. */
export function FullSpeedCheck({
  studentId,
  state,
  open = false,
  count = null,
}: {
  readonly studentId: string;
  readonly state: GateState;
  readonly open?: boolean;
  /** Where its repetitions are counted; null = elsewhere on the screen. */
  readonly count?: ReactNode;
}) {
  const { drill, fullTest, held } = state;
  const below = STAGES.indexOf(state.stage) < STAGES.indexOf('full');
  if (!below || held.some(({ code }) => code === 'pain')) return null;
  return (
    <details className="mt-1" open={open || count === null || fullTest !== null}>
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">{FULL_TEST_WORDS.title}</summary>
      <p className="text-sm">{FULL_TEST_WORDS.how}</p>
      {fullTest && (
        <div className="my-2">
          <GateDecision
            studentId={studentId}
            state={{ drill, stage: 'full', ...fullTest, proposesDown: false }}
            onlyUp
            up={FULL_TEST_WORDS}
          />
        </div>
      )}
      {count}
    </details>
  );
}
