import type { Progress, Series } from '@inchstep/contract/progress';
import { measureName, STAGE_WORDS, valueText } from '@inchstep/contract/words';
import { extent, line, type ScaleLinear, type ScaleTime, scaleLinear, scaleTime } from 'd3';
import { shortDay } from '../../platform/dates.ts';
import { useUnits } from '../../platform/units.ts';
import { LINE_OF_PROGRESS_WORDS } from './words.ts';

const WIDTH = 760;
const HEIGHT = 320;
const LEFT = 58;
const BOTTOM = 40;
const TOP = 14;

const noon = (day: string): Date => new Date(`${day}T12:00:00`);

/** Every filmed swing, each day's mean with its interval, the band, the stages behind, lessons and check-ins as ticks. */
export function LineOfProgress({
  series,
  progress,
}: {
  readonly series: Series;
  readonly progress: Progress;
}) {
  const { perInch } = useUnits();
  const { band, sessions } = series;
  const k = band.unit === 'in' ? perInch : 1;
  const days = [...sessions.map((s) => s.date), ...progress.lessons, ...progress.checkins].sort();
  const [first, last] = [noon(days[0] as string), noon(days.at(-1) as string)];
  const span = Math.max(last.getTime() - first.getTime(), 6 * 86_400_000);
  const x = scaleTime(
    [new Date(first.getTime() - 0.05 * span), new Date(first.getTime() + 1.05 * span)],
    [LEFT, WIDTH - 8],
  );
  const values = sessions.flatMap((s) => [...s.values, s.mean - s.half95, s.mean + s.half95]);
  const edges = [band.lo, band.hi].filter((edge): edge is number => edge !== null);
  const [low = 0, high = 1] = extent([...values, ...edges]) as [number, number];
  const pad = 0.12 * (high - low || band.step);
  const y = scaleLinear([(low - pad) * k, (high + pad) * k], [HEIGHT - BOTTOM, TOP]).nice();
  const [bottom, top] = y.domain() as [number, number];
  const path = line<Series['sessions'][number]>(
    (s) => x(noon(s.date)),
    (s) => y(s.mean * k),
  );
  const unit = band.unit === 'in' && perInch !== 1 ? 'cm' : band.unit;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label={LINE_OF_PROGRESS_WORDS.drawn(measureName(series.measure), sessions.length)}
    >
      <rect
        x={LEFT}
        width={WIDTH - LEFT - 8}
        y={y(Math.min(top, (band.hi ?? top / k) * k))}
        height={Math.max(
          2,
          y(Math.max(bottom, (band.lo ?? bottom / k) * k)) - y(Math.min(top, (band.hi ?? top / k) * k)),
        )}
        fill="var(--tape)"
        opacity={0.75}
      />
      <text
        x={WIDTH - 14}
        y={y(Math.min(top, (band.hi ?? top / k) * k)) + 15}
        textAnchor="end"
        fontSize={13}
        fill="var(--tape-ink)"
      >
        {LINE_OF_PROGRESS_WORDS.band}
      </text>
      <Passed stages={progress.stages} x={x} />
      <Axes x={x} y={y} unit={unit} />
      <Meanwhile progress={progress} x={x} />
      <path d={path([...sessions]) ?? ''} fill="none" stroke="currentColor" strokeWidth={2} />
      {sessions.map((s) => (
        <Day key={s.date} at={x(noon(s.date))} session={s} y={(v) => y(v * k)} />
      ))}
    </svg>
  );
}

type Dates = ScaleTime<number, number>;

/** When each stage of a ladder was left behind. */
const Passed = ({ stages, x }: { readonly stages: Progress['stages']; readonly x: Dates }) => (
  <>
    {stages.map((s) => (
      <g key={s.drill + s.stage + s.from}>
        <line
          x1={x(noon(s.from))}
          x2={x(noon(s.from))}
          y1={TOP}
          y2={HEIGHT - BOTTOM}
          stroke="currentColor"
          strokeDasharray="2 5"
          opacity={0.6}
        />
        <text x={x(noon(s.from)) + 4} y={TOP + 11} fontSize={11} fill="currentColor">
          {LINE_OF_PROGRESS_WORDS.past} {STAGE_WORDS[s.stage]?.name.toLowerCase()}
        </text>
      </g>
    ))}
  </>
);

interface AxesProps {
  readonly x: Dates;
  readonly y: ScaleLinear<number, number>;
  readonly unit: string;
}

const Axes = ({ x, y, unit }: AxesProps) => (
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
const Meanwhile = ({ progress, x }: { readonly progress: Progress; readonly x: Dates }) => (
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

/** One day: swings as small strokes, the mean as a notch, its interval as a bracket. */
function Day({
  at,
  session,
  y,
}: {
  readonly at: number;
  readonly session: Series['sessions'][number];
  readonly y: (value: number) => number;
}) {
  const [lo, hi] = [y(session.mean - session.half95), y(session.mean + session.half95)];
  return (
    <g>
      {session.values.map((value) => (
        <line
          key={value}
          x1={at + 7}
          x2={at + 14}
          y1={y(value)}
          y2={y(value)}
          stroke="currentColor"
          strokeWidth={1.5}
          opacity={0.75}
        />
      ))}
      <path
        d={`M${at - 5} ${lo} h10 M${at} ${lo} V${hi} M${at - 5} ${hi} h10`}
        stroke="currentColor"
        strokeWidth={1.8}
        fill="none"
      />
      <path d={`M${at - 8} ${y(session.mean) - 6} v12 l11 -6 z`} fill="currentColor" />
    </g>
  );
}
