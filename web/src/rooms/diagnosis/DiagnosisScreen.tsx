import type { Swing } from '@inchstep/contract/capture';
import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import type { Student } from '@inchstep/contract/intake';
import { CLUB_WORDS } from '@inchstep/contract/words';
import { useEffect, useRef, useState } from 'react';
import { useOutletContext, useSearchParams } from 'react-router';
import { dropDraft, useDraft } from '../../platform/drafts.ts';
import { dayOf, dayText, Empty, Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useSwings } from '../capture/index.ts';
import { useReadings } from '../measures/index.ts';
import { Answer, type Tab } from './Answer.tsx';
import { Findings } from './Findings.tsx';
import { type Ticked, useDiagnose, useDiagnoses } from './queries.ts';
import { ShotTicks } from './ShotTicks.tsx';
import { SetAside } from './Standing.tsx';
import { DIAGNOSIS_SCREEN_WORDS } from './words.ts';

/** From measures and looks to the one or two roots worth working on, with their reasons. */
export function DiagnosisScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const diagnoses = useDiagnoses(student.id);
  return (
    <Shown query={diagnoses} what={DIAGNOSIS_SCREEN_WORDS.theDiagnoses}>
      {(all) => <Reasoning student={student} all={all} />}
    </Shown>
  );
}

/** What is known and ticked, and the asking. Ticks made in the bay outlive a look elsewhere. */
function useReasoning(student: Student, all: readonly DiagnosisRecord[]) {
  const latest = all[0] ?? null;
  const [params] = useSearchParams();
  const swings = useSwings(student.id);
  const readings = useReadings(student.id);
  const diagnose = useDiagnose(student.id);
  const measured = (swings.data ?? []).filter((s) => s.track || s.marks.length > 0);
  // Null is a choice as well: what was seen, without any swing. Undefined: nobody has chosen yet.
  const [swingId, setSwingId] = useState<string | null | undefined>(
    params.get('swing') ?? latest?.swingId ?? undefined,
  );
  const chosen = swingId === undefined ? usualSwing(measured, latest) : swingId;
  // A new diagnosis carries the ticks from then on.
  const draftKey = `ticks.${student.id}.${latest?.id ?? 'first'}`;
  const [ticks, setTicked] = useDraft(draftKey, areTicks);
  const ticked = ticks ?? latest?.findings ?? [];
  const [setAside, setSetAside] = useState<string[]>(() => [...(latest?.setAside ?? [])]);
  const [together, setTogether] = useState(latest?.wholeDay ?? true);
  const sameDay = swingsOfDay(measured, chosen);
  const reading = readings.data?.find((r) => r.swingId === chosen);
  const ask = (aside: string[]) => {
    setSetAside(aside);
    diagnose.mutate(
      { swingId: chosen, wholeDay: together && sameDay > 1, findings: ticked, setAside: aside },
      { onSuccess: () => dropDraft(draftKey) },
    );
  };
  // "Diagnose" on the bench was the asking: a swing that nobody asked about is asked at once.
  const asked = params.get('swing');
  const isNew = asked !== null && !all.some((one) => one.swingId === asked);
  const ready = isNew && swings.data !== undefined && readings.data !== undefined;
  const done = useRef(false);
  useEffect(() => {
    if (!ready || done.current) return;
    done.current = true;
    ask(setAside);
  });
  const stale = latest !== null && asked !== null && latest.swingId !== asked;
  return {
    studentId: student.id,
    latest: stale ? null : latest,
    measured,
    chosen,
    setSwingId,
    ticked,
    setTicked,
    setAside,
    together,
    setTogether,
    sameDay,
    // A set-aside measure is judged by eye again.
    known: new Set(reading?.measures.map((m) => m.id).filter((id) => !setAside.includes(id))),
    ask,
    diagnose,
  };
}
/** The newest measured swing, unless the last diagnosis was made without one when that swing was there already. */
function usualSwing(measured: readonly Swing[], latest: DiagnosisRecord | null): string | null {
  const [newest] = measured;
  if (!newest) return null;
  return latest?.swingId === null && newest.recordedOn < dayOf(latest.at) ? null : newest.id;
}

type ReasoningBox = ReturnType<typeof useReasoning>;

interface ReasoningProps {
  readonly student: Student;
  readonly all: readonly DiagnosisRecord[];
}

function Reasoning({ student, all }: ReasoningProps) {
  const box = useReasoning(student, all);
  const { latest, setAside, ask, diagnose } = box;
  const [tab, setTab] = useState<Tab>('reasons');
  return (
    <div
      className={`mx-auto grid max-w-[80rem] gap-4 p-4 ${tab === 'reasons' ? 'lg:grid-cols-[24rem_1fr]' : ''}`}
    >
      {/* The board needs the whole width. */}
      <div className={`flex flex-col gap-3 ${tab === 'reasons' ? '' : 'hidden'}`}>
        <Known box={box} />
        <button
          type="button"
          className="btn btn-primary btn-lg sticky bottom-2"
          disabled={diagnose.isPending}
          onClick={() => ask(setAside)}
        >
          {latest ? DIAGNOSIS_SCREEN_WORDS.diagnoseAgain : DIAGNOSIS_SCREEN_WORDS.diagnose}
        </button>
        {diagnose.error && <Failed error={diagnose.error} />}
      </div>
      {latest ? (
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
        <Empty title={DIAGNOSIS_SCREEN_WORDS.noDiagnosis}>{DIAGNOSIS_SCREEN_WORDS.tickWhatYouSaw}</Empty>
      )}
    </div>
  );
}

function Known({ box }: { readonly box: ReasoningBox }) {
  const { measured, chosen, ticked, setTicked, setAside, together, setTogether, sameDay, ask } = box;
  const me = useMe();
  const today = me.data?.today ?? '';
  return (
    <Panel title={DIAGNOSIS_SCREEN_WORDS.whatIsKnown}>
      <label className="mb-3 flex flex-col gap-1">
        <span className="font-semibold">{DIAGNOSIS_SCREEN_WORDS.measuredSwing}</span>
        <select
          className="select w-full"
          value={chosen ?? ''}
          onChange={(e) => box.setSwingId(e.target.value || null)}
        >
          <option value="">{DIAGNOSIS_SCREEN_WORDS.noneLooksOnly}</option>
          {measured.map((s) => (
            <option key={s.id} value={s.id}>
              {dayText(s.recordedOn, today)}, {CLUB_WORDS[s.club]},{' '}
              {s.track ? 'motion' : DIAGNOSIS_SCREEN_WORDS.marks(s.marks.length)}
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
          {DIAGNOSIS_SCREEN_WORDS.allAlike(sameDay)}
        </label>
      )}
      <ShotTicks
        studentId={box.studentId}
        swingId={chosen}
        today={today}
        ticked={ticked}
        onChange={setTicked}
      />
      <Findings ticked={ticked} measured={box.known} onChange={setTicked} />
      <SetAside ids={setAside} onBack={(id) => ask(setAside.filter((other) => other !== id))} />
    </Panel>
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
