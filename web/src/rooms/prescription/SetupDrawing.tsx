import { CARD_WORDS } from '@inchstep/contract/words';
import { type Drawing, drawSetup, type SetupValue, type Shape, type Tone } from '@inchstep/core/prescription';
import { useUnits } from '../../platform/units.ts';

const FILL: Record<Tone, string> = {
  body: 'currentColor',
  club: 'var(--color-base-100)',
  object: 'var(--tape)',
  ground: 'currentColor',
};
/** Pixels of the picture for an inch; the picture itself scales with its column. */
const PX = 4;
/** About the size a view is shown at, and the letters wanted there, pixels. */
const SHOWN = { wide: 190, tall: 288, letters: 13 } as const;

/** The student with everything the card names, to scale, from above and from the front. */
export function SetupDrawing({
  setup,
  heightIn,
  left,
  nameOf,
}: {
  readonly setup: readonly SetupValue[];
  readonly heightIn: number;
  readonly left: boolean;
  /** Name of a distance. */
  readonly nameOf: (id: string) => string;
}) {
  const { above, front } = drawSetup(setup, { heightIn });
  const { length } = useUnits();
  const said = setup
    .filter(({ id }) => !id.startsWith('camera'))
    .map(({ id, valueIn }) => `${nameOf(id)} ${length(valueIn)}`)
    .join(', ');
  // From above a right-hander who faces the ball has the target on the left; from the front, on the right.
  return (
    <div className="grid grid-cols-2 gap-2">
      <View name={CARD_WORDS.front} drawing={front} side={left ? -1 : 1} said={said} />
      <View name={CARD_WORDS.above} drawing={above} side={left ? 1 : -1} said={said} />
    </div>
  );
}

function View({
  name,
  drawing,
  side,
  said,
}: {
  readonly name: string;
  readonly drawing: Drawing;
  readonly side: 1 | -1;
  readonly said: string;
}) {
  const { length } = useUnits();
  const [low, high] = [drawing.lowIn, drawing.highIn];
  const wide = (high[0] - low[0]) * PX;
  // Both views are drawn at their own scale; their letters come out alike.
  const letters = SHOWN.letters * Math.max(wide / SHOWN.wide, ((high[1] - low[1]) * PX) / SHOWN.tall);
  const tall = (high[1] - low[1]) * PX + 1.2 * letters;
  const x = (inches: number) => (side > 0 ? inches - low[0] : high[0] - inches) * PX;
  const y = (inches: number) => (high[1] - inches) * PX + 1.2 * letters;
  return (
    <figure className="rounded bg-base-200">
      <svg
        viewBox={`0 0 ${wide} ${tall}`}
        className="max-h-72 w-full"
        role="img"
        aria-label={`${name}: ${said}`}
      >
        <text
          x={side > 0 ? wide - 4 : 4}
          y={letters}
          fontSize={letters}
          textAnchor={side > 0 ? 'end' : 'start'}
          fill="currentColor"
        >
          {side > 0 ? `${CARD_WORDS.target} →` : `← ${CARD_WORDS.target}`}
        </text>
        {/* The body is one silhouette: its parts must not darken where they meet. */}
        <g opacity={0.3}>
          {drawing.shapes.filter(isBody).map((shape, i) => (
            <ShapeMark key={i} shape={shape} x={x} y={y} text={length} letters={letters} />
          ))}
        </g>
        {drawing.shapes
          .filter((shape) => !isBody(shape))
          .map((shape, i) => (
            <ShapeMark key={i} shape={shape} x={x} y={y} text={length} letters={letters} />
          ))}
      </svg>
      <figcaption className="px-2 pb-1 text-center text-sm">{name}</figcaption>
    </figure>
  );
}

const isBody = (shape: Shape): boolean => shape.kind !== 'dimension' && shape.tone === 'body';

type Place = (inches: number) => number;

function ShapeMark({
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
      return (
        <line
          x1={x(shape.from[0])}
          y1={y(shape.from[1])}
          x2={x(shape.to[0])}
          y2={y(shape.to[1])}
          stroke={shape.tone === 'object' ? 'var(--tape-ink)' : 'currentColor'}
          strokeWidth={shape.widthIn * PX}
          strokeLinecap="round"
          opacity={shape.tone === 'ground' ? 0.5 : 1}
        />
      );
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
    case 'dimension':
      return <Dimension shape={shape} x={x} y={y} text={text(shape.valueIn)} letters={letters} />;
  }
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
