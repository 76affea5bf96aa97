import type { Progress } from '@inchstep/contract/progress';
import { STAGE_WORDS, valueText } from '@inchstep/contract/words';
import type { ScaleLinear, ScaleTime } from 'd3';
import { shortDay } from '../../platform/dates.ts';
import { LINE_OF_PROGRESS_WORDS } from './words.ts';

/** What every line over a student's days has: its frame, what was passed, and what happened meanwhile. */
export const WIDTH = 760;
export const HEIGHT = 320;
export const LEFT = 58;
export const BOTTOM = 40;
export const TOP = 14;

export const noon = (day: string): Date => new Date(`${day}T12:00:00`);

type Dates = ScaleTime<number, number>;

/** The rungs of a ladder as stretches of time, every other one shaded: which was worked on until when. */
export const Passed = ({ stages, x }: { readonly stages: Progress['stages']; readonly x: Dates }) => {
  const [first, last] = x.domain() as [Date, Date];
  const ends = [...stages].sort((a, b) => (a.from < b.from ? -1 : 1));
  return (
    <>
      {[...ends, null].map((s, i) => {
        const before = ends[i - 1];
        const from = x(before ? noon(before.from) : first);
        const to = x(s ? noon(s.from) : last);
        return (
          <g key={s ? s.drill + s.stage + s.from : 'since'}>
            {i % 2 === 1 && (
              <rect
                data-testid="stage"
                x={from}
                width={Math.max(0, to - from)}
                y={TOP}
                height={HEIGHT - BOTTOM - TOP}
                fill="currentColor"
                opacity={0.05}
              />
            )}
            {s && (
              <>
                <line
                  x1={to}
                  x2={to}
                  y1={TOP}
                  y2={HEIGHT - BOTTOM}
                  stroke="currentColor"
                  strokeDasharray="2 5"
                  opacity={0.6}
                />
                <text x={to + 4} y={TOP + 11} fontSize={11} fill="currentColor">
                  {LINE_OF_PROGRESS_WORDS.past} {STAGE_WORDS[s.stage]?.name.toLowerCase()}
                </text>
              </>
            )}
          </g>
        );
      })}
    </>
  );
};

interface AxesProps {
  readonly x: Dates;
  readonly y: ScaleLinear<number, number>;
  readonly unit: string;
}

export const Axes = ({ x, y, unit }: AxesProps) => (
  <>
    {y.ticks(6).map((t) => (
      <g key={t}>
        <line x1={LEFT - 6} x2={LEFT} y1={y(t)} y2={y(t)} stroke="currentColor" />
        <text x={LEFT - 9} y={y(t) + 4} textAnchor="end" fontSize={12} fill="currentColor">
          {unit === 'clock' ? valueText(t, 'clock') : t}
        </text>
      </g>
    ))}
    <text x={4} y={TOP + 8} fontSize={12} fill="currentColor">
      {unit === 'deg' ? 'degrees' : unit}
    </text>
    <line x1={LEFT} x2={LEFT} y1={TOP} y2={HEIGHT - BOTTOM} stroke="currentColor" strokeWidth={1.5} />
    <line
      x1={LEFT}
      x2={WIDTH - 8}
      y1={HEIGHT - BOTTOM}
      y2={HEIGHT - BOTTOM}
      stroke="currentColor"
      strokeWidth={1.5}
    />
    {x.ticks(6).map((t) => (
      <text
        key={t.getTime()}
        x={x(t)}
        y={HEIGHT - BOTTOM + 17}
        textAnchor="middle"
        fontSize={12}
        fill="currentColor"
      >
        {shortDay(t)}
      </text>
    ))}
  </>
);

/** Lessons as wedges and check-ins as rings, under the days. */
export const Meanwhile = ({ progress, x }: { readonly progress: Progress; readonly x: Dates }) => (
  <>
    {progress.lessons.map((day) => (
      <path key={`l${day}`} d={`M${x(noon(day)) - 5} ${HEIGHT - 6} h10 l-5 -10 z`} fill="currentColor" />
    ))}
    {progress.checkins.map((day) => (
      <circle
        key={`c${day}`}
        cx={x(noon(day))}
        cy={HEIGHT - 10}
        r={4}
        fill="none"
        stroke="currentColor"
        strokeWidth={1.5}
      />
    ))}
  </>
);
