import type { Student } from '@inchstep/contract/intake';
import type { Progress, Series } from '@inchstep/contract/progress';
import { measureName } from '@inchstep/contract/words';
import { useState } from 'react';
import { useOutletContext } from 'react-router';
import { dayText, Empty, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useUnits } from '../../platform/units.ts';
import { FaultStory } from './FaultStory.tsx';
import { LineOfProgress } from './LineOfProgress.tsx';
import { useProgress } from './queries.ts';

/** A measure over sessions, with intervals, and whether its change is real. */
export function ProgressScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const progress = useProgress(student.id);
  return (
    <Shown query={progress} what="the progress">
      {(p) =>
        p.series.length === 0 ? (
          <div className="mx-auto max-w-3xl p-4">
            <Empty title="No line yet">Measure swings on two days and the line begins.</Empty>
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
      <Panel title="Measures">
        <ul className="max-h-[36rem] overflow-y-auto" aria-label="Measures">
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
          <p className="text-sm text-base-content/80">
            Arrow: the day’s mean, with where it truly lies 19 times in 20. Strokes beside it: single swings.
            ▲ lesson, ○ check-in.
          </p>
          <SessionTable series={series} today={me.data?.today ?? ''} />
        </Panel>
        <IsItReal series={series} />
        <FaultStory studentId={studentId} today={me.data?.today ?? ''} />
      </div>
    </div>
  );
}

const shortVerdict = (s: Series): string => {
  if (s.sessions.length < 2) return 'one day';
  if (s.change.verdict === 'none') return 'same';
  if (s.change.verdict === 'cant_tell') return '?';
  const way = s.direction === 'level' ? 'moved' : s.direction;
  return s.change.verdict === 'real' ? way : `${way}?`;
};

function IsItReal({ series: { change, direction, band, family } }: { readonly series: Series }) {
  const { value } = useUnits();
  const { smallestReal, lo95, hi95 } = change;
  if (smallestReal === null || lo95 === null || hi95 === null)
    return (
      <Panel title="Is it real?">
        <p>One day alone can’t show a change. Film again; several swings in a session say more than one.</p>
      </Panel>
    );
  const words = {
    real: `Yes. The change is larger than ${value(smallestReal, band.unit)}, the smallest these sessions could have shown.`,
    maybe: `Perhaps. It would need ${value(smallestReal, band.unit)} to be sure; film a few more swings.`,
    none: `No change to speak of: a real one of ${value(smallestReal, band.unit)} or more would have shown.`,
    cant_tell: `Can’t tell. These sessions could only show a change of ${value(smallestReal, band.unit)} or more.`,
  }[change.verdict];
  return (
    <Panel title="Is it real?">
      <p className="text-lg font-semibold" data-testid="verdict" data-verdict={change.verdict}>
        {words}
      </p>
      <p className="mt-1">
        Last day against the days before the work began: {change.delta >= 0 ? '+' : '−'}
        {value(Math.abs(change.delta), band.unit)} ({value(lo95, band.unit)} to {value(hi95, band.unit)}, 19
        times in 20)
        {direction !== 'level' && `, ${direction === 'better' ? 'toward' : 'away from'} its band`}.
      </p>
      <p className="mt-1 text-sm text-base-content/80">
        Marks, swing-to-swing spread and day-to-day spread are kept apart
        {family > 1 ? `; ${family} measures looked at together share the chance of a false alarm` : ''}.
      </p>
    </Panel>
  );
}

function SessionTable({ series, today }: { readonly series: Series; readonly today: string }) {
  const { value } = useUnits();
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">As a table</summary>
      <table className="table">
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col">Swings</th>
            <th scope="col">Mean</th>
            <th scope="col">Give or take</th>
          </tr>
        </thead>
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
