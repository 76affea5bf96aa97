import type { Student } from '@inchstep/contract/intake';
import type { Progress, Series } from '@inchstep/contract/progress';
import { measureName } from '@inchstep/contract/words';
import { useState } from 'react';
import { useOutletContext } from 'react-router';
import { dayText, Empty, HeadRow, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useUnits } from '../../platform/units.ts';
import { FaultStory } from './FaultStory.tsx';
import { LineOfProgress } from './LineOfProgress.tsx';
import { useProgress } from './queries.ts';
import { PROGRESS_SCREEN_WORDS, PROGRESS_WORDS, REAL_WORDS } from './words.ts';

/** A measure over sessions, with intervals, and whether its change is real. */
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
  const me = useMe();
  if (!series) return null;
  return (
    <div className="mx-auto grid max-w-[80rem] gap-4 p-4 lg:grid-cols-[17rem_1fr]">
      <Panel title={PROGRESS_WORDS.measures}>
        <ul className="max-h-[36rem] overflow-y-auto" aria-label={PROGRESS_WORDS.measures}>
          {progress.series.map((s) => (
            <li key={s.measure}>
              <button
                type="button"
                aria-pressed={s.measure === chosen}
                className={`flex min-h-11 w-full items-center justify-between gap-2 rounded px-2 text-left ${s.measure === chosen ? 'bg-primary text-primary-content' : 'hover:bg-base-200'}`}
                onClick={() => setChosen(s.measure)}
              >
                <span className={progress.focus.includes(s.measure) ? 'font-semibold' : ''}>
                  {measureName(s.measure)}
                </span>
                <span className="text-sm">{shortVerdict(s)}</span>
              </button>
            </li>
          ))}
        </ul>
      </Panel>
      <div className="flex flex-col gap-3">
        <Panel title={measureName(series.measure)}>
          <LineOfProgress series={series} progress={progress} />
          <p className="text-sm text-base-content/80">{PROGRESS_WORDS.legend}</p>
          <SessionTable series={series} today={me.data?.today ?? ''} />
        </Panel>
        <IsItReal series={series} />
        <FaultStory studentId={studentId} today={me.data?.today ?? ''} />
      </div>
    </div>
  );
}

const shortVerdict = (s: Series): string => {
  if (s.sessions.length < 2) return PROGRESS_WORDS.oneDay;
  if (s.change.verdict === 'none') return PROGRESS_WORDS.same;
  if (s.change.verdict === 'cant_tell') return PROGRESS_WORDS.cantTell;
  const way = s.direction === 'level' ? PROGRESS_WORDS.moved : s.direction;
  return s.change.verdict === 'real' ? way : PROGRESS_WORDS.maybe(way);
};

function IsItReal({ series: { change, direction, band, family } }: { readonly series: Series }) {
  const { value } = useUnits();
  const { smallestReal, lo95, hi95 } = change;
  if (smallestReal === null || lo95 === null || hi95 === null)
    return (
      <Panel title={REAL_WORDS.title}>
        <p>{REAL_WORDS.oneDay}</p>
      </Panel>
    );
  const amount = (of: number) => value(of, band.unit);
  const way = direction === 'level' ? '' : direction === 'better' ? REAL_WORDS.toward : REAL_WORDS.away;
  const delta = `${change.delta >= 0 ? '+' : '−'}${amount(Math.abs(change.delta))}`;
  return (
    <Panel title={REAL_WORDS.title}>
      <p className="text-lg font-semibold" data-testid="verdict" data-verdict={change.verdict}>
        {REAL_WORDS.verdict[change.verdict](amount(smallestReal))}
      </p>
      <p className="mt-1">{REAL_WORDS.change(delta, amount(lo95), amount(hi95), way)}</p>
      <p className="mt-1 text-sm text-base-content/80">
        {REAL_WORDS.apart}
        {family > 1 ? REAL_WORDS.family(family) : ''}.
      </p>
    </Panel>
  );
}

function SessionTable({ series, today }: { readonly series: Series; readonly today: string }) {
  const { value } = useUnits();
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">{PROGRESS_WORDS.table}</summary>
      <table className="table">
        <HeadRow columns={PROGRESS_WORDS.columns} />
        <tbody>
          {series.sessions.map((s) => (
            <tr key={s.date}>
              <td>{dayText(s.date, today)}</td>
              <td>{s.values.length}</td>
              <td>{value(s.mean, series.band.unit)}</td>
              <td>{value(s.half95, series.band.unit === 'clock' ? 'ratio' : series.band.unit)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
