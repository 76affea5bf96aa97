import type { Shape, Tone } from '@inchstep/core/prescription';

/** Pixels of the picture for an inch; the picture itself scales with its column. */
export const PX = 4;
const FILL: Record<Tone, string> = {
  body: 'currentColor',
  club: 'var(--color-base-100)',
  object: 'var(--tape)',
  solid: 'var(--tape)',
  ground: 'currentColor',
};

type Place = (inches: number) => number;

export function ShapeMark({
  shape,
  x,
  y,
  text,
  letters,
}: {
  readonly shape: Shape;
  readonly x: Place;
  readonly y: Place;
  readonly text: (inches: number) => string;
  readonly letters: number;
}) {
  switch (shape.kind) {
    case 'limb':
      return <Limb shape={shape} x={x} y={y} />;
    case 'disc':
      return (
        <circle
          cx={x(shape.at[0])}
          cy={y(shape.at[1])}
          r={Math.max(3, shape.radiusIn * PX)}
          fill={FILL[shape.tone]}
          stroke={shape.tone === 'body' ? 'none' : 'currentColor'}
          strokeWidth={1.5}
        />
      );
    case 'box':
      return (
        <rect
          x={x(shape.at[0]) - (shape.wideIn * PX) / 2}
          y={y(shape.at[1]) - (shape.tallIn * PX) / 2}
          width={shape.wideIn * PX}
          height={shape.tallIn * PX}
          fill={FILL[shape.tone]}
          stroke="var(--tape-ink)"
          strokeWidth={1.5}
        />
      );
    case 'look':
      return <Look at={[x(shape.at[0]), y(shape.at[1])]} layers={shape.layers} letters={letters} />;
    case 'dimension':
      return <Dimension shape={shape} x={x} y={y} text={text(shape.valueIn)} letters={letters} />;
  }
}

/** A limb, a stick or, with an edge of ink, something solid. */
function Limb({
  shape: { from, to, widthIn, tone },
  x,
  y,
}: {
  readonly shape: Extract<Shape, { kind: 'limb' }>;
  readonly x: Place;
  readonly y: Place;
}) {
  const ends = {
    x1: x(from[0]),
    y1: y(from[1]),
    x2: x(to[0]),
    y2: y(to[1]),
    strokeLinecap: 'round',
  } as const;
  const ink = tone === 'object' || tone === 'solid' ? 'var(--tape-ink)' : 'currentColor';
  return (
    <>
      <line {...ends} stroke={ink} strokeWidth={widthIn * PX} opacity={tone === 'ground' ? 0.5 : 1} />
      {tone === 'solid' && <line {...ends} stroke="var(--tape)" strokeWidth={widthIn * PX - 3} />}
    </>
  );
}

function Dimension({
  shape,
  x,
  y,
  text,
  letters,
}: {
  readonly shape: Extract<Shape, { kind: 'dimension' }>;
  readonly x: Place;
  readonly y: Place;
  readonly text: string;
  readonly letters: number;
}) {
  const [x1, y1, x2, y2] = [x(shape.from[0]), y(shape.from[1]), x(shape.to[0]), y(shape.to[1])];
  const stance = shape.id === 'stance';
  return (
    <g>
      <line x1={x1} y1={y1} x2={x2} y2={y2} stroke="currentColor" strokeWidth={1.6} />
      {[
        [x1, y1],
        [x2, y2],
      ].map(([px, py]) => (
        <circle key={`${px},${py}`} cx={px} cy={py} r={2.2} fill="currentColor" />
      ))}
      <text
        x={(x1 + x2) / 2}
        y={(y1 + y2) / 2 + (stance ? 1.2 : -0.6) * letters}
        fontSize={letters}
        fontWeight={600}
        textAnchor="middle"
        fill="currentColor"
        stroke="var(--color-base-200)"
        strokeWidth={4}
        paintOrder="stroke"
      >
        {text}
      </text>
    </g>
  );
}

/** Where the first, second and third number stand beside their rings. */
const TEXT_PLACES = [
  [1, -0.3],
  [1, 1.4],
  [-1, 0.5],
] as const;

/** A ring around what the checkpoint looks at, with the checkpoint's number. */
function Look({
  at: [x, y],
  layers,
  letters,
}: {
  readonly at: readonly [number, number];
  readonly layers: readonly number[];
  readonly letters: number;
}) {
  const radius = 0.75 * letters;
  const [dx, dy] = TEXT_PLACES[((layers[0] ?? 1) - 1) % TEXT_PLACES.length] as readonly [number, number];
  return (
    <g>
      <circle cx={x} cy={y} r={radius} fill="none" stroke="var(--color-base-200)" strokeWidth={letters / 3} />
      <circle cx={x} cy={y} r={radius} fill="none" stroke="currentColor" strokeWidth={letters / 7} />
      <text
        x={x + dx * 1.3 * radius}
        y={y + dy * radius}
        textAnchor={dx > 0 ? 'start' : 'end'}
        fontSize={1.1 * letters}
        fontWeight={700}
        fill="currentColor"
        stroke="var(--color-base-200)"
        strokeWidth={letters / 3}
        paintOrder="stroke"
      >
        {layers.join(', ')}
      </text>
    </g>
  );
}
