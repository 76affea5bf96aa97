import { scaleLinear } from 'd3';

interface TapeSide {
  readonly name: string;
  /** A value as it is read. */
  readonly text: (value: number) => string;
  /** What the tape begins at. */
  readonly from?: number;
  /** So much of it is shown at least: less would make a great thing of what nobody can see. */
  readonly least: number;
}

interface TwoTapesProps {
  readonly top: TapeSide;
  readonly bottom: TapeSide;
  /** One thread each, the latest last. */
  readonly threads: readonly { readonly key: string; readonly top: number; readonly bottom: number }[];
  /** What the picture says, for who does not see it. */
  readonly label: string;
  /** One scale for both, where both are of one unit. */
  readonly sameScale?: boolean;
}

const WIDTH = 340;
const TAPE = 22;
const GAP = 64;
const EDGE = 10;
const HEIGHT = 2 * TAPE + GAP + 34;

/**
 * Two pieces of tape with a thread from the one to the other for each answer or day: threads that lean show that the one is more
 * than the other, threads that cross that they do not go together. The latest is the heaviest.
 */
export function TwoTapes({ top, bottom, threads, label, sameScale = false }: TwoTapesProps) {
  const all = [...threads.map((t) => t.top), ...threads.map((t) => t.bottom)];
  const upper = scaleFor(sameScale ? all : threads.map((t) => t.top), top);
  const lower = scaleFor(sameScale ? all : threads.map((t) => t.bottom), bottom);
  const [y1, y2] = [17, 17 + TAPE + GAP];
  return (
    <svg role="img" aria-label={label} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full max-w-md">
      <Side side={top} scale={upper} y={y1} nameY={12} />
      <Side side={bottom} scale={lower} y={y2} nameY={y2 + TAPE + 14} />
      {threads.map((thread, i) => (
        <g key={thread.key} opacity={i === threads.length - 1 ? 1 : 0.55}>
          <line
            x1={upper(thread.top)}
            x2={lower(thread.bottom)}
            y1={y1 + TAPE}
            y2={y2}
            stroke="currentColor"
            strokeWidth={i === threads.length - 1 ? 2.4 : 1.2}
          />
          <circle cx={upper(thread.top)} cy={y1 + TAPE} r={2.6} fill="currentColor" />
          <circle cx={lower(thread.bottom)} cy={y2} r={2.6} fill="currentColor" />
        </g>
      ))}
    </svg>
  );
}

const scaleFor = (values: readonly number[], { from, least }: Pick<TapeSide, 'from' | 'least'>) => {
  const lo = Math.min(...values, from ?? Number.POSITIVE_INFINITY);
  const hi = Math.max(...values);
  const room = Math.max((hi - lo) * 0.08, (least - (hi - lo)) / 2);
  return scaleLinear([from === undefined ? lo - room : lo, hi + room], [EDGE, WIDTH - EDGE]);
};

function Side({
  side,
  scale,
  y,
  nameY,
}: {
  readonly side: TapeSide;
  readonly scale: ReturnType<typeof scaleFor>;
  readonly y: number;
  readonly nameY: number;
}) {
  // Two that read alike are one.
  const ticks = scale
    .ticks(5)
    .filter((t, i, all) => i === 0 || side.text(t) !== side.text(all[i - 1] as number));
  return (
    <g>
      <text x={0} y={nameY} fontSize={12} fill="currentColor">
        {side.name}
      </text>
      <rect x={0} y={y} width={WIDTH} height={TAPE} rx={2} fill="var(--tape)" />
      {ticks.map((t) => (
        <g key={t}>
          <line x1={scale(t)} x2={scale(t)} y1={y} y2={y + 6} stroke="var(--tape-ink)" strokeWidth={1.2} />
          <text x={scale(t)} y={y + 17} fontSize={10} textAnchor="middle" fill="var(--tape-ink)">
            {side.text(t)}
          </text>
        </g>
      ))}
    </g>
  );
}
