import type { Swing } from '@inchstep/contract/capture';
import { CLUB_WORDS } from '@inchstep/contract/words';
import type { ViewKind } from '@inchstep/core/intake';
import { type Similarity, similarity } from '@inchstep/core/measures';
import { useEffect, useRef } from 'react';
import { dayText } from '../../platform/parts.tsx';
import type { Frames } from '../capture/index.ts';
import { drawPair, PAIR_HEIGHT, type PairMode, type PairSide, pairWidth } from './drawPair.ts';
import { PAIR_CANVAS_WORDS } from './words.ts';

/** The newer clip's picture with the older one beside or over it. */
export function PairCanvas({
  then,
  now,
  mode,
  onto,
}: {
  readonly then: PairSide | null;
  readonly now: PairSide | null;
  readonly mode: PairMode;
  readonly onto: Similarity | null;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!canvas.current || !context || !now) return;
    canvas.current.width = pairWidth(then, now, mode);
    canvas.current.height = PAIR_HEIGHT;
    drawPair(context, then, now, mode, onto);
  }, [then, now, mode, onto]);
  return (
    <div className="flex h-[27rem] items-center justify-center rounded bg-[#17242b]">
      <canvas
        ref={canvas}
        id="pair"
        className="max-h-full max-w-full"
        role="img"
        aria-label={now ? `${then && `${then.title}. `}${now.title}` : PAIR_CANVAS_WORDS.readingTheClips}
      />
    </div>
  );
}

export const sideOf = ({ picture, clip }: Frames, title: string): PairSide | null =>
  picture && clip ? { picture, widthPx: clip.widthPx, heightPx: clip.heightPx, title } : null;

/** From one picture's pixels to the other's: the same landmarks at address, in this view, laid together. */
export function layOnto(then: Swing, now: Swing, kind: ViewKind): Similarity | null {
  const marks = (swing: Swing) => swing.marks.filter((m) => m.view === kind && m.station === 'address');
  const pairs = marks(then).flatMap((a) => {
    const b = marks(now).find((m) => m.landmark === a.landmark);
    return b ? [[a, b] as const] : [];
  });
  return similarity(
    pairs.map(([a]) => a),
    pairs.map(([, b]) => b),
  );
}

export function SwingChoice({
  label,
  swings,
  value,
  today,
  onChange,
}: {
  readonly label: string;
  readonly swings: readonly Swing[];
  readonly value: string;
  readonly today: string;
  readonly onChange: (id: string) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      {label}
      <select className="select w-46 ps-2 text-sm" value={value} onChange={(e) => onChange(e.target.value)}>
        {swings.map((s) => (
          <option key={s.id} value={s.id}>
            {dayText(s.recordedOn, today)}, {CLUB_WORDS[s.club]}
          </option>
        ))}
      </select>
    </label>
  );
}
