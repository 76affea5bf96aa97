import type { Swing } from '@inchstep/contract/capture';
import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import type { Student } from '@inchstep/contract/intake';
import { BLOCKER_WORDS, CLUB_WORDS, faultName, nextLookText, PHASE_WORDS } from '@inchstep/contract/words';
import { faultById } from '@inchstep/core/diagnosis';
import { useState } from 'react';
import { useNavigate, useOutletContext, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { dropDraft, useDraft } from '../../platform/drafts.ts';
import { dayText, Empty, Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useSwings } from '../capture/index.ts';
import { useReadings } from '../measures/index.ts';
import { LeaveAlone, NextLooks } from './AnswerParts.tsx';
import { ChainBoard } from './ChainBoard.tsx';
import { Findings } from './Findings.tsx';
import { type Ticked, useChooseWork, useDiagnose, useDiagnoses, useUnchooseWork } from './queries.ts';
import { RootCard } from './RootCard.tsx';
import { ShotTicks } from './ShotTicks.tsx';
import { SetAside, SinceLast, StandingChoice } from './Standing.tsx';

type Tab = 'reasons' | 'chain';

/** From measures and looks to the one or two roots worth working on, with their reasons. */
export function DiagnosisScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const diagnoses = useDiagnoses(student.id);
  return (
    <Shown query={diagnoses} what="the diagnoses">
      {(all) => <Reasoning student={student} all={all} />}
    </Shown>
  );
}

function Reasoning({
  student,
  all,
}: {
  readonly student: Student;
  readonly all: readonly DiagnosisRecord[];
}) {
  const latest = all[0] ?? null;
  const [params] = useSearchParams();
  const swings = useSwings(student.id);
  const me = useMe();
  const diagnose = useDiagnose(student.id);
  const measured = (swings.data ?? []).filter((s) => s.track || s.marks.length > 0);
  const [swingId, setSwingId] = useState<string | null>(params.get('swing') ?? latest?.swingId ?? null);
  // Ticks made in the bay outlive a look elsewhere; a new diagnosis carries them from then on.
  const draftKey = `ticks.${student.id}.${latest?.id ?? 'first'}`;
  const [ticks, setTicked] = useDraft(draftKey, areTicks);
  const ticked = ticks ?? latest?.findings ?? [];
  const [setAside, setSetAside] = useState<string[]>(() => [...(latest?.setAside ?? [])]);
  const chosen = swingId ?? measured[0]?.id ?? null;
  const readings = useReadings(student.id);
  const sameDay = swingsOfDay(measured, chosen);
  const [together, setTogether] = useState(latest?.wholeDay ?? true);
  const reading = readings.data?.find((r) => r.swingId === chosen);
  // A set-aside measure is judged by eye again.
  const known = new Set(reading?.measures.map((m) => m.id).filter((id) => !setAside.includes(id)));
  const ask = (aside: string[]) => {
    setSetAside(aside);
    diagnose.mutate(
      { swingId: chosen, wholeDay: together && sameDay > 1, findings: ticked, setAside: aside },
      { onSuccess: () => dropDraft(draftKey) },
    );
  };
  const [tab, setTab] = useState<Tab>('reasons');
  const stale = latest !== null && params.get('swing') !== null && latest.swingId !== params.get('swing');
  return (
    <div
      className={`mx-auto grid max-w-[80rem] gap-4 p-4 ${tab === 'reasons' ? 'lg:grid-cols-[24rem_1fr]' : ''}`}
    >
      {/* The board needs the whole width. */}
      <div className={`flex flex-col gap-3 ${tab === 'reasons' ? '' : 'hidden'}`}>
        <Panel title="What is known">
          <label className="mb-3 flex flex-col gap-1">
            <span className="font-semibold">Measured swing</span>
            <select
              className="select w-full"
              value={chosen ?? ''}
              onChange={(e) => setSwingId(e.target.value || null)}
            >
              <option value="">None: looks only</option>
              {measured.map((s) => (
                <option key={s.id} value={s.id}>
                  {dayText(s.recordedOn, me.data?.today ?? '')}, {CLUB_WORDS[s.club]},{' '}
                  {s.track ? 'motion' : `${s.marks.length} marks`}
                </option>
              ))}
            </select>
          </label>
          {sameDay > 1 && (
            <label className="mb-3 flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="checkbox"
                checked={together}
                onChange={(e) => setTogether(e.target.checked)}
              />
              All {sameDay} alike of that day together, so that no one swing decides
            </label>
          )}
          <ShotTicks
            studentId={student.id}
            swingId={chosen}
            today={me.data?.today ?? ''}
            ticked={ticked}
            onChange={setTicked}
          />
          <Findings ticked={ticked} measured={known} onChange={setTicked} />
          <SetAside ids={setAside} onBack={(id) => ask(setAside.filter((other) => other !== id))} />
        </Panel>
        <button
          type="button"
          className="btn btn-primary btn-lg sticky bottom-2"
          disabled={diagnose.isPending}
          onClick={() => ask(setAside)}
        >
          {latest && !stale ? 'Diagnose again' : 'Diagnose'}
        </button>
        {diagnose.error && <Failed error={diagnose.error} />}
      </div>
      {latest && !stale ? (
        <Answer
          key={latest.id}
          student={student}
          diagnosis={latest}
          before={all[1] ?? null}
          tab={tab}
          renewing={diagnose.isPending}
          onTab={setTab}
          onSetAside={(finding) => ask([...setAside, asideId(finding)])}
        />
      ) : (
        <Empty title="No diagnosis of this yet">
          Tick what you saw, or bring a measured swing, and press Diagnose. A look you did not take counts for
          nothing, either way.
        </Empty>
      )}
    </div>
  );
}

const areTicks = (kept: unknown): kept is readonly Ticked[] =>
  Array.isArray(kept) && kept.every((t) => typeof t?.id === 'string' && typeof t?.seen === 'string');

/** Swings of the same day, club and speed as the chosen one, itself counted. */
const swingsOfDay = (swings: readonly Swing[], chosen: string | null): number => {
  const one = swings.find((s) => s.id === chosen);
  return swings.filter(
    (s) => s.recordedOn === one?.recordedOn && s.club === one?.club && s.speed === one?.speed,
  ).length;
};

/** A measured finding is set aside with its whole measure, whichever side it lies on. */
const asideId = (finding: string): string =>
  finding.startsWith('obs.') || finding.startsWith('ball.') ? finding : (finding.split('.')[0] as string);

function Answer({
  student,
  diagnosis,
  before,
  tab,
  renewing,
  onTab,
  onSetAside,
}: {
  readonly student: Student;
  readonly diagnosis: DiagnosisRecord;
  readonly before: DiagnosisRecord | null;
  readonly tab: Tab;
  /** A newer diagnosis is on its way: this one is no longer chosen from. */
  readonly renewing: boolean;
  readonly onTab: (tab: Tab) => void;
  readonly onSetAside: (finding: string) => void;
}) {
  const { result, chosen } = diagnosis;
  const [pick, setPick] = useState<string[]>([...(chosen?.workOn ?? result.workOn)]);
  const [note, setNote] = useState(chosen?.note ?? '');
  const choose = useChooseWork(student.id);
  const unchoose = useUnchooseWork(student.id);
  const navigate = useNavigate();
  const flip = (fault: string) =>
    setPick((now) => (now.includes(fault) ? now.filter((f) => f !== fault) : [...now, fault].slice(-2)));
  const accept = async () => {
    // Awaited, since callbacks of mutate are dropped when this part is drawn anew in between.
    await choose.mutateAsync({ id: diagnosis.id, workOn: pick, note });
    toast('Chosen.', { action: { label: 'Undo', onClick: () => unchoose.mutate(diagnosis.id) } });
    void navigate(`/students/${student.id}/drills`);
  };
  const overruled = pick.some((fault) => !result.workOn.includes(fault));
  return (
    <div className="flex min-w-0 flex-col gap-3">
      <div role="tablist" aria-label="Two looks at the diagnosis" className="flex gap-2">
        {(['reasons', 'chain'] as const).map((key) => (
          <button
            key={key}
            type="button"
            role="tab"
            aria-selected={tab === key}
            className={`btn ${tab === key ? 'btn-primary' : ''}`}
            onClick={() => onTab(key)}
          >
            {key === 'reasons' ? 'Reasons' : 'Chain board'}
          </button>
        ))}
      </div>
      <StandingChoice diagnosis={diagnosis} onTake={(workOn) => setPick([...workOn])} />
      {result.blockers.map((id) => (
        <p key={id} role="note" className="panel border-warning p-3 font-semibold">
          First: {BLOCKER_WORDS[id]}
        </p>
      ))}
      {!result.enough && (
        <Empty title="Not enough to go on">
          Nothing here is more likely than not.{' '}
          {result.nextLook ? nextLookText(result.nextLook) : 'Measure a swing, or tick what you saw.'}
        </Empty>
      )}
      {result.enough && result.roots.length === 0 && (
        <Empty title="Nothing stands out">
          What was measured lies in its bands or can’t be told. No drill is needed for what can be seen here.
        </Empty>
      )}
      {tab === 'chain' && <ChainBoard diagnosis={result} school={student.school} />}
      {tab === 'reasons' &&
        result.roots.map((root, i) => (
          <RootCard
            key={root.fault}
            root={root}
            place={i + 1}
            picked={pick.includes(root.fault)}
            onPick={() => flip(root.fault)}
            onSetAside={onSetAside}
            phase={PHASE_WORDS[faultById(root.fault)?.phase ?? ''] ?? ''}
          />
        ))}
      <NextLooks looks={result.nextLooks} />
      {before && <SinceLast before={before} now={diagnosis} />}
      {result.leaveAlone.length > 0 && <LeaveAlone diagnosis={diagnosis} pick={pick} onPick={flip} />}
      {result.roots.length + result.leaveAlone.length > 0 && (
        <div className="panel sticky bottom-2 flex flex-wrap items-center gap-3 p-3">
          <p className="font-semibold">
            Work on: {pick.length > 0 ? pick.map(faultName).join(' and ') : 'nothing chosen'}
          </p>
          {overruled && (
            <input
              aria-label="Why you choose differently"
              placeholder="Why you choose differently"
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
            Work on this, find the drill
          </button>
          {choose.error && <Failed error={choose.error} />}
        </div>
      )}
    </div>
  );
}
