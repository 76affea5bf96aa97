import type { SwingMark, SwingView } from '@inchstep/contract/capture';
import type { Landmark } from '@inchstep/core/capture';
import { clamp } from '@inchstep/core/foundation';
import { type PointerEvent, useRef, useState } from 'react';
import type { BenchAction, BenchState } from './benchState.ts';

/** Grab radius around a mark, in screen pixels: a finger's worth. */
const GRAB_PX = 18;

/** Moving less than this is a press, not a drag. */
const DRAG_PX = 4;

export interface Dragging {
  readonly landmark: Landmark;
  readonly u: number;
  readonly v: number;
  /** What a press without a drag puts down, when the pointer came down on another mark. */
  readonly press: Landmark;
  readonly from: { readonly u: number; readonly v: number; readonly slack: number };
}

interface Pane {
  readonly view: SwingView;
  readonly state: BenchState;
  readonly marks: readonly SwingMark[];
  readonly active: boolean;
  readonly dispatch: (action: BenchAction) => void;
}

/** What a pointer does in a view: a press puts the landmark asked for, a drag takes what is there. */
export function usePaneHands({ view, state, marks, active, dispatch }: Pane) {
  const box = useRef<HTMLDivElement>(null);
  const [hover, setHover] = useState<{ u: number; v: number } | null>(null);
  const [drag, setDrag] = useState<Dragging | null>(null);
  const toPicture = (event: PointerEvent) => {
    const rect = (box.current as HTMLDivElement).getBoundingClientRect();
    return {
      u: ((event.clientX - rect.left) / rect.width) * view.widthPx,
      v: ((event.clientY - rect.top) / rect.height) * view.heightPx,
      grab: (GRAB_PX / rect.width) * view.widthPx,
      slack: (DRAG_PX / rect.width) * view.widthPx,
    };
  };
  const down = (event: PointerEvent) => {
    const at = toPicture(event);
    if (!active) dispatch({ type: 'look', view: view.kind });
    if (state.stick !== null) {
      dispatch({ type: 'stick', u: at.u, v: at.v });
      return;
    }
    const near = marks
      .map((m) => ({ m, d: Math.hypot(m.u - at.u, m.v - at.v) }))
      .sort((a, b) => a.d - b.d)[0];
    const landmark = near && near.d < at.grab ? near.m.landmark : state.landmark;
    // A heel lies a hair from its ankle: a press puts down what is asked for, a drag takes what is there.
    const press = marks.some((m) => m.landmark === state.landmark) ? landmark : state.landmark;
    setDrag({ landmark, press, u: at.u, v: at.v, from: { u: at.u, v: at.v, slack: at.slack } });
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const move = (event: PointerEvent) => {
    const at = toPicture(event);
    setHover({ u: at.u, v: at.v });
    if (drag) setDrag({ ...drag, u: at.u, v: at.v });
  };
  const up = () => {
    if (!drag) return;
    const moved = Math.hypot(drag.u - drag.from.u, drag.v - drag.from.v) > drag.from.slack;
    const landmark = moved ? drag.landmark : drag.press;
    const had = marks.some((m) => m.landmark === landmark);
    if (had) dispatch({ type: 'look', landmark });
    dispatch({
      type: 'mark',
      landmark,
      u: clamp(drag.u, 0, view.widthPx),
      v: clamp(drag.v, 0, view.heightPx),
      stay: had,
    });
    setDrag(null);
  };
  return {
    box,
    hover,
    drag,
    handlers: {
      onPointerDown: down,
      onPointerMove: move,
      onPointerUp: up,
      onPointerCancel: () => setDrag(null),
      onPointerLeave: () => setHover(null),
    },
  };
}
