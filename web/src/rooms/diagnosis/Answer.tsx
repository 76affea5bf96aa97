import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import type { Student } from '@inchstep/contract/intake';
import {
  BLOCKER_WORDS,
  contradictionText,
  faultName,
  feltAgainstText,
  nextLookText,
  PHASE_WORDS,
} from '@inchstep/contract/words';
import { faultById, feltAgainst } from '@inchstep/core/diagnosis';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { Empty, Failed } from '../../platform/parts.tsx';
import { LeaveAlone, NextLooks } from './AnswerParts.tsx';
import { ChainBoard } from './ChainBoard.tsx';
import { useChooseWork, useUnchooseWork } from './queries.ts';
import { RootCard } from './RootCard.tsx';
import { SinceLast, StandingChoice } from './Standing.tsx';
import { ANSWER_WORDS } from './words.ts';

export type Tab = 'reasons' | 'chain';

interface AnswerProps {
  readonly student: Student;
  readonly diagnosis: DiagnosisRecord;
  readonly before: DiagnosisRecord | null;
  readonly tab: Tab;
  /** A newer diagnosis is on its way: this one is no longer chosen from. */
  readonly renewing: boolean;
  readonly onTab: (tab: Tab) => void;
  readonly onSetAside: (finding: string) => void;
}

/** What the coach picks to work on, and why if it differs from the program. */
function useChoice(student: Student, { id, result, chosen }: DiagnosisRecord) {
  const [pick, setPick] = useState<string[]>([...(chosen?.workOn ?? result.workOn)]);
  const [note, setNote] = useState(chosen?.note ?? '');
  const choose = useChooseWork(student.id);
  const unchoose = useUnchooseWork(student.id);
  const navigate = useNavigate();
  return {
    pick,
    setPick,
    note,
    setNote,
    choose,
    flip: (fault: string) =>
      setPick((now) => (now.includes(fault) ? now.filter((f) => f !== fault) : [...now, fault].slice(-2))),
    overruled: pick.some((fault) => !result.workOn.includes(fault)),
    accept: async () => {
      // Awaited, since callbacks of mutate are dropped when this part is drawn anew in between.
      await choose.mutateAsync({ id, workOn: pick, note });
      toast(ANSWER_WORDS.chosen, {
        action: { label: ANSWER_WORDS.undo, onClick: () => unchoose.mutate(id) },
      });
      void navigate(`/students/${student.id}/drills`);
    },
  };
}
type ChoiceBox = ReturnType<typeof useChoice>;

/** Roots with their reasons, or the chain board; what to look at next, what to leave, and the coach's choice. */
export function Answer({ student, diagnosis, before, tab, renewing, onTab, onSetAside }: AnswerProps) {
  const { result } = diagnosis;
  const box = useChoice(student, diagnosis);
  return (
    <div className="flex min-w-0 flex-col gap-3">
      <Tabs tab={tab} onTab={onTab} />
      <StandingChoice diagnosis={diagnosis} onTake={(workOn) => box.setPick([...workOn])} />
      {result.blockers.map((id) => (
        <p key={id} role="note" className="panel border-warning p-3 font-semibold">
          {ANSWER_WORDS.first} {BLOCKER_WORDS[id]}
        </p>
      ))}
      <Contradictions result={result} />
      {feltAgainst(diagnosis.findings, result.present).map((both) => (
        <p key={both.shown} role="note" className="panel p-3">
          {feltAgainstText(both)}
        </p>
      ))}
      <NoRoot result={result} />
      {tab === 'chain' && <ChainBoard diagnosis={result} school={student.school} />}
      {tab === 'reasons' &&
        result.roots.map((root, i) => (
          <RootCard
            key={root.fault}
            root={root}
            place={i + 1}
            picked={box.pick.includes(root.fault)}
            onPick={() => box.flip(root.fault)}
            onSetAside={onSetAside}
            phase={PHASE_WORDS[faultById(root.fault)?.phase ?? ''] ?? ''}
          />
        ))}
      <NextLooks looks={result.nextLooks} />
      {before && <SinceLast before={before} now={diagnosis} />}
      {result.leaveAlone.length > 0 && <LeaveAlone diagnosis={diagnosis} pick={box.pick} onPick={box.flip} />}
      {result.roots.length + result.leaveAlone.length > 0 && <WorkOn box={box} renewing={renewing} />}
    </div>
  );
}

const Tabs = ({ tab, onTab }: Pick<AnswerProps, 'tab' | 'onTab'>) => (
  <div role="tablist" aria-label={ANSWER_WORDS.twoLooks} className="flex gap-2">
    {(['reasons', 'chain'] as const).map((key) => (
      <button
        key={key}
        type="button"
        role="tab"
        aria-selected={tab === key}
        className={`btn ${tab === key ? 'btn-primary' : ''}`}
        onClick={() => onTab(key)}
      >
        {key === 'reasons' ? ANSWER_WORDS.reasons : ANSWER_WORDS.chainBoard}
      </button>
    ))}
  </div>
);

/** Looks of which one must be wrong, before anything is made of them. */
const Contradictions = ({ result }: { readonly result: DiagnosisRecord['result'] }) =>
  result.contradictions.map((both) => (
    <p key={both.findings.join()} role="note" className="panel border-warning p-3 font-semibold">
      {contradictionText(both)}
    </p>
  ));

function NoRoot({ result }: { readonly result: DiagnosisRecord['result'] }) {
  if (!result.enough)
    return (
      <Empty title={ANSWER_WORDS.notEnoughToGo}>
        {ANSWER_WORDS.nothingHereIsMore}{' '}
        {result.nextLook ? nextLookText(result.nextLook) : ANSWER_WORDS.measureASwing}
      </Empty>
    );
  if (result.roots.length > 0) return null;
  return <Empty title={ANSWER_WORDS.nothingStandsOut}>{ANSWER_WORDS.whatWasMeasuredLies}</Empty>;
}

interface WorkOnProps {
  readonly box: ChoiceBox;
  readonly renewing: boolean;
}

function WorkOn({ box: { pick, overruled, note, setNote, choose, accept }, renewing }: WorkOnProps) {
  return (
    <div className="panel sticky bottom-2 flex flex-wrap items-center gap-3 p-3">
      <p className="font-semibold">
        {ANSWER_WORDS.work}{' '}
        {pick.length > 0 ? pick.map(faultName).join(ANSWER_WORDS.and) : ANSWER_WORDS.nothingChosen}
      </p>
      {overruled && (
        <input
          aria-label={ANSWER_WORDS.whyYouChooseDifferently}
          placeholder={ANSWER_WORDS.whyYouChooseDifferently}
          className="input min-w-56 flex-1"
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
      )}
      <button
        type="button"
        className="btn btn-primary ml-auto"
        disabled={renewing || choose.isPending || pick.length === 0 || (overruled && note.trim() === '')}
        onClick={() => accept().catch(() => undefined)}
      >
        {ANSWER_WORDS.workOnThisFind}
      </button>
      {choose.error && <Failed error={choose.error} />}
    </div>
  );
}
