import * as wire from '@inchstep/contract/endpoints';
import type { Student } from '@inchstep/contract/intake';
import type { MeasureStory, Progress, Series } from '@inchstep/contract/progress';
import { urlOf } from '@inchstep/contract/wire/address';
import { measureName } from '@inchstep/contract/words';
import { Download, FileText } from 'lucide-react';
import { useState } from 'react';
import { Link, useOutletContext } from 'react-router';
import { dayText, Empty, HeadRow, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useUnits } from '../../platform/units.ts';
import { BeliefLine } from './BeliefLine.tsx';
import { cellText } from './cellText.ts';
import { FaultStory } from './FaultStory.tsx';
import { Ball, Felt } from './FeltAndBall.tsx';
import { Lasts, When } from './LastsAndWhen.tsx';
import { MeasureList } from './MeasureList.tsx';
import { useMeasureStory, useProgress } from './queries.ts';
import { WhereItHolds } from './WhereItHolds.tsx';
import { BELIEF_WORDS } from './words.belief.ts';
import { REPORT_SCREEN_WORDS } from './words.report.ts';
import { PROGRESS_SCREEN_WORDS, PROGRESS_WORDS } from './words.ts';

/** A measure over sessions: what can be said of it, where it holds, whether it lasts, and when it will be there. */
export function ProgressScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const progress = useProgress(student.id);
  return (
    <Shown query={progress} what={PROGRESS_SCREEN_WORDS.theProgress}>
      {(p) =>
        p.series.length === 0 ? (
          <div className="mx-auto max-w-3xl p-4">
            <Empty title={PROGRESS_WORDS.noLine}>{PROGRESS_WORDS.howToBegin}</Empty>
          </div>
        ) : (
          <Lines studentId={student.id} progress={p} />
        )
      }
    </Shown>
  );
}

function Lines({ studentId, progress }: { readonly studentId: string; readonly progress: Progress }) {
  const [chosen, setChosen] = useState(progress.series[0]?.measure ?? '');
  const series = progress.series.find((s) => s.measure === chosen) ?? progress.series[0];
  const today = useMe().data?.today ?? '';
  const story = useMeasureStory(studentId, series?.measure ?? '');
  if (!series) return null;
  return (
    <div className="mx-auto grid max-w-[80rem] items-start gap-4 p-4 lg:grid-cols-[17rem_1fr]">
      <TakeAlong studentId={studentId} />
      <MeasureList progress={progress} chosen={series.measure} onChoose={setChosen} />
      <div className="flex min-w-0 flex-col gap-3">
        <Shown query={story} what={BELIEF_WORDS.theMeasure}>
          {(s) => <Told story={s} series={series} progress={progress} today={today} />}
        </Shown>
        <FaultStory studentId={studentId} today={today} />
      </div>
    </div>
  );
}

/** What goes out of here. Before the long list of measures, so that keys reach it at once. */
const TakeAlong = ({ studentId }: { readonly studentId: string }) => (
  <p className="flex flex-wrap gap-2 lg:col-span-2">
    <Link className="btn btn-primary" to="../report">
      <FileText aria-hidden size={20} /> {REPORT_SCREEN_WORDS.open}
    </Link>
    <a className="btn" href={urlOf(wire.progress.progressCsv, { id: studentId })} download>
      <Download aria-hidden size={20} /> {BELIEF_WORDS.csv}
    </a>
    <a className="btn" href={urlOf(wire.progress.progressJson, { id: studentId })} download>
      <Download aria-hidden size={20} /> {BELIEF_WORDS.json}
    </a>
  </p>
);

interface ToldProps {
  readonly story: MeasureStory;
  readonly series: Series;
  readonly progress: Progress;
  readonly today: string;
}

function Told({ story, series, progress, today }: ToldProps) {
  return (
    <>
      <Panel title={measureName(story.measure)}>
        <Answer story={story} series={series} today={today} />
        <BeliefLine story={story} progress={progress} />
        <p className="text-sm text-base-content/80">{BELIEF_WORDS.legend}</p>
        <LookTable story={story} today={today} />
      </Panel>
      <WhereItHolds story={story} />
      <div className="grid items-start gap-3 md:grid-cols-2">
        <When story={story} today={today} />
        <Lasts story={story} />
        <Felt story={story} />
        <Ball story={story} today={today} />
      </div>
    </>
  );
}

/** The sentence that a coach would say, and what it stands on. */
function Answer({ story, series: { direction, family }, today }: Omit<ToldProps, 'progress'>) {
  const { value } = useUnits();
  const look = story.looks.at(-1);
  const since = story.occasions[story.baseline - 1]?.date;
  if (!look || look.delta === null || look.lo95 === null || look.hi95 === null || !since)
    return <p className="text-lg font-semibold">{BELIEF_WORDS.oneDay}</p>;
  const amount = (of: number) => value(of, story.band.unit);
  const signed = (of: number) => `${of < 0 ? '−' : '+'}${amount(Math.abs(of))}`;
  const way = BELIEF_WORDS.ways[direction];
  const day = dayText(since, today);
  const said = {
    real: BELIEF_WORDS.said.real(way, signed(look.delta), day),
    maybe: BELIEF_WORDS.said.maybe(way, signed(look.delta), day),
    none: BELIEF_WORDS.said.none(amount(story.band.step), day),
    cant_tell: BELIEF_WORDS.said.cant_tell(day),
  }[look.verdict];
  return (
    <div className="mb-2">
      <p className="text-lg font-semibold" data-testid="verdict" data-verdict={look.verdict}>
        {said}
      </p>
      <p className="mt-1">
        {BELIEF_WORDS.between(signed(look.lo95), signed(look.hi95))}{' '}
        {BELIEF_WORDS.chance(String(Math.round(100 * story.inBand)))}
      </p>
      <p className="mt-1 text-sm text-base-content/80">
        {BELIEF_WORDS.about(cellText(story.told))} {BELIEF_WORDS.family(family)}
      </p>
    </div>
  );
}

function LookTable({ story, today }: { readonly story: MeasureStory; readonly today: string }) {
  const { value } = useUnits();
  const { unit } = story.band;
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">{BELIEF_WORDS.table}</summary>
      <table className="table">
        <HeadRow columns={BELIEF_WORDS.columns} />
        <tbody>
          {story.occasions.map((one, i) => {
            const look = story.looks[i];
            const level = story.line.find(({ date }) => date === one.date)?.level;
            return (
              <tr key={`${one.date} ${one.cue ?? ''} ${one.place ?? ''}`}>
                <td>{dayText(one.date, today)}</td>
                <td>{one.values.length}</td>
                <td>{value(one.values.reduce((a, b) => a + b, 0) / one.values.length, unit)}</td>
                <td>{level === undefined ? '' : value(level, unit)}</td>
                <td>{look && look.delta !== null ? BELIEF_WORDS.short[look.verdict] : ''}</td>
                <td>{look && look.delta !== null ? BELIEF_WORDS.inHundred(look.probability) : ''}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </details>
  );
}
