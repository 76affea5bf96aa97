import type { Student } from '@inchstep/contract/intake';
import type { PrescriptionRecord } from '@inchstep/contract/prescription';
import { BLOCKER_WORDS, faultName, refusalText } from '@inchstep/contract/words';
import { useState } from 'react';
import { Link, useNavigate, useOutletContext } from 'react-router';
import { Empty, Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useDiagnoses } from '../diagnosis/index.ts';
import { useHold } from '../intake/index.ts';
import { FeelPanel } from './FeelPanel.tsx';
import { useLibrary } from './library.tsx';
import { Offers } from './Offers.tsx';
import { useChooseDrills, usePrescription } from './queries.ts';

/** The drill for what was chosen, why this one, and why not the others. */
export function DrillScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const diagnoses = useDiagnoses(student.id);
  return (
    <Shown query={diagnoses} what="the diagnosis">
      {([latest]) =>
        latest ? (
          <Matched student={student} diagnosisId={latest.id} />
        ) : (
          <div className="mx-auto max-w-3xl p-4">
            <Empty
              title="No diagnosis yet"
              action={
                <Link className="btn btn-primary" to={`/students/${student.id}/diagnosis`}>
                  Diagnose first
                </Link>
              }
            >
              A drill fits a fault and a student. Say first what to work on.
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
    <Shown query={prescription} what="the drills">
      {(p) => <Match key={p.workOn.join()} student={student} prescription={p} />}
    </Shown>
  );
}

/** What is picked, and whether that goes over a rule. */
function useMatch(student: Student, { diagnosisId, result }: PrescriptionRecord) {
  const [picked, setPicked] = useState<string[]>(result.drills.map((d) => d.id));
  const [note, setNote] = useState('');
  const choose = useChooseDrills(student.id);
  const navigate = useNavigate();
  return {
    picked,
    note,
    setNote,
    choose,
    flip: (id: string) =>
      setPicked((now) => (now.includes(id) ? now.filter((d) => d !== id) : [...now, id].slice(-2))),
    overruled: picked.some((id) => result.rejected.some((r) => r.id === id)),
    accept: () =>
      choose.mutate(
        { diagnosisId, drills: picked, note },
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
  const hold = useHold(student.id);
  const library = useLibrary();
  const feltMeasures = [...new Set(box.picked.flatMap((id) => library.byId(id)?.moves ?? []))].filter(
    (id) => !id.startsWith('ball.'),
  );
  const [fault] = workOn;
  if (fault === undefined) return <NothingChosen studentId={student.id} />;
  return (
    <div className="mx-auto flex max-w-[80rem] flex-col gap-3 p-4">
      <h2 className="text-2xl">For “{faultName(fault)}”</h2>
      {hold.data && (
        <p role="alert" className="panel border-error p-3 font-semibold">
          Pain was reported. Drills that load the body wait until you lift the hold.
        </p>
      )}
      {result.blockers.map((id) => (
        <p key={id} className="panel border-warning p-3 font-semibold">
          First: {BLOCKER_WORDS[id]}
        </p>
      ))}
      <div className="grid gap-4 lg:grid-cols-[1fr_22rem]">
        <Offers student={student} result={result} picked={box.picked} onFlip={box.flip} />
        <div className="flex flex-col gap-3">
          <NotOffered rejected={result.rejected} box={box} />
          <FeelPanel studentId={student.id} measures={feltMeasures} />
        </div>
      </div>
      <TakeIntoUse box={box} />
    </div>
  );
}

const NothingChosen = ({ studentId }: { readonly studentId: string }) => (
  <div className="mx-auto max-w-3xl p-4">
    <Empty
      title="Nothing chosen to work on"
      action={
        <Link className="btn btn-primary" to={`/students/${studentId}/diagnosis`}>
          Choose what to work on
        </Link>
      }
    >
      The last diagnosis named no root that is more likely than not.
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
    <Panel title="Not offered">
      {rejected.length === 0 && <p>Nothing was turned down.</p>}
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
                {picked.includes(refusal.id) ? 'Overruled' : 'Use all the same'}
              </button>
            )}
          </li>
        ))}
      </ul>
    </Panel>
  );
}

function TakeIntoUse({
  box: { picked, overruled, note, setNote, choose, accept },
}: {
  readonly box: MatchBox;
}) {
  const { nameOf } = useLibrary();
  return (
    <div className="panel sticky bottom-2 flex flex-wrap items-center gap-3 p-3">
      <p className="font-semibold">
        {picked.length > 0 ? picked.map(nameOf).join(' and ') : 'No drill chosen'}
      </p>
      {overruled && (
        <input
          aria-label="Why you overrule the rule"
          placeholder="Why you overrule the rule"
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
        Take into use, lay out the plan
      </button>
      {choose.error && <Failed error={choose.error} />}
    </div>
  );
}
