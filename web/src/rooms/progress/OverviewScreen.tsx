import type { Student } from '@inchstep/contract/intake';
import type { Brief, Series } from '@inchstep/contract/progress';
import { faultName, measureName, STAGE_WORDS } from '@inchstep/contract/words';
import { Z95 } from '@inchstep/core/foundation';
import type { Verdict } from '@inchstep/core/measures';
import { Link, useOutletContext } from 'react-router';
import { dayText, Empty, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { Tape } from '../../platform/tape.tsx';
import { StudentLinkPanel } from '../checkins/index.ts';
import { useThread } from '../intake/index.ts';
import { MeasureLine } from '../measures/index.ts';
import { useLibrary } from '../prescription/index.ts';
import { useBrief, useProgress } from './queries.ts';
import { Thread } from './Thread.tsx';
import { missedText, movedText, OVERVIEW_SCREEN_WORDS, ownedText, STATE_WORDS } from './words.ts';

/** Who this is and where the work stands: focus, tapes, thread. */
export function OverviewScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const brief = useBrief(student.id);
  const thread = useThread(student.id);
  const me = useMe();
  const today = me.data?.today ?? '';
  return (
    <div className="mx-auto grid max-w-[80rem] gap-4 p-4 lg:grid-cols-[1fr_1fr_20rem]">
      <Shown query={brief} what={OVERVIEW_SCREEN_WORDS.theBrief}>
        {(b) => (
          <div className="flex flex-col gap-4">
            <BriefPanel student={student} brief={b} today={today} />
            <StudentLinkPanel student={student} />
          </div>
        )}
      </Shown>
      <FocusTapes studentId={student.id} />
      <Panel title={OVERVIEW_SCREEN_WORDS.thread}>
        <Shown query={thread} what={OVERVIEW_SCREEN_WORDS.theThread}>
          {(events) => <Thread events={events} today={today} />}
        </Shown>
      </Panel>
    </div>
  );
}

function BriefPanel({
  student,
  brief,
  today,
}: {
  readonly student: Student;
  readonly brief: Brief;
  readonly today: string;
}) {
  const { nameOf } = useLibrary();
  const next =
    brief.state === 'new'
      ? { to: 'bench', text: OVERVIEW_SCREEN_WORDS.toTheBench }
      : { to: 'ladder', text: OVERVIEW_SCREEN_WORDS.toTheLadder };
  return (
    <Panel
      title={OVERVIEW_SCREEN_WORDS.whereItStands}
      aside={<span className="font-semibold">{STATE_WORDS[brief.state]}</span>}
    >
      <dl className="flex flex-col gap-2">
        <Line term={OVERVIEW_SCREEN_WORDS.nextLesson}>
          {brief.nextLesson ? dayText(brief.nextLesson, today) : OVERVIEW_SCREEN_WORDS.noneSet}
        </Line>
        <Line term={OVERVIEW_SCREEN_WORDS.working}>
          {brief.focus.length > 0 ? brief.focus.map(faultName).join(', ') : OVERVIEW_SCREEN_WORDS.nothingYet}
        </Line>
        <Line term={OVERVIEW_SCREEN_WORDS.drill}>
          {brief.drills.length > 0 ? brief.drills.map(nameOf).join(OVERVIEW_SCREEN_WORDS.and) : 'none'}
          {brief.stage && OVERVIEW_SCREEN_WORDS.rung(STAGE_WORDS[brief.stage]?.name)}
        </Line>
        {brief.drills.length > 0 && (
          <Line term={OVERVIEW_SCREEN_WORDS.doneSinceThePlan}>
            {OVERVIEW_SCREEN_WORDS.ofPlannedRepetitions(brief.repsDone, brief.repsPlanned)}
          </Line>
        )}
        {brief.missed.length > 0 && (
          <Line term={OVERVIEW_SCREEN_WORDS.plannedDaysWithout}>{missedText(brief.missed, today)}</Line>
        )}
        {brief.overdone.length > 0 && (
          <Line term={OVERVIEW_SCREEN_WORDS.overdone}>
            {brief.overdone.map((day) => dayText(day, today)).join(', ')}
          </Line>
        )}
        {brief.drills.length > 0 && (
          <Line term={OVERVIEW_SCREEN_WORDS.owned}>{ownedText(brief.owned, today)}</Line>
        )}
        {brief.moved.length > 0 && (
          <Line term={OVERVIEW_SCREEN_WORDS.whatMoved}>{brief.moved.map(movedText).join('. ')}</Line>
        )}
        {brief.limits.length > 0 && (
          <Line term={OVERVIEW_SCREEN_WORDS.careful}>{brief.limits.join(', ')}</Line>
        )}
        {student.profile.aims && <Line term={OVERVIEW_SCREEN_WORDS.aims}>{student.profile.aims}</Line>}
        {brief.lastWords && <Line term={OVERVIEW_SCREEN_WORDS.lastWords}>“{brief.lastWords}”</Line>}
      </dl>
      <Link to={next.to} className="btn btn-primary mt-3">
        {next.text}
      </Link>
    </Panel>
  );
}

function Line({ term, children }: { readonly term: string; readonly children: React.ReactNode }) {
  return (
    <div>
      <dt className="text-sm text-base-content/80">{term}</dt>
      <dd>{children}</dd>
    </div>
  );
}

const SHOWN = 6;
const ORDER = { low: 0, high: 0, in: 1, cant_tell: 2 } as const;

function FocusTapes({ studentId }: { readonly studentId: string }) {
  const progress = useProgress(studentId);
  return (
    <Panel title={OVERVIEW_SCREEN_WORDS.tapes}>
      <Shown query={progress} what={OVERVIEW_SCREEN_WORDS.theTapes}>
        {({ series, focus }) =>
          series.length === 0 ? (
            <Empty title={OVERVIEW_SCREEN_WORDS.nothingMeasuredYet}>
              {OVERVIEW_SCREEN_WORDS.nameStationsAndSet}
            </Empty>
          ) : (
            <ul className="flex flex-col gap-2">
              {mostTelling(series, focus).map(({ shown, before }) => (
                <li key={shown.id}>
                  <MeasureLine measure={shown} unsure={OVERVIEW_SCREEN_WORDS.cantTellFromThese} />
                  <Tape
                    name={measureName(shown.id)}
                    band={shown.band}
                    value={shown.value}
                    half95={shown.half95}
                    before={before}
                    compact
                  />
                </li>
              ))}
            </ul>
          )
        }
      </Shown>
      <p className="mt-2 text-sm text-base-content/80">{OVERVIEW_SCREEN_WORDS.solidNotchLastTime}</p>
    </Panel>
  );
}

/** What the work is on comes first, then what lies outside its band, then what is known to be well. */
function mostTelling(series: readonly Series[], focus: readonly string[]) {
  // The work's own measures keep their order: the fault's first.
  const rank = ({ id, verdict }: { id: string; verdict: Verdict }) =>
    focus.includes(id) ? focus.indexOf(id) - focus.length : ORDER[verdict];
  return series
    .flatMap((s) => {
      const last = s.sessions.at(-1);
      if (!last) return [];
      const { verdict } = s.standing;
      const shown = {
        id: s.measure,
        value: last.mean,
        sd: last.half95 / Z95,
        half95: last.half95,
        verdict,
        station: 'address',
        band: s.band,
      } as const;
      return [{ shown, before: s.sessions.at(-2)?.mean }];
    })
    .sort((a, b) => rank(a.shown) - rank(b.shown))
    .slice(0, SHOWN);
}
