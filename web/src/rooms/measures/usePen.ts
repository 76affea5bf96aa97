import { useMemo, useRef, useState } from 'react';

/** Points of a line drawn by hand, in the newer picture's pixels. */
export type Stroke = readonly (readonly [u: number, v: number])[];
type PenMove =
  | { readonly do: 'draw'; readonly stroke: number; readonly u: number; readonly v: number }
  | { readonly do: 'wipe' };

/** A pen over two pictures: what it has drawn, and who is told of each of its moves. */
export function usePen() {
  const [on, setOn] = useState(false);
  const [strokes, setStrokes] = useState<readonly Stroke[]>([]);
  const told = useRef<((move: PenMove) => void) | null>(null);
  const drawing = useRef<{ number: number; down: boolean }>({ number: 0, down: false });
  const hands = useMemo(() => {
    const tell = (u: number, v: number) =>
      told.current?.({ do: 'draw', stroke: drawing.current.number, u, v });
    return {
      begin: (u: number, v: number) => {
        drawing.current = { number: drawing.current.number + 1, down: true };
        setStrokes((all) => [...all, [[u, v]]]);
        tell(u, v);
      },
      go: (u: number, v: number) => {
        if (!drawing.current.down) return;
        setStrokes((all) => all.map((one, i) => (i === all.length - 1 ? [...one, [u, v]] : one)));
        tell(u, v);
      },
      end: () => {
        drawing.current.down = false;
      },
      wipe: () => {
        setStrokes([]);
        told.current?.({ do: 'wipe' });
      },
    };
  }, []);
  return { on, setOn, strokes, told, ...hands };
}
export type Pen = ReturnType<typeof usePen>;
