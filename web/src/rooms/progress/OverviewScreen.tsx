import type { Student } from '@inchstep/contract/intake';
import type { Brief, Series } from '@inchstep/contract/progress';
import { faultName, measureName, STAGE_WORDS } from '@inchstep/contract/words';
import { Z95 } from '@inchstep/core/foundation';
import type { Verdict } from '@inchstep/core/measures';
import { Link, useOutletContext } from 'react-router';
import { dayText, Empty, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { Tape } from '../../platform/tape.tsx';
import { useThread } from '../intake/index.ts';
import { MeasureLine } from '../measures/index.ts';
import { useLibrary } from '../prescription/index.ts';
import { useBrief, useProgress } from './queries.ts';
import { Thread } from './Thread.tsx';
import { missedText, movedText, ownedText, STATE_WORDS } from './words.ts';

/** Who this is and where the work stands: focus, tapes, thread. */
export function OverviewScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const brief = useBrief(student.id);
  const thread = useThread(student.id);
  const me = useMe();
  const today = me.data?.today ?? '';
  return (
    <div className="mx-auto grid max-w-[80rem] gap-4 p-4 lg:grid-cols-[1fr_1fr_20rem]">
      <Shown query={brief} what="the brief">
        {(b) => <BriefPanel student={student} brief={b} today={today} />}
      </Shown>
      <FocusTapes studentId={student.id} />
      <Panel title="Thread">
        <Shown query={thread} what="the thread">
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
    brief.state === 'new' ? { to: 'bench', text: 'To the bench' } : { to: 'ladder', text: 'To the ladder' };
  return (
    <Panel title="Where it stands" aside={<span className="font-semibold">{STATE_WORDS[brief.state]}</span>}>
      <dl className="flex flex-col gap-2">
        <Line term="Next lesson">{brief.nextLesson ? dayText(brief.nextLesson, today) : 'none set'}</Line>
        <Line term="Working on">
          {brief.focus.length > 0 ? brief.focus.map(faultName).join(', ') : 'nothing yet'}
        </Line>
        <Line term="Drill">
          {brief.drills.length > 0 ? brief.drills.map(nameOf).join(' and ') : 'none'}
          {brief.stage && `, rung “${STAGE_WORDS[brief.stage]?.name}”`}
        </Line>
        {brief.drills.length > 0 && (
          <Line term="Done since the plan">
            {brief.repsDone} of {brief.repsPlanned} planned repetitions
          </Line>
        )}
        {brief.missed.length > 0 && (
          <Line term="Planned days without a set">{missedText(brief.missed, today)}</Line>
        )}
        {brief.drills.length > 0 && <Line term="Owned?">{ownedText(brief.owned, today)}</Line>}
        {brief.moved.length > 0 && <Line term="What moved">{brief.moved.map(movedText).join('. ')}</Line>}
        {brief.limits.length > 0 && <Line term="Careful with">{brief.limits.join(', ')}</Line>}
        {student.profile.aims && <Line term="Aims">{student.profile.aims}</Line>}
        {brief.lastWords && <Line term="Last words">“{brief.lastWords}”</Line>}
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
    <Panel title="Tapes">
      <Shown query={progress} what="the tapes">
        {({ series, focus }) =>
          series.length === 0 ? (
            <Empty title="Nothing measured yet">
              Name stations and set marks on the bench; each measure becomes a tape here.
            </Empty>
          ) : (
            <ul className="flex flex-col gap-2">
              {mostTelling(series, focus).map(({ shown, before }) => (
                <li key={shown.id}>
                  <MeasureLine measure={shown} unsure="can’t tell from these swings" />
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
      <p className="mt-2 text-sm text-base-content/80">
        Solid notch: last time filmed. Dashed: the time before. Bracket: where the true mean lies, 19 times in
        20.
      </p>
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
