import { type PointerEvent, type ReactNode, useEffect, useRef } from 'react';
import {
  drawPair,
  PAIR_HEIGHT,
  type PairLaid,
  type PairMode,
  type PairSide,
  pairPanes,
  pairPlace,
  pairWidth,
} from './drawPair.ts';
import type { Pen } from './usePen.ts';
import { PAIR_CANVAS_WORDS } from './words.ts';

/** The newer clip's picture with the older one beside or over it. */
export function PairCanvas({
  then,
  now,
  mode,
  laid,
  over,
  pen,
  id = 'pair',
  className = 'h-[27rem]',
}: {
  readonly then: PairSide | null;
  readonly now: PairSide | null;
  readonly mode: PairMode;
  readonly laid: PairLaid | null;
  /** Drawn over both halves, in the newer picture's own pixels. */
  readonly over?: ReactNode;
  /** Who draws on it; none = nobody. */
  readonly pen?: Pen | undefined;
  /** The one pair of a screen has a name; null for further ones. */
  readonly id?: string | null;
  readonly className?: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!canvas.current || !context || !now) return;
    canvas.current.width = pairWidth(then, now, mode, laid);
    canvas.current.height = PAIR_HEIGHT;
    drawPair(context, then, now, mode, laid);
  }, [then, now, mode, laid]);
  const panes = now && pairPanes(then, now, mode, laid);
  /** Where a pointer is, in the newer picture's pixels. */
  const place = (event: PointerEvent<HTMLCanvasElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left, event.clientY - box.top];
    const k = PAIR_HEIGHT / box.height;
    return panes && pairPlace(panes, x * k, y * k);
  };
  const at = (act: (u: number, v: number) => void) => (event: PointerEvent<HTMLCanvasElement>) => {
    const found = place(event);
    if (found) act(...found);
  };
  const drawing = pen?.on
    ? {
        onPointerDown: at(pen.begin),
        onPointerMove: at(pen.go),
        onPointerUp: pen.end,
        onPointerLeave: pen.end,
      }
    : {};
  return (
    <div className={`relative flex items-center justify-center rounded bg-[#17242b] ${className}`}>
      <canvas
        ref={canvas}
        id={id ?? undefined}
        className={`max-h-full max-w-full ${pen?.on ? 'cursor-crosshair touch-none' : ''}`}
        {...drawing}
        role="img"
        aria-label={now ? `${then && `${then.title}. `}${now.title}` : PAIR_CANVAS_WORDS.readingTheClips}
      />
      {over && now && panes && (
        <svg
          aria-hidden
          data-over="pair"
          xmlns="http://www.w3.org/2000/svg"
          className="pointer-events-none absolute inset-0 h-full w-full"
          viewBox={`0 0 ${pairWidth(then, now, mode, laid)} ${PAIR_HEIGHT}`}
        >
          {/* Laid on the same body, the newer one's lines say what the older one crossed. */}
          {panes.lefts.map((left) => (
            <svg
              aria-hidden="true"
              key={left}
              x={left}
              y={0}
              width={panes.width}
              height={PAIR_HEIGHT}
              viewBox={`${panes.frame.u} ${panes.frame.v} ${panes.frame.widthPx} ${panes.frame.heightPx}`}
            >
              {over}
            </svg>
          ))}
        </svg>
      )}
    </div>
  );
}
