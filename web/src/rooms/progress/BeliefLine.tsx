import type { MeasureStory, Progress } from '@inchstep/contract/progress';
import { measureName } from '@inchstep/contract/words';
import { area, curveMonotoneX, extent, line, scaleLinear, scaleTime } from 'd3';
import { useUnits } from '../../platform/units.ts';
import { PROBABLY_IN } from './LastsAndWhen.tsx';
import { Axes, BOTTOM, HEIGHT, LEFT, Meanwhile, noon, Passed, TOP, WIDTH } from './lineParts.tsx';
import { BELIEF_WORDS } from './words.belief.ts';
import { LINE_OF_PROGRESS_WORDS } from './words.ts';

/** So much of the picture is kept for what is still to come. */
const AHEAD = 0.3;

/** The student's level with the width of what is believed of it, swings as strokes, running out into when it should be in band. */
export function BeliefLine({
  story,
  progress,
}: {
  readonly story: MeasureStory;
  readonly progress: Progress;
}) {
  const { perInch } = useUnits();
  const { band, occasions } = story;
  const k = band.unit === 'in' ? perInch : 1;
  const due = story.inBand >= PROBABLY_IN ? null : (story.forecast.planned ?? story.forecast.done).inBand;
  const x = timeScale(
    [...occasions.map(({ date }) => date), ...progress.lessons, ...progress.checkins],
    due?.hi80,
  );
  const edges = [band.lo, band.hi].filter((edge): edge is number => edge !== null);
  const [low = 0, high = 1] = extent([
    ...occasions.flatMap(({ values }) => values),
    ...story.line.flatMap(({ lo80, hi80 }) => [lo80, hi80]),
    ...edges,
  ]) as [number, number];
  const pad = 0.12 * (high - low || band.step);
  const y = scaleLinear([(low - pad) * k, (high + pad) * k], [HEIGHT - BOTTOM, TOP]).nice();
  const at = (value: number) => y(value * k);
  const [bottom, top] = (y.domain() as [number, number]).map((v) => v / k) as [number, number];
  const bandTop = at(Math.min(top, band.hi ?? top));
  const bandHeight = Math.max(2, at(Math.max(bottom, band.lo ?? bottom)) - bandTop);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label={BELIEF_WORDS.drawn(
        measureName(story.measure),
        new Set(occasions.map(({ date }) => date)).size,
      )}
    >
      <rect
        x={LEFT}
        width={WIDTH - LEFT - 8}
        y={bandTop}
        height={bandHeight}
        fill="var(--tape)"
        opacity={0.75}
      />
      <text x={LEFT + 6} y={bandTop + 15} fontSize={13} fill="var(--tape-ink)">
        {LINE_OF_PROGRESS_WORDS.band}
      </text>
      <Passed stages={progress.stages} x={x} />
      <Axes x={x} y={y} unit={band.unit === 'in' && perInch !== 1 ? 'cm' : band.unit} />
      <Meanwhile progress={progress} x={x} />
      <Level story={story} x={(day) => x(noon(day))} y={at} />
      {occasions.flatMap(({ date, values, cue }, i) =>
        values.map((value, j) => (
          <Swing
            // Swings of one day may be alike to the last digit.
            key={`${date}${cue}${String(i)}-${String(j)}`}
            x={x(noon(date)) + (cue === 'after' ? 4 : -4)}
            y={at(value)}
            before={i < story.baseline}
            cued={cue === 'after'}
          />
        )),
      )}
      {due && (
        <Due
          from={x(noon(due.lo80))}
          likely={x(noon(due.likely))}
          to={x(noon(due.hi80))}
          y={bandTop + bandHeight / 2}
        />
      )}
    </svg>
  );
}

function timeScale(days: readonly string[], until: string | undefined) {
  const sorted = [...days].sort();
  const first = noon(sorted[0] as string);
  const last = noon(sorted.at(-1) as string);
  const span = Math.max(last.getTime() - first.getTime(), 6 * 86_400_000);
  const least = first.getTime() + 1.05 * span;
  // What lies far ahead is let run out of the picture rather than press what was seen together.
  const most = first.getTime() + (1 + 2 * AHEAD) * span;
  const end =
    until === undefined ? least : Math.min(most, Math.max(least, noon(until).getTime() + 0.03 * span));
  return scaleTime([new Date(first.getTime() - 0.05 * span), new Date(end)], [LEFT, WIDTH - 8]).clamp(true);
}

interface SwingProps {
  readonly x: number;
  readonly y: number;
  readonly before: boolean;
  readonly cued: boolean;
}

/** Hollow before the work began, solid since: the way of the tape. What a cue had just been given for stands on a stem. */
const Swing = ({ x, y, before, cued }: SwingProps) => (
  <g opacity={0.8}>
    <rect
      x={x - 5}
      y={y - 1.5}
      width={10}
      height={3}
      fill={before ? 'none' : 'currentColor'}
      stroke="currentColor"
      strokeWidth={before ? 1 : 0}
    />
    {cued && <path data-testid="cued" d={`M${x} ${y} v9`} stroke="currentColor" strokeWidth={1.5} />}
  </g>
);

function Level({
  story,
  x,
  y,
}: {
  readonly story: MeasureStory;
  readonly x: (day: string) => number;
  readonly y: (value: number) => number;
}) {
  type Point = MeasureStory['line'][number];
  const width = area<Point>(
    ({ date }) => x(date),
    ({ lo80 }) => y(lo80),
    ({ hi80 }) => y(hi80),
  ).curve(curveMonotoneX);
  const middle = line<Point>(
    ({ date }) => x(date),
    ({ level }) => y(level),
  ).curve(curveMonotoneX);
  // Of one day the cold swings count: what a cue has just done is not yet the level.
  const points = story.line.filter(({ date }, i) => story.line[i - 1]?.date !== date);
  return (
    <g data-testid="level">
      <path d={width(points) ?? ''} fill="currentColor" opacity={0.16} />
      <path d={middle(points) ?? ''} fill="none" stroke="currentColor" strokeWidth={2} />
    </g>
  );
}

/** Eight times in ten it is in band between the ends; the tick is as likely before as after. */
const Due = ({
  from,
  likely,
  to,
  y,
}: {
  readonly from: number;
  readonly likely: number;
  readonly to: number;
  readonly y: number;
}) => (
  <path
    data-testid="due"
    d={`M${from} ${y - 8} v16 M${from} ${y} H${to} M${to} ${y - 8} v16 M${likely} ${y - 5} v10`}
    stroke="var(--tape-ink)"
    strokeWidth={2.2}
    fill="none"
  />
);
