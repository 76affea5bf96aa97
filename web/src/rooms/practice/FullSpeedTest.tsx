import type { GateState } from '@inchstep/contract/practice';
import { STAGES } from '@inchstep/core/practice';
import { CoachSet } from './CoachSetLog.tsx';
import { GateDecision } from './GateDecision.tsx';
import { FULL_TEST_WORDS } from './words.ts';

/** For who has the move within a lesson: tested at full speed, the rungs below are taken as passed. */
export function FullSpeedTest({
  studentId,
  state,
  today,
  open = false,
  counted = false,
}: {
  readonly studentId: string;
  readonly state: GateState;
  readonly today: string;
  readonly open?: boolean;
  /** The repetitions are counted elsewhere on the screen. */
  readonly counted?: boolean;
}) {
  const { drill, layer, fullTest, held } = state;
  const below = STAGES.indexOf(state.stage) < STAGES.indexOf('full');
  if (!below || held.some(({ code }) => code === 'pain')) return null;
  return (
    <details className="mt-1" open={open || counted || fullTest !== null}>
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
      {!counted && <CoachSet studentId={studentId} on={{ drill, stage: 'full', layer }} today={today} />}
    </details>
  );
}
