import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import { faultName, findingName, measureName } from '@inchstep/contract/words';
import { compareDiagnoses, type FaultCourse } from '@inchstep/core/diagnosis';
import { Link } from 'react-router';
import { dayText, Panel } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useDiagnosisNow } from './queries.ts';
import { STANDING_WORDS } from './words.ts';

const list = (faults: readonly string[]): string => faults.map(faultName).join(STANDING_WORDS.and);

/** What the coach chose earlier stands; where the program would now say something else, it says so. */
export function StandingChoice({
  diagnosis,
  onTake,
}: {
  readonly diagnosis: DiagnosisRecord;
  readonly onTake: (workOn: readonly string[]) => void;
}) {
  const { chosen, result } = diagnosis;
  const now = useDiagnosisNow(diagnosis.id);
  const me = useMe();
  const differs = chosen?.carried && result.workOn.length > 0 && chosen.workOn[0] !== result.workOn[0];
  return (
    <>
      {differs && (
        <div role="status" className="panel flex flex-wrap items-center gap-3 border-warning p-3">
          <p className="flex-1">
            <span className="font-semibold">{STANDING_WORDS.yourChoiceStands(list(chosen.workOn))}</span>{' '}
            {STANDING_WORDS.thisWouldNowChange(chosen.note && `“${chosen.note}” `, list(result.workOn))}
          </p>
          <button type="button" className="btn" onClick={() => onTake(result.workOn)}>
            {STANDING_WORDS.takeThePrograms}
          </button>
        </div>
      )}
      {now.data?.changed && (
        <div role="status" className="panel flex flex-wrap items-center gap-3 border-warning p-3">
          <p className="flex-1">
            {STANDING_WORDS.swingOfWouldChange(dayText(now.data.recordedOn, me.data?.today ?? ''))}{' '}
            {now.data.workOn.length > 0
              ? STANDING_WORDS.first(list(now.data.workOn))
              : STANDING_WORDS.nothingStandsOutAny}
            .
          </p>
          <Link className="btn" to={`/students/${diagnosis.studentId}/diagnosis?swing=${now.data.swingId}`}>
            {STANDING_WORDS.look}
          </Link>
        </div>
      )}
    </>
  );
}

const COURSE_WORDS: Record<FaultCourse, string> = {
  resolved: 'gone',
  improved: 'better',
  same: STANDING_WORDS.asBefore,
  worse: 'worse',
  new: 'new',
  unsure: STANDING_WORDS.notSeenEitherWay,
};

/** Each fault against the diagnosis before. */
export function SinceLast({
  before,
  now,
}: {
  readonly before: DiagnosisRecord;
  readonly now: DiagnosisRecord;
}) {
  const me = useMe();
  const changes = compareDiagnoses(
    { faults: before.result.faults, strengths: before.result.strengths },
    { faults: now.result.faults, strengths: now.result.strengths },
  );
  if (changes.length === 0) return null;
  return (
    <Panel title={STANDING_WORDS.sinceTheDiagnosis(dayText(before.at, me.data?.today ?? ''))}>
      <ul className="grid gap-x-6 gap-y-1 sm:grid-cols-2">
        {changes.map(({ fault, course, before: then, now: here }) => (
          <li key={fault} className="flex justify-between gap-3">
            <span>{faultName(fault)}</span>
            <span>
              <span className="font-semibold">{COURSE_WORDS[course]}</span>
              {then !== null &&
                here !== null &&
                STANDING_WORDS.thenStepsOut(then.toFixed(1), here.toFixed(1))}
            </span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}

/** Findings the coach holds to be wrong, each brought back with one press. */
export function SetAside({
  ids,
  onBack,
}: {
  readonly ids: readonly string[];
  readonly onBack: (id: string) => void;
}) {
  if (ids.length === 0) return null;
  return (
    <div className="mt-3 border-t-[1.5px] border-dashed border-base-300 pt-2">
      <h3 className="font-semibold">{STANDING_WORDS.setAsideAsWrong}</h3>
      <ul>
        {ids.map((id) => (
          <li key={id} className="flex items-center justify-between gap-2 text-sm">
            {id.includes('.') ? findingName(id) : measureName(id)}
            <button type="button" className="btn btn-ghost btn-sm h-11" onClick={() => onBack(id)}>
              {STANDING_WORDS.countItAgain}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
