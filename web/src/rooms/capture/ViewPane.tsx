import type { SwingMark, SwingView } from '@inchstep/contract/capture';
import { LANDMARK_WORDS, VIEW_WORDS } from '@inchstep/contract/words';
import { STICK_PLACES } from '@inchstep/core/capture';
import { useEffect, useRef } from 'react';
import type { BenchAction, BenchState } from './benchState.ts';
import { ClipTrouble } from './ClipTrouble.tsx';
import type { Guess, PictureLine } from './inPicture.ts';
import { GhostLayer, LineLayer } from './LineLayer.tsx';
import { Loupe } from './Loupe.tsx';
import { MarkShape } from './MarkShape.tsx';
import type { Frames } from './useFrames.ts';
import { type Dragging, usePaneHands } from './usePaneHands.ts';
import { VIEW_PANE_WORDS } from './words.ts';

interface ViewPaneProps {
  readonly view: SwingView;
  readonly frames: Frames;
  readonly state: BenchState;
  readonly guesses: readonly Guess[];
  readonly lines: readonly PictureLine[];
  /** The target pose through this view's camera. */
  readonly ghost: readonly PictureLine[];
  readonly active: boolean;
  readonly dispatch: (action: BenchAction) => void;
}

/** Marks and lines are drawn in a picture of this width, so that they look alike on every clip. */
const DRAWN_WIDTH = 540;
/** One view: the exact frame, its marks (solid), the fit's guesses (hollow), a loupe while dragging. */
export function ViewPane({ view, frames, state, guesses, lines, ghost, active, dispatch }: ViewPaneProps) {
  const marks = state.work.marks.filter((m) => m.view === view.kind && m.station === state.station);
  const { box, hover, drag, handlers } = usePaneHands({ view, state, marks, active, dispatch });
  const focus = drag ?? (active ? hover : null);
  return (
    <figure
      className={`flex min-w-0 flex-col rounded border-[3px] ${active ? 'border-primary' : 'border-base-300'}`}
      aria-label={VIEW_PANE_WORDS.view(VIEW_WORDS[view.kind])}
    >
      <div
        ref={box}
        data-testid={`pane-${view.kind}`}
        className="relative touch-none bg-black select-none"
        style={{ aspectRatio: `${view.widthPx} / ${view.heightPx}` }}
        {...handlers}
      >
        <FrameCanvas picture={frames.picture} view={view} />
        <Drawn
          view={view}
          state={state}
          marks={marks}
          drag={drag}
          guesses={guesses}
          lines={lines}
          ghost={ghost}
          active={active}
        />
        {focus && frames.picture && (drag || state.stick !== null) && (
          <Loupe picture={frames.picture} view={view} u={focus.u} v={focus.v} />
        )}
        {frames.trouble && <ClipTrouble trouble={frames.trouble.trouble} codec={frames.trouble.codec} />}
        {view.clipId && !frames.clip && !frames.trouble && (
          <p className="absolute inset-x-0 top-1/2 text-center text-white">
            {VIEW_PANE_WORDS.readingTheClip}
          </p>
        )}
        {!view.clipId && (
          <p className="absolute inset-x-3 top-1/2 text-center text-white">
            {VIEW_PANE_WORDS.marksOnlyNoClip}
          </p>
        )}
      </div>
      <Caption view={view} frames={frames} stick={active ? state.stick : null} />
    </figure>
  );
}

type DrawnProps = Pick<ViewPaneProps, 'view' | 'state' | 'guesses' | 'lines' | 'ghost' | 'active'> & {
  readonly marks: readonly SwingMark[];
  readonly drag: Dragging | null;
};

/** What is drawn over a frame: sticks, lines, the fit's guesses (hollow) and the marks (solid). */
function Drawn({ view, state, marks, drag, guesses, lines, ghost, active }: DrawnProps) {
  const k = DRAWN_WIDTH / view.widthPx;
  const marked = new Set(marks.map((m) => m.landmark));
  const open = guesses.filter(
    (g) => g.view === view.kind && g.station === state.station && !marked.has(g.landmark),
  );
  return (
    <svg
      viewBox={`0 0 ${DRAWN_WIDTH} ${view.heightPx * k}`}
      className="pointer-events-none absolute inset-0 h-full w-full"
      aria-hidden
    >
      {view.groundMarks.map((g) => (
        <path
          key={`${g.xIn},${g.yIn}`}
          d={cross(g.u * k, g.v * k, 10)}
          stroke="#ffffff"
          strokeWidth={3}
          fill="none"
        />
      ))}
      <GhostLayer k={k} lines={ghost.filter((l) => l.view === view.kind && l.station === state.station)} />
      <LineLayer
        k={k}
        lines={lines.filter(
          (l) => l.view === view.kind && (l.station === null || l.station === state.station),
        )}
      />
      {open.map((g) => (
        <circle
          key={g.landmark}
          cx={g.u * k}
          cy={g.v * k}
          r={Math.max(5, 2 * g.sdPx * k)}
          fill="none"
          stroke="#f2dc9b"
          strokeWidth={2}
          strokeDasharray="3 2.5"
          opacity={g.landmark === state.landmark ? 1 : 0.65}
        />
      ))}
      {marks
        .filter((m) => m.landmark !== drag?.landmark)
        .map((m) => (
          <MarkShape
            key={m.landmark}
            u={m.u * k}
            v={m.v * k}
            sd={m.sdPx * k}
            chosen={active && m.landmark === state.landmark}
            proposed={m.by === 'network'}
            name={LANDMARK_WORDS[m.landmark] ?? ''}
          />
        ))}
      {drag && (
        <MarkShape
          u={drag.u * k}
          v={drag.v * k}
          sd={0}
          chosen
          proposed={false}
          name={LANDMARK_WORDS[drag.landmark] ?? ''}
        />
      )}
    </svg>
  );
}

function Caption({
  view,
  frames,
  stick,
}: {
  readonly view: SwingView;
  readonly frames: Frames;
  readonly stick: number | null;
}) {
  return (
    <figcaption className="flex items-center justify-between gap-2 px-2 py-1 text-sm">
      <span className="font-semibold">{VIEW_WORDS[view.kind]}</span>
      {frames.clip && frames.copied < 1 && (
        <span data-testid={`copied-${view.kind}`} title={VIEW_PANE_WORDS.eachFrameIsCopied}>
          {VIEW_PANE_WORDS.makingFramesReady(Math.round(100 * frames.copied))}
        </span>
      )}
      <span data-testid={`frame-${view.kind}`}>
        {frames.clip ? VIEW_PANE_WORDS.frame(frames.index + 1, frames.clip.times.length) : ''}
      </span>
      {stick !== null && (
        <span className="font-semibold">
          {VIEW_PANE_WORDS.stickEnd} {STICK_PLACES[stick]?.xIn} {VIEW_PANE_WORDS.in}{' '}
          {STICK_PLACES[stick]?.yIn} {VIEW_PANE_WORDS.in2}
        </span>
      )}
    </figcaption>
  );
}

function FrameCanvas({ picture, view }: { readonly picture: ImageBitmap | null; readonly view: SwingView }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (context && picture) context.drawImage(picture, 0, 0, view.widthPx, view.heightPx);
  }, [picture, view.widthPx, view.heightPx]);
  return (
    <canvas
      ref={canvas}
      width={view.widthPx}
      height={view.heightPx}
      className="absolute inset-0 h-full w-full"
    />
  );
}

const cross = (u: number, v: number, r: number): string =>
  `M${u - r} ${v} H${u + r} M${u} ${v - r} V${v + r}`;
