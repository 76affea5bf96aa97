import type { Drawing, Tone } from '@inchstep/core/prescription';
import { useUnits } from '../../platform/units.ts';
import { PX, ShapeMark } from './ShapeMark.tsx';

/** About the size a view is shown at, and the letters wanted there, pixels. */
const SHOWN = { wide: 190, tall: 288, letters: 13 } as const;

export function DrawingView({
  name,
  drawing,
  side,
  said,
  toward,
}: {
  readonly name: string;
  readonly drawing: Drawing;
  readonly side: 1 | -1;
  readonly said: string;
  /** What lies to the side that `side` names. */
  readonly toward: string;
}) {
  const { length } = useUnits();
  const [low, high] = [drawing.lowIn, drawing.highIn];
  const wide = (high[0] - low[0]) * PX;
  // Both views are drawn at their own scale; their letters come out alike.
  const letters = SHOWN.letters * Math.max(wide / SHOWN.wide, ((high[1] - low[1]) * PX) / SHOWN.tall);
  // A line of letters above, and what a distance at the foot needs below it.
  const tall = (high[1] - low[1]) * PX + 2.2 * letters;
  const x = (inches: number) => (side > 0 ? inches - low[0] : high[0] - inches) * PX;
  const y = (inches: number) => (high[1] - inches) * PX + 1.2 * letters;
  const marks = (wanted: (tone: Tone | null) => boolean) =>
    drawing.shapes
      .filter((shape) => wanted('tone' in shape ? shape.tone : null))
      .map((shape, i) => <ShapeMark key={i} shape={shape} x={x} y={y} text={length} letters={letters} />);
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
          {side > 0 ? `${toward} →` : `← ${toward}`}
        </text>
        {marks((tone) => tone === 'solid')}
        {/* The body is one silhouette: its parts must not darken where they meet. */}
        <g opacity={0.3}>{marks((tone) => tone === 'body')}</g>
        {marks((tone) => tone !== 'body' && tone !== 'solid')}
      </svg>
      <figcaption className="px-2 pb-1 text-center text-sm">{name}</figcaption>
    </figure>
  );
}
