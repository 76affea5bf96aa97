import type { Student } from '@inchstep/contract/intake';
import type { PrescriptionRecord } from '@inchstep/contract/prescription';
import { BLOCKER_WORDS, faultName, refusalText } from '@inchstep/contract/words';
import { useState } from 'react';
import { Link, useNavigate, useOutletContext } from 'react-router';
import { Empty, Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useDiagnoses } from '../diagnosis/index.ts';
import { FeelPanel } from './FeelPanel.tsx';
import { useLibrary } from './library.tsx';
import { Offers } from './Offers.tsx';
import { useChooseDrills, usePrescription } from './queries.ts';
import { OWN_TASK_WORDS } from './words.layers.ts';
import { DRILL_SCREEN_WORDS } from './words.ts';

/** The drill for what was chosen, why this one, and why not the others. */
export function DrillScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const diagnoses = useDiagnoses(student.id);
  return (
    <Shown query={diagnoses} what={DRILL_SCREEN_WORDS.theDiagnosis}>
      {([latest]) =>
        latest ? (
          <Matched student={student} diagnosisId={latest.id} />
        ) : (
          <div className="mx-auto max-w-3xl p-4">
            <Empty
              title={DRILL_SCREEN_WORDS.noDiagnosisYet}
              action={
                <Link className="btn btn-primary" to={`/students/${student.id}/diagnosis`}>
                  {DRILL_SCREEN_WORDS.diagnoseFirst}
                </Link>
              }
            >
              {DRILL_SCREEN_WORDS.drillFitsAFault}
            </Empty>
          </div>
        )
      }
    </Shown>
  );
}

function Matched({ student, diagnosisId }: { readonly student: Student; readonly diagnosisId: string }) {
  const prescription = usePrescription(diagnosisId);
  return (
    <Shown query={prescription} what={DRILL_SCREEN_WORDS.theDrills}>
      {(p) => <Match key={p.workOn.join()} student={student} prescription={p} />}
    </Shown>
  );
}

/** What is picked, and whether that goes over a rule. */
function useMatch(student: Student, { diagnosisId, result }: PrescriptionRecord) {
  const [picked, setPicked] = useState<string[]>(
    [...result.beside, ...result.drills.map((d) => d.id)].slice(-2),
  );
  const [note, setNote] = useState('');
  const [ownTask, setOwnTask] = useState('');
  const choose = useChooseDrills(student.id);
  const navigate = useNavigate();
  return {
    picked,
    note,
    setNote,
    ownTask,
    setOwnTask,
    choose,
    flip: (id: string) =>
      setPicked((now) => (now.includes(id) ? now.filter((d) => d !== id) : [...now, id].slice(-2))),
    overruled: picked.some((id) => result.rejected.some((r) => r.id === id)),
    accept: () =>
      choose.mutate(
        { diagnosisId, drills: picked, note, ownTask },
        { onSuccess: () => void navigate(`/students/${student.id}/ladder`) },
      ),
  };
}
type MatchBox = ReturnType<typeof useMatch>;

interface MatchProps {
  readonly student: Student;
  readonly prescription: PrescriptionRecord;
}

function Match({ student, prescription }: MatchProps) {
  const { workOn, result } = prescription;
  const box = useMatch(student, prescription);
  const library = useLibrary();
  const feltMeasures = [...new Set(box.picked.flatMap((id) => library.byId(id)?.moves ?? []))].filter(
    (id) => !id.startsWith('ball.'),
  );
  const [fault] = workOn;
  if (fault === undefined) return <NothingChosen studentId={student.id} />;
  return (
    <div className="mx-auto flex max-w-[80rem] flex-col gap-3 p-4">
      <h2 className="text-2xl">{DRILL_SCREEN_WORDS.for(faultName(fault))}</h2>
      {result.blockers.map((id) => (
        <p key={id} className="panel border-warning p-3 font-semibold">
          {DRILL_SCREEN_WORDS.first} {BLOCKER_WORDS[id]}
        </p>
      ))}
      <div className="grid gap-4 lg:grid-cols-[1fr_22rem]">
        <Offers student={student} result={result} picked={box.picked} onFlip={box.flip} />
        <div className="flex flex-col gap-3">
          <NotOffered rejected={result.rejected} box={box} />
          <OwnTask box={box} />
          <FeelPanel studentId={student.id} measures={feltMeasures} fault={fault} />
        </div>
      </div>
      <TakeIntoUse box={box} />
    </div>
  );
}

const NothingChosen = ({ studentId }: { readonly studentId: string }) => (
  <div className="mx-auto max-w-3xl p-4">
    <Empty
      title={DRILL_SCREEN_WORDS.nothingChosenToWork}
      action={
        <Link className="btn btn-primary" to={`/students/${studentId}/diagnosis`}>
          {DRILL_SCREEN_WORDS.chooseWhatToWork}
        </Link>
      }
    >
      {DRILL_SCREEN_WORDS.lastDiagnosisNamed}
    </Empty>
  </div>
);

interface NotOfferedProps {
  readonly rejected: PrescriptionRecord['result']['rejected'];
  readonly box: MatchBox;
}

/** Why the others are not offered; any rule but pain may be overruled. */
function NotOffered({ rejected, box: { picked, flip } }: NotOfferedProps) {
  const library = useLibrary();
  return (
    <Panel title={DRILL_SCREEN_WORDS.notOffered}>
      {rejected.length === 0 && <p>{DRILL_SCREEN_WORDS.nothingWasTurnedDown}</p>}
      <ul className="flex flex-col gap-2">
        {rejected.map((refusal) => (
          <li key={refusal.id} className="text-sm">
            <span className="font-semibold">{library.nameOf(refusal.id)}</span>
            <span className="block">{refusalText(refusal, library)}</span>
            {!(refusal.code === 'limit' && refusal.about === 'pain') && (
              <button
                type="button"
                aria-pressed={picked.includes(refusal.id)}
                className={`btn btn-sm mt-1 h-11 ${picked.includes(refusal.id) ? 'btn-primary' : 'btn-ghost'}`}
                onClick={() => flip(refusal.id)}
              >
                {picked.includes(refusal.id)
                  ? DRILL_SCREEN_WORDS.overruled
                  : DRILL_SCREEN_WORDS.useAllTheSame}
              </button>
            )}
          </li>
        ))}
      </ul>
    </Panel>
  );
}

/** What the coach wants put right outside the drills, such as a face that is open. */
const OwnTask = ({ box }: { readonly box: MatchBox }) => (
  <Panel title={OWN_TASK_WORDS.label}>
    <textarea
      aria-label={OWN_TASK_WORDS.label}
      placeholder={OWN_TASK_WORDS.hint}
      rows={2}
      className="textarea w-full"
      value={box.ownTask}
      onChange={(e) => box.setOwnTask(e.target.value)}
    />
  </Panel>
);

function TakeIntoUse({
  box: { picked, overruled, note, setNote, choose, accept },
}: {
  readonly box: MatchBox;
}) {
  const { nameOf } = useLibrary();
  return (
    <div className="panel sticky bottom-2 flex flex-wrap items-center gap-3 p-3">
      <p className="font-semibold">
        {picked.length > 0
          ? picked.map(nameOf).join(DRILL_SCREEN_WORDS.and)
          : DRILL_SCREEN_WORDS.noDrillChosen}
      </p>
      {overruled && (
        <input
          aria-label={DRILL_SCREEN_WORDS.whyYouOverrule}
          placeholder={DRILL_SCREEN_WORDS.whyYouOverrule}
          className="input min-w-56 flex-1"
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
      )}
      <button
        type="button"
        className="btn btn-primary ml-auto"
        disabled={picked.length === 0 || choose.isPending || (overruled && note.trim() === '')}
        onClick={accept}
      >
        {DRILL_SCREEN_WORDS.takeIntoUseLay}
      </button>
      {choose.error && <Failed error={choose.error} />}
    </div>
  );
}
