import { scaleLinear } from 'd3';
import { useId } from 'react';
import { useUnits } from './units.ts';
import { TAPE_WORDS } from './words.ts';

interface TapeBand {
  readonly lo: number | null;
  readonly hi: number | null;
  readonly step: number;
  readonly unit: string;
}

interface TapeProps {
  readonly name: string;
  readonly band: TapeBand;
  readonly value?: number | undefined;
  /** Half the width of its 95 % interval. */
  readonly half95?: number | undefined;
  /** Where it was last time: a hollow notch. */
  readonly before?: number | undefined;
  readonly verdict?: string | undefined;
  readonly compact?: boolean;
  /** The stretch of tape to show, where two are laid under each other. */
  readonly span?: readonly [number, number] | undefined;
}

const WIDTH = 300;
const TAPE_TOP = 14;
const TAPE_HEIGHT = 26;

/** The span a tape shows: the band with room for three grades on either side, and the value. */
export function tapeDomain(band: TapeBand, value?: number, half95 = 0, before?: number): [number, number] {
  const lo = band.lo ?? (band.hi ?? 0) - 4 * band.step;
  const hi = band.hi ?? (band.lo ?? 0) + 4 * band.step;
  const points = [lo - 1.5 * band.step, hi + 1.5 * band.step];
  if (value !== undefined) points.push(value - half95 - 0.3 * band.step, value + half95 + 0.3 * band.step);
  if (before !== undefined) points.push(before - 0.3 * band.step, before + 0.3 * band.step);
  return [Math.min(...points), Math.max(...points)];
}

/**
 * The one way in which a measure is drawn: a piece of measuring tape with real ticks, its band as
 * a thick rule, this swing as a cut notch with its uncertainty as a bracket, last time hollow.
 */
export function Tape({ name, band, value, half95 = 0, before, verdict, compact = false, span }: TapeProps) {
  const { perInch, value: text } = useUnits();
  const title = useId();
  const k = band.unit === 'in' ? perInch : 1;
  const [low, high] = span ?? tapeDomain(band, value, half95, before);
  const scale = scaleLinear([low * k, high * k], [4, WIDTH - 4]);
  const x = (v: number) => scale(Math.min(high, Math.max(low, v)) * k);
  const ticks = scale.ticks(6);
  const minor = scale.ticks(24);
  const label =
    value === undefined
      ? TAPE_WORDS.notMeasured(name)
      : TAPE_WORDS.giveOrTake(
          name,
          text(value, band.unit),
          text(half95, band.unit === 'clock' ? 'ratio' : band.unit),
          verdict ? `, ${verdict}` : '',
        );
  return (
    <svg
      role="img"
      aria-labelledby={title}
      viewBox={`0 0 ${WIDTH} ${compact ? 44 : 58}`}
      className="block w-full"
    >
      <title id={title}>{label}</title>
      <rect x={0} y={TAPE_TOP} width={WIDTH} height={TAPE_HEIGHT} rx={2} fill="var(--tape)" />
      {minor.map((t) => (
        <line
          key={`m${t}`}
          x1={scale(t)}
          x2={scale(t)}
          y1={TAPE_TOP + TAPE_HEIGHT - 5}
          y2={TAPE_TOP + TAPE_HEIGHT}
          stroke="var(--tape-ink)"
          strokeWidth={0.8}
        />
      ))}
      {ticks.map((t) => (
        <line
          key={t}
          x1={scale(t)}
          x2={scale(t)}
          y1={TAPE_TOP + TAPE_HEIGHT - 10}
          y2={TAPE_TOP + TAPE_HEIGHT}
          stroke="var(--tape-ink)"
          strokeWidth={1.3}
        />
      ))}
      <rect
        x={x(band.lo ?? low)}
        width={Math.max(1, x(band.hi ?? high) - x(band.lo ?? low))}
        y={TAPE_TOP + 11}
        height={5}
        fill="var(--tape-ink)"
      />
      {before !== undefined && (
        <path
          d={notch(x(before))}
          fill="var(--tape)"
          stroke="var(--tape-ink)"
          strokeWidth={1.4}
          strokeDasharray="2.5 1.5"
        />
      )}
      {value !== undefined && (
        <>
          <path
            d={bracket(x(value - half95), x(value + half95))}
            fill="none"
            stroke="currentColor"
            strokeWidth={2}
          />
          <path d={notch(x(value))} fill="var(--tape-ink)" />
        </>
      )}
      {!compact &&
        ticks.map((t) => (
          <text key={t} x={scale(t)} y={54} textAnchor="middle" fontSize={11} fill="currentColor">
            {t}
          </text>
        ))}
    </svg>
  );
}

const notch = (at: number): string =>
  `M${at - 6} ${TAPE_TOP} L${at + 6} ${TAPE_TOP} L${at} ${TAPE_TOP + 11} Z`;
const bracket = (from: number, to: number): string =>
  `M${from} ${TAPE_TOP - 2} V${TAPE_TOP - 8} H${to} V${TAPE_TOP - 2}`;
