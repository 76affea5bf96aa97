import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import { chanceText, faultName } from '@inchstep/contract/words';
import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { dayOf, dayText, Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useChooseWork, useDiagnose, useDiagnoses, useUnchooseWork } from '../diagnosis/index.ts';
import { useReadings } from '../measures/index.ts';
import { useChooseDrills, useDrillChoices, useLibrary, usePrescription } from '../prescription/index.ts';
import { DECIDE_WORDS, LESSON_WORDS } from './words.lesson.ts';

const ROOTS_SHOWN = 3;
const DRILLS_SHOWN = 3;
const MOST_DRILLS = 2;

/** Root, drill, and why: each decided in one press, with the reason that was typed, or none. */
export function LessonDecide({ studentId, today }: { readonly studentId: string; readonly today: string }) {
  const diagnoses = useDiagnoses(studentId);
  const [note, setNote] = useState('');
  return (
    <Shown query={diagnoses} what={LESSON_WORDS.the}>
      {([latest]) => (
        <div className="flex flex-col gap-3">
          <Panel title={DECIDE_WORDS.title}>
            <label className="flex flex-col text-sm">
              {DECIDE_WORDS.why}
              <input
                className="input h-11 w-full"
                maxLength={500}
                value={note}
                onChange={(e) => setNote(e.target.value)}
              />
            </label>
            <FromToday studentId={studentId} today={today} latest={latest} />
            {latest && <Roots studentId={studentId} diagnosis={latest} note={note} today={today} />}
            <div className="mt-3 flex flex-wrap gap-2">
              <Link className="btn" to={`/students/${studentId}/diagnosis`}>
                {DECIDE_WORDS.reasons}
              </Link>
              <Link className="btn" to={`/students/${studentId}/ladder`}>
                {DECIDE_WORDS.ladder}
              </Link>
            </div>
          </Panel>
          {latest?.chosen && <Drills studentId={studentId} diagnosis={latest} note={note} />}
        </div>
      )}
    </Shown>
  );
}

/** What today's swings say, where nobody has asked them yet. */
function FromToday({
  studentId,
  today,
  latest,
}: {
  readonly studentId: string;
  readonly today: string;
  readonly latest: DiagnosisRecord | undefined;
}) {
  const readings = useReadings(studentId);
  const diagnose = useDiagnose(studentId);
  const swing = readings.data?.find(({ recordedOn }) => recordedOn === today);
  if (!swing || (latest && dayOf(latest.at) === today)) return null;
  return (
    <>
      <button
        type="button"
        className="btn btn-primary mt-3"
        disabled={diagnose.isPending}
        onClick={() =>
          diagnose.mutate({ swingId: swing.swingId, wholeDay: true, findings: [], setAside: [] })
        }
      >
        {DECIDE_WORDS.fromToday}
      </button>
      {diagnose.error && <Failed error={diagnose.error} />}
    </>
  );
}

interface OfDiagnosis {
  readonly studentId: string;
  readonly diagnosis: DiagnosisRecord;
  readonly note: string;
}

function Roots({ studentId, diagnosis, note, today }: OfDiagnosis & { readonly today: string }) {
  const choose = useChooseWork(studentId);
  const unchoose = useUnchooseWork(studentId);
  const { id, result, chosen } = diagnosis;
  const work = (fault: string) =>
    choose.mutate(
      { id, workOn: [fault], note },
      {
        onSuccess: () =>
          toast(DECIDE_WORDS.chosen, {
            action: { label: DECIDE_WORDS.undo, onClick: () => unchoose.mutate(id) },
          }),
      },
    );
  return (
    <section className="mt-3" aria-label={DECIDE_WORDS.roots(dayText(diagnosis.at, today))}>
      <h3 className="font-semibold">{DECIDE_WORDS.roots(dayText(diagnosis.at, today))}</h3>
      <ul className="mt-1 flex flex-col gap-2">
        {result.roots.slice(0, ROOTS_SHOWN).map(({ fault, probability }) => {
          const worked = chosen?.workOn.includes(fault) === true;
          return (
            <li key={fault} className="flex flex-wrap items-center gap-3">
              <span className="min-w-48 flex-1 text-lg">
                {faultName(fault)}, {chanceText(probability)}
              </span>
              <button
                type="button"
                className={`btn ${worked ? 'btn-primary' : ''}`}
                aria-pressed={worked}
                disabled={choose.isPending}
                onClick={() => work(fault)}
              >
                {worked ? DECIDE_WORDS.worked : DECIDE_WORDS.work}
              </button>
            </li>
          );
        })}
      </ul>
      {choose.error && <Failed error={choose.error} />}
    </section>
  );
}

function Drills({ studentId, diagnosis, note }: OfDiagnosis) {
  const { nameOf, wordsOf } = useLibrary();
  const prescription = usePrescription(diagnosis.id);
  const choose = useChooseDrills(studentId);
  const choices = useDrillChoices(studentId);
  const inUse = choices.data?.find(({ endedAt }) => endedAt === null)?.drills ?? [];
  const take = (drills: readonly string[]) =>
    choose.mutate(
      { diagnosisId: diagnosis.id, drills, note, ownTask: '' },
      { onSuccess: () => toast(DECIDE_WORDS.taken) },
    );
  return (
    <Panel title={DECIDE_WORDS.drills}>
      <Shown query={prescription} what={LESSON_WORDS.the}>
        {({ result }) => (
          <ul className="flex flex-col gap-2">
            {[...result.drills, ...result.alternatives].slice(0, DRILLS_SHOWN).map(({ id }) => (
              <li key={id} className="flex flex-wrap items-center gap-3">
                <span className="min-w-48 flex-1">
                  <span className="text-lg">{nameOf(id)}</span>
                  <span className="block text-sm text-base-content/80">{wordsOf(id)?.purpose}</span>
                </span>
                <button
                  type="button"
                  className="btn"
                  disabled={choose.isPending || inUse.includes(id)}
                  // What is in use stays; the new one comes beside it.
                  onClick={() => take([...result.beside, id].slice(-MOST_DRILLS))}
                >
                  {inUse.includes(id) ? DECIDE_WORDS.inUse : DECIDE_WORDS.take}
                </button>
              </li>
            ))}
          </ul>
        )}
      </Shown>
      <Link className="btn mt-2" to={`/students/${studentId}/drills`}>
        {DECIDE_WORDS.match}
      </Link>
      {choose.error && <Failed error={choose.error} />}
    </Panel>
  );
}
