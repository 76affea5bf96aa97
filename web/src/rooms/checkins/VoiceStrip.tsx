import { tickNear } from '@inchstep/core/checkins';
import { clockText } from './talkTime.ts';
import { TALK_WORDS } from './words.enclosed.ts';

const HIGH = 44;
const WIDE = 600;
/** So near to a tick, as a share of the strip, a finger means it. */
const NEAR = 0.02;
/** A second is a small tick of the tape, ten are a long one. */
const SECOND_MS = 1000;

/** A talk as a piece of tape: its seconds along the edge, a tick where something happens, a notch where it stands. */
export function VoiceStrip({
  ms,
  length,
  ticks,
  onGo,
}: {
  readonly ms: number;
  readonly length: number;
  readonly ticks: readonly number[];
  readonly onGo: (ms: number) => void;
}) {
  const all = Math.max(1, length);
  const x = (at: number) => (WIDE * Math.min(all, at)) / all;
  const seconds = Array.from({ length: Math.floor(all / SECOND_MS) + 1 }, (_, i) => i);
  return (
    <div className="relative">
      <svg
        aria-hidden
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        preserveAspectRatio="none"
        className="h-11 w-full rounded-sm bg-[var(--tape)]"
      >
        {seconds.map((second) => (
          <line
            key={second}
            x1={x(second * SECOND_MS)}
            x2={x(second * SECOND_MS)}
            y1={HIGH}
            y2={HIGH - (second % 10 === 0 ? 14 : 6)}
            stroke="var(--tape-ink)"
            strokeWidth={1}
            vectorEffect="non-scaling-stroke"
          />
        ))}
        {ticks.map((tick) => (
          <line
            key={tick}
            x1={x(tick)}
            x2={x(tick)}
            y1={0}
            y2={20}
            stroke="var(--tape-ink)"
            strokeWidth={3}
            vectorEffect="non-scaling-stroke"
          />
        ))}
        <line
          x1={x(ms)}
          x2={x(ms)}
          y1={0}
          y2={HIGH}
          stroke="var(--tape-ink)"
          strokeWidth={6}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <input
        type="range"
        className="absolute inset-0 h-11 w-full cursor-pointer opacity-0 focus-visible:opacity-40"
        aria-label={TALK_WORDS.strip}
        aria-valuetext={TALK_WORDS.of(clockText(ms), clockText(length))}
        min={0}
        max={all}
        step={100}
        value={ms}
        onChange={(event) => onGo(tickNear(ticks, Number(event.target.value), NEAR * all))}
      />
    </div>
  );
}
